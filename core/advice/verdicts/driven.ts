/** Drills that a verdict drives first: milliseconds each, asked for with every move, and most moves change nothing of them. */
import type { EscProfile } from '../../esc/profile';
import type { DrillNumber } from '../../physics/drills/drill';
import { DEPENDS_ON, drillNumbers, roughStintNumbers, type DrillId } from '../../physics/drills/runDrill';
import { escBehaviour, type EscBehaviour } from '../../physics/escChain';
import type { ResolvedRig } from '../../physics/resolved';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import type { Situation } from './verdict';

type NumbersByCase = Map<string, readonly DrillNumber[]>;

/** What was driven, to be handed from one thread to another. */
export type DrivenCases = readonly (readonly [situation: string, numbers: readonly DrillNumber[]])[];

const known = new WeakMap<Rig, WeakMap<EscProfile, NumbersByCase>>();
/** More cases than this are forgotten: nobody goes back so far. */
const MOST_KEPT = 300;

/** What a drill answers in a situation; nothing where the rig's numbers lead nowhere: the drill itself says so. */
function drive(drill: DrillId, { rig, profile, stops, range, goals }: Situation): readonly DrillNumber[] {
  const esc = escBehaviour(profile, stops, rig.channel, range, rig.pack.cells);
  const cases = casesOf(rig, profile);
  const use = drill === 'stint' ? goals.use : null;
  const key = JSON.stringify([drill, DEPENDS_ON[drill].map((field) => esc[field]), use]);
  const found = cases.get(key) ?? numbersOf(drill, resolveRig(rig, profile, goals.use), esc);
  if (cases.size > MOST_KEPT) cases.clear();
  cases.set(key, found);
  return found;
}

/** A stint only about: what is said of it is rounded. */
const numbersOf = (drill: DrillId, rig: ResolvedRig, esc: EscBehaviour): readonly DrillNumber[] =>
  drill === 'stint' ? roughStintNumbers(rig, esc) : drillNumbers(drill, rig, esc);

/** One number of a drill; undefined where it was never reached. */
export const drivenTo = (drill: DrillId, numberId: string, situation: Situation): number | undefined =>
  drive(drill, situation).find(({ id }) => id === numberId)?.value;

/** What was driven so far for a rig and its ESC. */
export const drivenSoFar = (rig: Rig, profile: EscProfile): DrivenCases => [...casesOf(rig, profile)];

/** Takes over what another thread has driven for the same rig and ESC: it need not be driven again. */
export function takeDriven(rig: Rig, profile: EscProfile, driven: DrivenCases): void {
  const cases = casesOf(rig, profile);
  for (const [situation, numbers] of driven) cases.set(situation, numbers);
}

function casesOf(rig: Rig, profile: EscProfile): NumbersByCase {
  const ofRig = known.get(rig) ?? new WeakMap<EscProfile, NumbersByCase>();
  known.set(rig, ofRig);
  const cases = ofRig.get(profile) ?? new Map<string, readonly DrillNumber[]>();
  ofRig.set(profile, cases);
  return cases;
}
