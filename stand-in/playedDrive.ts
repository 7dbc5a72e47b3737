/** A drive that is under way: what was computed of it, played so that its numbers can be asked for meanwhile. */
import { LIVE_KINDS, type LiveReading } from '#core/link/live';
import { channelOf, lengthOf, type Log } from '#core/runs/log/channels';

export class PlayedDrive {
  readonly #log: Log;
  readonly #pace: number;
  readonly #beganMs = performance.now();
  readonly #timer: ReturnType<typeof setTimeout>;

  /** @param pace so many times as fast as it was driven @param whenOver called once at its end, unless it is stopped before */
  constructor(log: Log, pace: number, whenOver: () => void) {
    this.#log = log;
    this.#pace = pace;
    this.#timer = setTimeout(whenOver, (1000 * lengthOf(log)) / pace);
  }

  now(): LiveReading {
    const { seconds } = this.#log;
    const second = Math.min(lengthOf(this.#log), (this.#pace * (performance.now() - this.#beganMs)) / 1000);
    const after = seconds.findIndex((at) => at > second);
    const at = (after === -1 ? seconds.length : after) - 1;
    return {
      seconds: second,
      values: Object.fromEntries(
        LIVE_KINDS.flatMap((kind) => {
          const value = channelOf(this.#log, kind)?.values[at];
          return value === undefined || Number.isNaN(value) ? [] : [[kind, value]];
        }),
      ),
    };
  }

  /** The pack is pulled: nothing is logged. */
  stop(): void {
    clearTimeout(this.#timer);
  }
}
