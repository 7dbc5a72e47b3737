/**
 * A curve that its owner draws: so many outputs, evenly spread over the trigger, both ends among them. It has no list of stops:
 * the id of a stop says its points.
 */
import type { SettingValue } from '../settings/setting';

export interface FreeCurve {
  /** Two at least, eleven at most. */
  points: number;
}

const PREFIX = 'curve-';

/** The id under which a curve is held. @param outputs %, from the trigger at rest to full */
export const curveStopId = (outputs: readonly number[]): string =>
  PREFIX + outputs.map((output) => Math.round(output)).join('-');

/** The outputs that an id stands for, %; undefined where it is none of this curve: too few, beyond the ends, or falling. */
export function outputsOf({ points }: FreeCurve, stopId: string): number[] | undefined {
  if (!stopId.startsWith(PREFIX)) return undefined;
  const outputs = stopId.slice(PREFIX.length).split('-').map(Number);
  return curveFault({ points }, outputs) === undefined ? outputs : undefined;
}

/** What is wrong with a drawn curve, in a sentence; undefined where the ESC can hold it. */
export function curveFault({ points }: FreeCurve, outputs: readonly number[]): string | undefined {
  if (outputs.length !== points) return `This curve has ${points} points, but you typed ${outputs.length}.`;
  const wrong = outputs.findIndex((output) => !Number.isInteger(output) || output < 0 || output > 100);
  if (wrong !== -1)
    return `Point ${wrong + 1} is ${outputs[wrong]}: it must be a whole number from 0 to 100 %.`;
  const falls = outputs.findIndex((output, n) => n > 0 && output < outputs[n - 1]!);
  return falls === -1
    ? undefined
    : `Point ${falls + 1} is lower than the point before it: a curve never falls.`;
}

export const curveValue = (outputs: readonly number[]): SettingValue => ({
  kind: 'curve',
  points: outputs.map((output, n) => [(100 * n) / (outputs.length - 1), output] as const),
});

/** The curve with one point moved: those behind it never lie below it, those before it never above. */
export const withPoint = (outputs: readonly number[], at: number, output: number): number[] => {
  const moved = Math.round(Math.min(100, Math.max(0, output)));
  return outputs.map((before, n) =>
    n === at ? moved : n < at ? Math.min(before, moved) : Math.max(before, moved),
  );
};

/** Numbers as they are typed, whatever stands between them. */
export const typedOutputs = (text: string): number[] =>
  [...text.matchAll(/\d+(?:[.,]\d+)?/g)].map(([number]) => Number(number.replace(',', '.')));
