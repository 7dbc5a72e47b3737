export interface NewestOnlyWork<Request, Answer> {
  /** One request at a time. */
  run: (request: Request) => Promise<Answer>;
  onAnswer: (request: Request, answer: Answer) => void;
  /** When nothing is left to do. @param last what was answered last */
  onIdle?: (last: Request) => void;
  /** Whether the answer to one is the answer to the other. */
  isSame: (a: Request, b: Request) => boolean;
}

/**
 * Runs one request at a time. While it runs only the newest waits, and what lies between is skipped: an answer that
 * follows a moving hand never lags behind it.
 */
export class NewestOnly<Request, Answer> {
  readonly #work: NewestOnlyWork<Request, Answer>;
  #newest: Request | undefined;
  #waiting: Request | undefined;
  #running = false;
  #closed = false;

  constructor(work: NewestOnlyWork<Request, Answer>) {
    this.#work = work;
  }

  /** Does nothing where the newest asks for the same. @throws whatever `run` is rejected with */
  async ask(next: Request): Promise<void> {
    if (this.#closed || (this.#newest !== undefined && this.#work.isSame(this.#newest, next))) return;
    this.#newest = next;
    this.#waiting = next;
    if (this.#running) return;
    this.#running = true;
    try {
      await this.#runAll();
    } finally {
      this.#running = false;
    }
  }

  /** What is still answered then is told to nobody. */
  close(): void {
    this.#closed = true;
    this.#waiting = undefined;
  }

  get #nothingWaits(): boolean {
    return this.#waiting === undefined;
  }

  async #runAll(): Promise<void> {
    while (this.#waiting !== undefined) {
      const request = this.#waiting;
      this.#waiting = undefined;
      const answer = await this.#work.run(request);
      if (this.#closed) return;
      this.#work.onAnswer(request, answer);
      if (this.#nothingWaits) this.#work.onIdle?.(request);
    }
  }
}
