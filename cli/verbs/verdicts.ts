import { usualGoals } from '#core/advice/goals';
import { verdictsOn } from '#core/advice/verdicts/verdictsOn';
import { rangeOf } from '#core/radio/pulse';
import { wantedStops, type Context } from '../context';

/** What is dangerous or unwise about a rig with these values, its end points calibrated as they are. */
export function verdicts(context: Context, sets: readonly string[]): { hazards: number; output: object } {
  const { rig, profile } = context;
  const stops = { ...context.stops, ...wantedStops(profile, sets) };
  const found = verdictsOn({
    rig,
    profile,
    stops,
    range: rangeOf(rig.channel),
    rules: undefined,
    goals: usualGoals(rig.vehicleClass),
  });
  return {
    hazards: found.filter(({ grade }) => grade === 'hazard').length,
    output: {
      rig: context.rigAssumed ? 'assumed defaults' : rig.name,
      values: context.stopsFrom,
      verdicts: found.map(({ id, grade, title, sentence, remedies }) => ({
        id,
        grade,
        title,
        sentence,
        remedies: remedies.map(({ label }) => label),
      })),
    },
  };
}
