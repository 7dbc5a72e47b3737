/** Guessing gets slower: after a few wrong answers each further one is waited for twice as long. */

/** Whoever mistypes is not kept waiting. */
const FREE = 3;
const LONGEST_MS = 15 * 60_000;
/** After so long without a wrong answer it begins anew. */
const FORGIVEN_AFTER_MS = 60 * 60_000;
/** More than ever guess at once; the oldest is let go of. */
const MOST_KNOWN = 10_000;

export class Delays {
  readonly #wrong = new Map<string, { count: number; lastMs: number }>();

  /** @param now ms, from any zero */
  constructor(private readonly now: () => number = () => performance.now()) {}

  /** How long somebody still has to wait, ms; 0 where not at all. @param who an address, say */
  waitMs(who: string): number {
    const wrong = this.#wrong.get(who);
    if (!wrong) return 0;
    const pauseMs = wrong.count < FREE ? 0 : Math.min(1000 * 2 ** (wrong.count - FREE), LONGEST_MS);
    return Math.max(0, wrong.lastMs + pauseMs - this.now());
  }

  /** Notes a wrong answer: when it is tried, before anybody knows, so that many at once count as many. */
  tried(who: string): void {
    const now = this.now();
    const before = this.#wrong.get(who);
    const isForgiven = !before || now - before.lastMs > FORGIVEN_AFTER_MS;
    this.#wrong.delete(who);
    this.#wrong.set(who, { count: isForgiven ? 1 : before.count + 1, lastMs: now });
    const [oldest] = this.#wrong.keys();
    if (this.#wrong.size > MOST_KNOWN && oldest !== undefined) this.#wrong.delete(oldest);
  }

  /** The answer was right. */
  succeeded(who: string): void {
    this.#wrong.delete(who);
  }
}
