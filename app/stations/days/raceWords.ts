import type { RaceStep } from '#core/days/raceSchedule';

export interface RaceNames {
  rig: (rigId: string) => string;
  pack: (packId: string) => string;
  heat: (heatId: string) => string;
  setUp: (rigId: string, setUpId: string) => string;
}

/** One step of a race day as it is called out. */
export function raceWords(step: RaceStep, names: RaceNames): string {
  switch (step.kind) {
    case 'charge':
      return `${names.pack(step.packId)} on the charger, for “${names.heat(step.heatId)}”`;
    case 'load':
      return `${names.rig(step.rigId)}: load “${names.setUp(step.rigId, step.setUpId)}”`;
    case 'heat':
      return `${names.heat(step.heatId)}: ${names.rig(step.rigId)}${step.packId === null ? '' : `, ${names.pack(step.packId)}`}`;
    case 'putBack':
      return `${names.rig(step.rigId)}: put back what it held before the event`;
  }
}

/** The same step keeps its name when it moves. */
export const raceStepId = (step: RaceStep): string =>
  `${step.kind}-${step.kind === 'putBack' ? step.rigId : step.heatId}`;
