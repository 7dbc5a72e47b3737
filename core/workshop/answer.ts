/** Answers to what printed words leave open. */
import { statesSize } from '../esc/scale';
import type { Answer, Question, SketchItem } from './sketch';
import { withSetting } from './suggest';

/** The item with one answer taken. */
export function answered(item: SketchItem, question: Question, { take }: Answer): SketchItem {
  const asked = item.asked.filter((other) => other !== question);
  const { setting, meanings, basis, ...facts } = take;
  if (setting !== undefined) return withSetting(item, setting);
  const next: SketchItem = {
    ...item,
    ...facts,
    stops: item.stops.map((stop, place) => ({
      ...stop,
      meaning: meanings?.[place] ?? stop.meaning,
      basis: meanings?.[place] ? (basis ?? stop.basis) : stop.basis,
    })),
    asked,
  };
  // A scale with sizes of its own leaves no direction to be asked.
  return statesSize(next.scale)
    ? { ...next, asked: asked.filter(({ about }) => about !== 'direction') }
    : next;
}
