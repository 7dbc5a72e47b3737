/** A log that never ends who writes it, and never fills the disk: it is begun again at a size, and a few old ones are kept. */
import { appendFileSync, existsSync, renameSync, statSync } from 'node:fs';

const LARGEST_BYTES = 5_000_000;
const OLD_ONES = 2;

export class RotatingLog {
  #file;
  #largest;
  #size;
  #failing = false;
  #onFailing;

  /**
   * @param {string} file
   * @param {(why: string) => void} onFailing told once when it cannot be written, and again only after it could
   * @param {number} [largest] bytes
   */
  constructor(file, onFailing, largest = LARGEST_BYTES) {
    this.#file = file;
    this.#largest = largest;
    this.#onFailing = onFailing;
    this.#size = existsSync(file) ? statSync(file).size : 0;
  }

  /** @param {string | Buffer} text what cannot be written is lost, and nothing else */
  write(text) {
    try {
      if (this.#size > 0 && this.#size + text.length > this.#largest) this.#rotate();
      appendFileSync(this.#file, text, { mode: 0o600 });
      this.#size += text.length;
      this.#failing = false;
    } catch (error) {
      if (!this.#failing) this.#onFailing(/** @type {Error} */ (error).message);
      this.#failing = true;
    }
  }

  #rotate() {
    for (let n = OLD_ONES; n > 0; n -= 1) {
      const from = n === 1 ? this.#file : `${this.#file}.${n - 1}`;
      if (existsSync(from)) renameSync(from, `${this.#file}.${n}`);
    }
    this.#size = 0;
  }
}
