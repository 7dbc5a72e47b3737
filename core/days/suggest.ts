/** Questions that the model would have answered on a rig: values that move a number much while what decides it is only assumed. */
import { stopById, type EscProfile, type StopByItem } from '../esc/profile';
import { inOrder } from '../esc/stopOrder';
import { READINGS, readingsOf, type ReadingId, type ReadingKind } from '../runs/readings';
import type { Question } from '../runs/question';
import type { TriedStop } from '../runs/trial';
import type { Mover, Moves } from '../sensitivity/matters';
import type { Rig } from '../rig/rig';
import { percentOf } from '../units/format';

export type Suggested = Omit<Question, 'id' | 'madeAt'> & {
  /** Why it is worth a drive. */
  because: string;
};

/** Less than this nobody measures with a stopwatch and a tape. From memory. */
const WORTH_A_DRIVE = 0.05;
const MOST_SUGGESTED = 3;

/** The most telling first: one for each item. */
export function suggestedQuestions(
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
  movers: readonly Mover[],
): Suggested[] {
  const assumed = movers.filter(({ kind }) => kind === 'assumed');
  const found = movers
    .filter(({ kind }) => kind === 'item')
    .flatMap((mover) => {
      const told = tellingReading(rig, mover, assumed);
      const question = told && asQuestion(rig, profile, stops, mover, told);
      return question ? [{ question, doubt: told.doubt }] : [];
    });
  return found
    .toSorted((a, b) => b.doubt - a.doubt)
    .slice(0, MOST_SUGGESTED)
    .map(({ question }) => question);
}

interface Told {
  reading: ReadingId;
  moves: Moves;
  /** The smaller of what the item moves and what is assumed moves: where both are large, the model cannot decide. */
  doubt: number;
  assumption: string;
}

function tellingReading(rig: Rig, mover: Mover, assumed: readonly Mover[]): Told | undefined {
  const told = readingsOf(rig.vehicle.kind).flatMap((reading): Told[] => {
    const { tells: byKind }: ReadingKind = READINGS[reading];
    const tells = byKind[rig.vehicle.kind];
    const moves = tells && sameNumber(mover, tells);
    if (!tells || !moves || moves.share < WORTH_A_DRIVE) return [];
    const doubts = assumed.flatMap((one) => {
      const its = sameNumber(one, tells);
      return its ? [{ label: one.label, share: its.share }] : [];
    });
    const most = doubts.toSorted((a, b) => b.share - a.share)[0];
    if (!most || most.share < WORTH_A_DRIVE) return [];
    return [{ reading, moves, doubt: Math.min(moves.share, most.share), assumption: most.label }];
  });
  return told.toSorted((a, b) => b.doubt - a.doubt)[0];
}

const sameNumber = ({ moves }: Mover, [drill, id]: readonly [string, string]): Moves | undefined =>
  moves.find((one) => one.drill === drill && one.numberId === id);

function asQuestion(
  rig: Rig,
  profile: EscProfile,
  stops: StopByItem,
  mover: Mover,
  { reading, moves, assumption }: Told,
): Suggested | undefined {
  const item = profile.items.find(({ id }) => id === mover.id);
  const now = item && stops[item.id];
  if (!item || now === undefined) return undefined;
  const order = inOrder(item, rig.pack.cells);
  const place = order.findIndex(({ id }) => id === now);
  const other = order[place + 1] ?? order[place - 1];
  if (!other) return undefined;
  const tried = (stopId: string): TriedStop => {
    const { number, label } = stopById(item, stopId);
    return { stopId, stopNumber: number || null, label };
  };
  const [a, b] = [tried(now), tried(other.id)];
  return {
    words: `${item.label}: ${b.label} or ${a.label}?`,
    reading,
    itemId: item.id,
    itemNumber: item.number,
    itemLabel: item.label,
    a,
    b,
    because: `It moves ${moves.name.toLowerCase()} by up to ${percentOf(moves.share)}, and ${assumption.toLowerCase()}, which moves it too, is only assumed.`,
  };
}
