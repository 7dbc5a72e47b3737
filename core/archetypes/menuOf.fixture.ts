import { countedNotes } from '../esc/notes';
import type { Medium } from '../esc/media';
import { UNTIED, type EscProfile, type ProfileItem } from '../esc/profile';

/**
 * An ESC that is worked like another one, with a menu made up to order.
 * @param stopCounts how many stops each item has; a menu that toggles takes two for all of them
 * @param factoryPlaces which stop of each is the factory's, 0 upward; the first where it is not said
 */
export function menuOf(
  pattern: EscProfile,
  stopCounts: readonly number[],
  factoryPlaces: readonly number[] = [],
): EscProfile {
  const toggles = pattern.media.some(({ family }) => family === 'stickToggle');
  const counts = toggles ? stopCounts.map(() => 2) : stopCounts;
  const items = counts.map((count, at): ProfileItem => {
    const stops = Array.from({ length: count }, (_, stop): ProfileItem['stops'][number] => ({
      id: `item-${at + 1}-stop-${stop + 1}`,
      number: stop + 1,
      label: `stop ${stop + 1}`,
      value: { kind: 'label' },
      basis: 'stated',
      typed: null,
    }));
    return {
      id: `item-${at + 1}`,
      number: at + 1,
      label: `Item ${at + 1}`,
      setting: 'other',
      scale: 'named',
      sense: 'direct',
      factoryStopId: stops[(factoryPlaces[at] ?? 0) % count]!.id,
      stops,
      ...UNTIED,
    };
  });
  return { ...pattern, items, media: pattern.media.map((medium) => fitted(medium, counts)) };
}

/** The medium with notes and digits enough for such a menu. */
function fitted(medium: Medium, stopCounts: readonly number[]): Medium {
  switch (medium.family) {
    case 'stickTones':
      return {
        ...medium,
        itemNotes: countedNotes(stopCounts.length),
        stopNotes: countedNotes(Math.max(...stopCounts), 'h'),
      };
    case 'stickToggle':
      return { ...medium, itemNotes: countedNotes(stopCounts.length) };
    case 'keyPad':
      return { ...medium, digits: 3 };
    case 'transmitterMenu':
      return { ...medium, confirmedItemIds: ['item-2'] };
    default:
      return medium;
  }
}
