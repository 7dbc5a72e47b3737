/**
 * What matters here: which setting moves which number most on this rig, one at a time over its real stops, and how far
 * the range of each assumed parameter moves it.
 */
import type { EscProfile, StopByItem } from '../esc/profile';
import type { LearnedRange } from '../radio/pulse';
import { resolveRig } from '../rig/resolve';
import { VOCABULARY } from '../settings/vocabulary';
import type { Rig } from '../rig/rig';
import type { Use } from '../rig/use';
import { guessesOf } from '../rig/spreads';
import { atBothEnds } from './assumptions';
import { DEPENDS_ON, DRILLS, runDrill, type DrillId } from '../physics/drills/runDrill';
import type { DrillNumber } from '../physics/drills/drill';
import { escBehaviour, type EscBehaviour } from '../physics/escChain';
import { entersDrills } from '../physics/howItEnters';
import type { ResolvedRig } from '../physics/resolved';

/** How far something moves a number: from its least to its most. */
export interface Moves {
  drill: DrillId;
  numberId: string;
  name: string;
  unit: string;
  decimals: number;
  now: number;
  low: number;
  high: number;
  /** The span over the present value: what is compared. */
  share: number;
}

export interface Mover {
  /** An item of the ESC, or an assumed parameter of the rig. */
  kind: 'item' | 'assumed';
  id: string;
  label: string;
  moves: Moves[];
}

export interface MattersRequest {
  rig: Rig;
  profile: EscProfile;
  stops: StopByItem;
  range: LearnedRange;
  /** What it is used for; what is usual for its class where nobody has said. */
  use?: Use | undefined;
}

/** Changes below this share are the solver's own: no change. */
const NO_CHANGE = 0.002;
/** More stops of one item than this show nothing new. */
const MOST_STOPS = 9;

/**
 * Goes through everything that may move a number. Yields after each with how much is done, so that a worker can tell and
 * be stopped.
 * @throws {Error} where a drill cannot be computed for this rig
 */
export function* whatMatters({
  rig,
  profile,
  stops,
  range,
  use,
}: MattersRequest): Generator<{ done: number; of: number }, Mover[]> {
  const behave = (set: StopByItem): EscBehaviour =>
    escBehaviour(profile, set, rig.channel, range, rig.pack.cells);
  const resolved = resolveRig(rig, profile, use);
  const drills = (Object.keys(DRILLS[rig.vehicle.kind]) as DrillId[]).filter(
    (id) => id !== 'advanceMap' && id !== 'sweep',
  );
  const numbersOf = numbersKept(drills);
  const base = numbersOf(resolved, behave(stops));
  const items = profile.items.filter(({ setting }) => entersDrills(setting));
  const guesses = guessesOf(rig);
  const total = items.length + guesses.length;
  const movers: Mover[] = [];
  let done = 0;
  for (const item of items) {
    const step = Math.max(1, Math.ceil(item.stops.length / MOST_STOPS));
    const tried = item.stops.filter((_stop, place) => place % step === 0 || place === item.stops.length - 1);
    const all = tried.map((stop) => numbersOf(resolved, behave({ ...stops, [item.id]: stop.id })));
    const { name } = VOCABULARY[item.setting];
    movers.push({
      kind: 'item',
      id: item.id,
      label: item.setting === 'other' ? item.label : name,
      moves: spans(base, all),
    });
    yield { done: (done += 1), of: total };
  }
  for (const guess of guesses) {
    const all = atBothEnds(guess, rig, profile, use).map((other) => numbersOf(other, behave(stops)));
    movers.push({ kind: 'assumed', id: guess.path, label: guess.label, moves: spans(base, all) });
    yield { done: (done += 1), of: total };
  }
  return movers.filter(({ moves }) => moves.length > 0);
}

type NumbersByDrill = Map<DrillId, DrillNumber[]>;

/** Runs all drills, but none twice on the same rig for the same of what it depends on. */
function numbersKept(drills: readonly DrillId[]): (rig: ResolvedRig, esc: EscBehaviour) => NumbersByDrill {
  const kept = new Map<ResolvedRig, Map<string, DrillNumber[]>>();
  return (rig, esc) => {
    const known = kept.get(rig) ?? new Map<string, DrillNumber[]>();
    kept.set(rig, known);
    return new Map(
      drills.map((id) => {
        const key = `${id} ${JSON.stringify(DEPENDS_ON[id].map((field) => esc[field]))}`;
        const numbers = known.get(key) ?? runDrill(id, rig, esc).numbers;
        known.set(key, numbers);
        return [id, numbers];
      }),
    );
  };
}

/** From the least to the most of every number, largest share first; what does not move is left out. */
function spans(base: NumbersByDrill, all: NumbersByDrill[]): Moves[] {
  const moves: Moves[] = [];
  for (const [drill, numbers] of base) {
    for (const { id, name, unit, decimals, value: now } of numbers) {
      const values = all.map((one) => one.get(drill)?.find((other) => other.id === id)?.value);
      if (now === undefined || values.some((value) => value === undefined)) continue;
      const low = Math.min(now, ...(values as number[]));
      const high = Math.max(now, ...(values as number[]));
      const size = Math.max(Math.abs(now), 10 ** -decimals);
      const share = (high - low) / size;
      if (share > NO_CHANGE) moves.push({ drill, numberId: id, name, unit, decimals, now, low, high, share });
    }
  }
  return moves.sort((a, b) => b.share - a.share);
}

/** For one number of a drill: what moves it, most first. */
export function moversOf(
  movers: readonly Mover[],
  drill: DrillId,
  numberId: string,
): { mover: Mover; moves: Moves }[] {
  return movers
    .flatMap((mover) => {
      const moves = mover.moves.find((one) => one.drill === drill && one.numberId === numberId);
      return moves ? [{ mover, moves }] : [];
    })
    .sort((a, b) => b.moves.share - a.moves.share);
}

/** The assumption that moves most of the numbers most, if anything assumed moves any. */
export function mostTellingAssumption(movers: readonly Mover[]): Mover | undefined {
  const weight = ({ moves }: Mover): number => moves.reduce((sum, { share }) => sum + Math.min(share, 1), 0);
  const assumed = movers.filter(({ kind }) => kind === 'assumed');
  return assumed.length === 0 ? undefined : assumed.reduce((a, b) => (weight(b) > weight(a) ? b : a));
}
