/**
 * Advice for a rig: of all rules that speak about a setting, the one with the highest priority wins, never the one that
 * stands first in the code; the others stay visible.
 */
import type { EscProfile, ProfileItem, StopByItem } from '../esc/profile';
import { weakestLoad } from '../rig/busLoads';
import { comparableNumber } from '../settings/value';
import type { SettingId } from '../settings/vocabulary';
import { withUnit } from '../units/format';
import { stopsIn, type StopsInBand } from './bands';
import { GENERAL_RULES } from './generalRules';
import { withSaneStops } from './saneCutoff';
import { applies, PRIORITIES, type Case, type Priority, type Rule } from './rule';
import { schoolRules } from './schools';
import { STYLE_RULES } from './styleRules';

export interface Advice {
  setting: SettingId;
  /** The stops that are inside the band, at least one. */
  stopIds: string[];
  /** The one to take. */
  stopId: string;
  reason: string;
  priority: Priority;
  source: Rule['source'];
  /** What other rules would have said, and why they yield. */
  over: { reason: string; priority: Priority; stopId: string }[];
}

const RULES: readonly Rule[] = [...STYLE_RULES, ...GENERAL_RULES];
const ORDER = Object.keys(PRIORITIES) as Priority[];
/** More conditions than any rule has. */
const MANY = 100;

/** First by priority; of two alike, the one that is about a more particular case. */
const rank = ({ priority, when }: Rule): number => ORDER.indexOf(priority) * MANY - Object.keys(when).length;

/** Advice for one item of this rig's ESC; undefined where no rule speaks. */
export function adviceFor(case_: Case, item: ProfileItem): Advice | undefined {
  const { pack } = case_.rig;
  const offered = item.setting === 'cutoff' ? withSaneStops(item, pack) : item;
  const speaking = [...RULES, ...schoolRules(case_.goals, case_.rig.vehicleClass)]
    .filter(({ setting, when }) => setting === item.setting && applies(when, case_))
    .map((rule) => ({ rule, stops: stopsIn(rule.band, offered, pack.cells) }))
    .filter((one): one is { rule: Rule; stops: StopsInBand } => one.stops !== undefined)
    .sort((a, b) => rank(a.rule) - rank(b.rule));
  const said = speaking.map(({ rule, stops }) => ({
    ...rule,
    ...stops,
    reason: [rule.reason, stops.snapped].filter(Boolean).join(' '),
  }));
  if (item.setting === 'becVolts') return underRating(case_, item, said);
  const [winner, ...losers] = said;
  return winner && adviceOf(item, winner, losers);
}

type Said = Pick<Rule, 'priority' | 'source' | 'reason'> & Pick<StopsInBand, 'stopIds' | 'stopId'>;

const adviceOf = (item: ProfileItem, winner: Said, losers: readonly Said[]): Advice => ({
  setting: item.setting,
  stopIds: winner.stopIds,
  stopId: winner.stopId,
  reason: winner.reason,
  priority: winner.priority,
  source: winner.source,
  over: losers
    .filter(({ stopId }) => !winner.stopIds.includes(stopId))
    .map(({ reason, priority, stopId }) => ({ reason, priority, stopId })),
});

/** Of what is wanted on the bus, what its lowest rating allows. With nothing known about the bus, nothing is advised. */
function underRating({ rig }: Case, item: ProfileItem, said: readonly Said[]): Advice | undefined {
  const weakest = weakestLoad(rig.busLoads);
  if (!weakest) return undefined;
  const voltsOf = (id: string): number =>
    comparableNumber(item.stops.find((stop) => stop.id === id)!.value, 1) ?? Infinity;
  const allowed = item.stops.map(({ id }) => id).filter((id) => voltsOf(id) <= weakest.maxVolts);
  if (allowed.length === 0) return undefined;
  const wanted = said.find(({ stopIds }) => stopIds.some((id) => allowed.includes(id)));
  const inside = wanted?.stopIds.filter((id) => allowed.includes(id)) ?? allowed;
  const rating = `Nothing on the bus may get more than ${withUnit(weakest.maxVolts, 'V', 1)} (${weakest.name}).`;
  const usual = 6;
  const nearest = [...inside].sort((a, b) => Math.abs(voltsOf(a) - usual) - Math.abs(voltsOf(b) - usual))[0]!;
  return adviceOf(
    item,
    {
      priority: 'rating',
      source: 'common practice',
      stopIds: inside,
      stopId: wanted && inside.includes(wanted.stopId) ? wanted.stopId : nearest,
      reason: wanted ? `${rating} ${wanted.reason}` : `${rating} Servos last long at 6 V.`,
    },
    said.filter((one) => one !== wanted),
  );
}

/** Advice by item: of every item that a rule speaks about. */
export type AdviceByItem = Readonly<Record<string, Advice>>;

/** All advice for a rig's ESC. It changes with the case only, not with the draft: ask once and keep it. */
export const adviceOn = (case_: Case, profile: EscProfile): AdviceByItem =>
  Object.fromEntries(
    profile.items.flatMap((item) => {
      const advice = adviceFor(case_, item);
      return advice ? [[item.id, advice] as const] : [];
    }),
  );

/** The advised stop of every item that a rule speaks about. */
export const advisedStops = (case_: Case, profile: EscProfile): StopByItem =>
  Object.fromEntries(
    Object.entries(adviceOn(case_, profile)).map(([itemId, { stopId }]) => [itemId, stopId]),
  );

/** Of some items, what to take where their value lies outside the advised band. */
export const openAdvice = (
  advice: AdviceByItem,
  items: readonly ProfileItem[],
  stops: StopByItem,
): StopByItem =>
  Object.fromEntries(
    items.flatMap(({ id }) => {
      const found = advice[id];
      return found && !found.stopIds.includes(stops[id] ?? '') ? [[id, found.stopId] as const] : [];
    }),
  );
