/** The least and the most of something along a run, found within its steps. */
import type { Step } from './solve';

export interface Extremes {
  least: number;
  most: number;
}

export const noExtremes = (): Extremes => ({ least: Infinity, most: -Infinity });

/** Looks into a step, ends included: what flows can turn round well within one. */
const LOOKS = 8;

/**
 * Takes in one step: so many looks at it, and the top of the parabola through each three of them.
 * @param value at a time of the step
 */
export function noteExtremes(extremes: Extremes, step: Step, value: (t: number) => number): void {
  const { t0, t1 } = step;
  const spacing = (t1 - t0) / LOOKS;
  let before = value(t0);
  let here = value(t0 + spacing);
  note(extremes, before);
  note(extremes, here);
  for (let look = 2; look <= LOOKS; look += 1) {
    const after = value(look === LOOKS ? t1 : t0 + look * spacing);
    note(extremes, after);
    const bend = before - 2 * here + after;
    const turns = (here - before) * (after - here) < 0;
    if (turns && bend !== 0) note(extremes, value(t0 + (look - 1 + (before - after) / (2 * bend)) * spacing));
    before = here;
    here = after;
  }
}

function note(extremes: Extremes, value: number): void {
  if (value < extremes.least) extremes.least = value;
  if (value > extremes.most) extremes.most = value;
}
