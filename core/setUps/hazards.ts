import type { Goals } from '../advice/goals';
import type { Verdict } from '../advice/verdicts/verdict';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import type { EscProfile, StopByItem } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import type { Rig } from '../rig/rig';

/** What is dangerous about a rig with such values. */
export const hazardsOf = (
  rig: Rig,
  { profile, range }: { profile: EscProfile; range: LearnedRange },
  stops: StopByItem,
  goals: Goals,
): Verdict[] =>
  verdictsOn({ rig, profile, stops, range, rules: undefined, goals, withoutStint: true }).filter(
    ({ grade }) => grade === 'hazard',
  );
