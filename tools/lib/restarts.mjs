/** How long to wait before a part that ended is started again: ever longer, without end, and from the beginning once it lived. */

const FIRST_MS = 500;
const LONGEST_MS = 30_000;
/** A part that lived for so long has come back for good. */
const LIVED_MS = 60_000;

export class Restarts {
  #inARow = 0;
  #lastAt = -Infinity;

  /**
   * @param {number} now ms
   * @returns {{ pauseMs: number, isFirst: boolean }} whether it is the first of a row: only that is said
   */
  next(now) {
    if (now - this.#lastAt > LIVED_MS + this.#pause()) this.#inARow = 0;
    this.#lastAt = now;
    this.#inARow += 1;
    return { pauseMs: this.#pause(), isFirst: this.#inARow === 1 };
  }

  #pause() {
    return Math.min(LONGEST_MS, FIRST_MS * 2 ** Math.max(0, this.#inARow - 1));
  }
}
