/** Draws a run at even places, so that two runs of a drill lie over each other. */
import type { Step } from '../solve';

export interface TraceDrawer {
  points: { x: number; y: number }[];
  /** Takes in a step: draws every even time that lies in it. */
  visit: (step: Step) => void;
  /** Fills what is left with a last value. */
  fill: (y: number) => void;
}

/**
 * @param untilS the end of what is drawn
 * @param count points beside the first
 * @param size of the state
 * @param value of a state
 */
export function drawOver(
  untilS: number,
  count: number,
  size: number,
  value: (y: Float64Array) => number,
): TraceDrawer {
  const points: { x: number; y: number }[] = [];
  const probe = new Float64Array(size);
  const timeOf = (place: number): number => (untilS * place) / count;
  return {
    points,
    visit(step) {
      while (points.length <= count && timeOf(points.length) <= step.t1 + 1e-12) {
        const x = timeOf(points.length);
        step.at(Math.min(x, step.t1), probe);
        points.push({ x, y: value(probe) });
      }
    },
    fill(y) {
      while (points.length <= count) points.push({ x: timeOf(points.length), y });
    },
  };
}
