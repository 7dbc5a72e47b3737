import type { PlannedStep, WaitsFor } from '#core/days/dayProblem';

/** What things of a day are called. */
export interface Names {
  rig: (rigId: string) => string;
  pack: (packId: string) => string;
  question: (questionId: string) => string;
  /** What a side has, in words. */
  side: (questionId: string, side: 'A' | 'B') => string;
}

/** One step as it is called out. */
export function stepWords(step: PlannedStep, names: Names): string {
  switch (step.kind) {
    case 'charge':
      return `${names.pack(step.packId)} on charger ${step.charger + 1}`;
    case 'load':
      return step.questionId === null
        ? `${names.rig(step.rigId)}: put back what it held`
        : `${names.rig(step.rigId)}: load for “${names.question(step.questionId)}”`;
    case 'run':
      return `${names.rig(step.rigId)}: drive ${step.side}, ${names.side(step.questionId, step.side)}, on ${names.pack(step.packId)}`;
  }
}

/** What a run had to wait for. */
export const WAITS: Record<WaitsFor, string> = {
  motor: 'once its motor is cool',
  pack: 'once its pack is charged',
  charger: 'once the charger is off: nobody is beside it',
};
