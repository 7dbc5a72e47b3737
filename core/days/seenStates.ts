/** States that were met: one that is in nothing better than another with the same work left need not be gone on from. */
import type { DayState } from './dayState';

/** More are not kept of one kind: comparing would cost more than going on. */
const MOST_OF_A_KIND = 12;

export class Seen {
  readonly #byWork = new Map<string, number[][]>();

  /** Whether another of the same work was as soon in everything; remembers this one where not. */
  isWorse(state: DayState): boolean {
    const work = [
      state.driven,
      state.holds,
      state.open,
      packsThatCount(state),
      state.isCharged,
      state.isAsFound,
    ].join('|');
    const times = [
      state.driverFree,
      ...state.coolAt,
      ...state.readyAt,
      ...state.chargerFree.toSorted((a, b) => a - b),
      state.firstAnswerAt ?? 0,
      state.loadCount,
    ];
    const known = this.#byWork.get(work) ?? [];
    if (known.some((other) => other.every((time, n) => time <= times[n]!))) return true;
    if (known.length < MOST_OF_A_KIND) this.#byWork.set(work, [...known, times]);
    return false;
  }
}

/** Which pack a question was begun with matters only while it is open. */
const packsThatCount = ({ open, pack }: DayState): string =>
  open.map((place) => (place === -1 ? '' : pack[place])).join();
