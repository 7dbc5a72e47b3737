/** What a triage can look at: the model as it is driven, with what its ESC is believed to hold. */
import { amountOf, choiceOf, type Situation, type Verdict } from '../advice/verdicts/verdict';
import { causesOf, type EndpointCause, type SymptomId } from '../calibration/diagnosis';
import type { DiagnosisFacts } from '../calibration/diagnosis';
import { deadbandOf, escBehaviour, type EscBehaviour } from '../physics/escChain';
import { drillNumbers, type DrillId } from '../physics/drills/runDrill';
import { travelReport } from '../radio/travel';
import { resolveRig } from '../rig/resolve';
import type { SettingId } from '../settings/vocabulary';
import { formatNumber } from '../units/format';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import type { StopByItem } from '../esc/profile';
import type { ResolvedRig } from '../physics/resolved';

export interface Seen {
  situation: Situation;
  verdicts: readonly Verdict[];
  resolved: ResolvedRig;
  /** What a full set of stops makes of the ESC on this rig. */
  behave: (stops: StopByItem) => EscBehaviour;
  /** The largest share of forward that the radio gets through, 0 to 1. */
  forwardSignal: number;
  endpoints: (symptom: SymptomId) => EndpointCause[];
}

/** Looks once, for every cause. @param situation with the stops that the ESC is believed to hold */
export function look(situation: Situation, endpoints: DiagnosisFacts): Seen {
  const { rig, profile, stops, range, goals } = situation;
  const behave = (set: StopByItem): EscBehaviour =>
    escBehaviour(profile, set, rig.channel, range, rig.pack.cells);
  return {
    situation,
    verdicts: verdictsOn(situation),
    resolved: resolveRig(rig, profile, goals.use),
    behave,
    forwardSignal: travelReport(rig.channel, range, deadbandOf(profile, stops)).forward.largestSignal,
    endpoints: (symptom) => causesOf(symptom, endpoints),
  };
}

/** What speaks for a cause on this rig, in a sentence; undefined where it is only usual. */
export type Evidence = (seen: Seen) => string | undefined;

/** A verdict on what the ESC holds now says it. */
export const said =
  (...ids: string[]): Evidence =>
  ({ verdicts }) => {
    const found = verdicts.find(({ id }) => ids.includes(id));
    return found && `${found.title} ${found.sentence}`;
  };

/** A setting stands at or above a number. @param words with `#` where its value goes */
export const atLeast = (setting: SettingId, number: number, words: string): Evidence =>
  comparing(setting, (value) => value >= number, words);

/** A setting stands at or below a number, or is off. @param words with `#` where its value goes */
export const atMost = (setting: SettingId, number: number, words: string): Evidence =>
  comparing(setting, (value) => value <= number, words);

const comparing =
  (setting: SettingId, holds: (value: number) => boolean, words: string): Evidence =>
  ({ situation }) => {
    const value = amountOf(situation, setting);
    return value !== undefined && holds(value) ? words.replace('#', formatNumber(value, 2)) : undefined;
  };

/** A setting is one of some choices. */
export const chosen =
  (setting: SettingId, choices: readonly string[], words: string): Evidence =>
  ({ situation }) =>
    choices.includes(choiceOf(situation, setting) ?? '') ? words : undefined;

/** The first of several that has something to say. */
export const either =
  (...evidence: Evidence[]): Evidence =>
  (seen) =>
    evidence.map((one) => one(seen)).find((words) => words !== undefined);

/** A number of a drill, as the ESC is; undefined where this kind of model has no such drill or never gets there. */
export function drilled(
  { situation, resolved, behave }: Seen,
  drill: DrillId,
  id: string,
): number | undefined {
  return drillNumbers(drill, resolved, behave(situation.stops)).find((one) => one.id === id)?.value;
}
