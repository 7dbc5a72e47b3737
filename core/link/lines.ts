/**
 * Cuts what arrives on a line into lines, and keeps no more than the longest one may be: whoever sends without an end
 * fills no memory.
 */
export class LineReader {
  readonly #longest: number;
  #waiting = '';
  /** Whether a line was longer than any of ours: the line is best cut then. */
  overflowed = false;

  /** @param longest characters of a line, its end not counted */
  constructor(longest: number) {
    this.#longest = longest;
  }

  /** @returns the lines that are whole now, without their ends; none behind one that was too long */
  take(chunk: string): string[] {
    if (this.overflowed) return [];
    const parts = (this.#waiting + chunk).split('\n');
    this.#waiting = parts.pop()!;
    const tooLong = [...parts, this.#waiting].findIndex((line) => line.length > this.#longest);
    if (tooLong === -1) return parts;
    this.overflowed = true;
    this.#waiting = '';
    return parts.slice(0, tooLong);
  }
}
