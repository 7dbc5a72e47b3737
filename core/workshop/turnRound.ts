/** A direction that is changed later: sizes that were only assumed follow it, stated and measured ones stay. */
import { VOCABULARY } from '../settings/vocabulary';
import type { ProfileItem } from '../esc/profile';
import type { SketchItem } from './sketch';

/**
 * The item with another direction.
 * @returns also the labels of the stops whose assumed size was exchanged
 */
export function turnedRound(
  item: SketchItem,
  sense: ProfileItem['sense'],
): { item: SketchItem; changed: string[] } {
  if (sense === item.sense || item.setting === '' || VOCABULARY[item.setting].choices !== undefined)
    return { item: { ...item, sense }, changed: [] };
  const assumed = item.stops.flatMap((stop, place) => (isAssumedSize(stop) ? [place] : []));
  const turned = assumed.toReversed();
  const stops = item.stops.map((stop, place) => {
    const from = turned[assumed.indexOf(place)];
    return from === undefined ? stop : { ...stop, meaning: item.stops[from]!.meaning };
  });
  return {
    item: { ...item, sense, stops },
    changed: stops.flatMap(({ label, meaning }, place) =>
      meaning === item.stops[place]!.meaning ? [] : [label],
    ),
  };
}

const isAssumedSize = ({ meaning, basis }: SketchItem['stops'][number]): boolean =>
  basis === 'assumed' && /\d/.test(meaning);
