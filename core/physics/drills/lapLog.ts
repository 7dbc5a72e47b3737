/** What a stint notes of its laps: when each was, how well it pulled, how low a cell fell, how hot it got; and which are driven. */
import { TRACE_POINTS } from './drill';

/** One lap, or several alike of which one was driven. */
interface NotedLap {
  untilS: number;
  seconds: number;
  /** Mean speed of a car in m/s, highest shaft speed of a propeller in rad/s. */
  pull: number;
  leastCell: number;
}

const HOT = ['winding', 'case', 'esc', 'pack'] as const;
type Hot = (typeof HOT)[number];

/** What a log reads off the state of a run. */
export interface Readings {
  /** Distance of a car, m; undefined where only the shaft turns. */
  distance: number | undefined;
  shaft: number;
  cell: number;
  /** Of winding, can, ESC and pack, °C. */
  heat: Readonly<Record<Hot, number>>;
  drawn: number;
}

/** How closely a stint is driven: not every lap of a long one is. */
interface Closeness {
  /** The first laps are driven one by one for so long, s: they decide how strong it starts. */
  oneByOneS: number;
  /** About so much is driven in all, s: later a lap stands for several alike. */
  drivenS: number;
  /** The longest that one lap stands for, s: beyond, a winding would warm and cool within it by more than it does. */
  standsForS: number;
  /** More is never driven, s, whatever a lap then stands for: what lasts for hours hardly warms. */
  mostDrivenS: number;
}

const CLOSENESS = {
  closely: { oneByOneS: 90, drivenS: 400, standsForS: 45, mostDrivenS: 1500 },
  /** A quarter of that, for who only wants to know about how hot and how long. */
  roughly: { oneByOneS: 20, drivenS: 90, standsForS: 100, mostDrivenS: 400 },
} as const satisfies Record<string, Closeness>;
export type HowClosely = keyof typeof CLOSENESS;

/** Nothing is looked at for longer, s: four hours. */
export const LONGEST_S = 4 * 3600;

interface Logged {
  /** The state as it is now. */
  read: () => Readings;
  /** What the pack gives until it is flat, A·s. */
  drawable: number;
  lapS: number;
  /** Until when heat counts, s: the end of a race. */
  heatUntilS: number;
  /** When it is over whatever the pack still has, s. */
  longestS: number;
  how: HowClosely;
}

export class LapLog {
  readonly laps: NotedLap[] = [];
  /** Of each part, the mean of its hottest lap, °C: what a thermometer shows, which does not follow single pulls. */
  readonly hottest: Record<Hot, number>;
  /** The lowest that a cell was seen at, V. */
  lowest: number;
  /** The fastest that the shaft turned at the end of a piece, rad/s. */
  mostShaft = 0;
  private readonly logged: Logged;
  private readonly closeness: Closeness;
  /** Where the present lap began: time of the stint, and time since the run began, s. */
  private beganS = 0;
  private runBeganS = 0;
  /** How much of it was driven, s, and for how many like it that stands. */
  private drivenS = 0;
  private alike = 1;
  private distance = 0;
  private fastest = 0;
  private leastCell = Infinity;
  private lastHeat: Record<Hot, number>;
  private readonly heatSums: Record<Hot, number> = { winding: 0, case: 0, esc: 0, pack: 0 };

  constructor(logged: Logged) {
    this.logged = logged;
    this.closeness = CLOSENESS[logged.how];
    const { heat, cell } = logged.read();
    this.hottest = { ...heat };
    this.lastHeat = { ...heat };
    this.lowest = cell;
  }

  /** How many laps the next one stands for; undefined where the stint has lasted for too long. */
  next(): number | undefined {
    this.close();
    const leftS = this.logged.longestS - this.beganS;
    if (leftS <= 0) return undefined;
    if (this.beganS >= this.closeness.oneByOneS && this.alike === 1) this.alike = this.alikeFromHere();
    this.alike = Math.max(1, Math.min(this.alike, leftS / this.logged.lapS));
    return this.alike;
  }

  /** Notes the state after so many seconds more. */
  note(seconds: number): void {
    this.drivenS += seconds;
    const { shaft, cell, heat } = this.logged.read();
    this.fastest = Math.max(this.fastest, shaft);
    this.mostShaft = Math.max(this.mostShaft, shaft);
    this.leastCell = Math.min(this.leastCell, cell);
    this.lowest = Math.min(this.lowest, cell);
    for (const part of HOT) {
      this.heatSums[part] += (seconds * (this.lastHeat[part] + heat[part])) / 2;
      this.lastHeat[part] = heat[part];
    }
  }

  /** The time of the stint at a time since the run began, within the present lap. */
  stintTime(runS: number): number {
    return this.beganS + this.alike * (runS - this.runBeganS);
  }

  /** Ends the log in the midst of a lap, at a time since the run began. */
  end(runS: number): void {
    this.note(Math.max(0, runS - this.runBeganS - this.drivenS));
    this.close();
  }

  /** Metres of the whole stint. */
  metres(): number {
    return this.laps.reduce((sum, { pull, seconds }) => sum + pull * seconds, 0);
  }

  /** Something of the laps at even times, for a trace: what it was during the lap there, and what it is when all is over. */
  over(untilS: number, of: (lap: NotedLap) => number, after: number) {
    let place = 0;
    return Array.from({ length: TRACE_POINTS + 1 }, (_, n) => {
      const x = (untilS * n) / TRACE_POINTS;
      while (place < this.laps.length && this.laps[place]!.untilS < x) place += 1;
      const lap = this.laps[place];
      return { x: x / 60, y: lap ? of(lap) : after };
    });
  }

  private alikeFromHere(): number {
    const { drawable, lapS, longestS, read } = this.logged;
    const { drivenS, standsForS, mostDrivenS } = this.closeness;
    const { drawn } = read();
    const lasts = drawn > 0 ? Math.min(longestS, (drawable / drawn) * this.beganS) : longestS;
    return Math.max(1, Math.min(standsForS / lapS, lasts / drivenS), lasts / mostDrivenS);
  }

  private close(): void {
    if (this.drivenS <= 0) return;
    const { distance } = this.logged.read();
    this.closeHeat();
    const seconds = this.alike * this.drivenS;
    this.beganS += seconds;
    this.runBeganS += this.drivenS;
    const pull = distance === undefined ? this.fastest : (distance - this.distance) / this.drivenS;
    this.laps.push({ untilS: this.beganS, seconds, pull, leastCell: this.leastCell });
    this.distance = distance ?? 0;
    this.drivenS = 0;
    this.fastest = 0;
    this.leastCell = Infinity;
  }

  /** Of whole laps: what is left of the last one may be a single pull. */
  private closeHeat(): void {
    const { lapS, heatUntilS } = this.logged;
    const counts = this.beganS < heatUntilS && (this.drivenS > lapS - 1e-6 || this.laps.length === 0);
    for (const part of HOT) {
      if (counts) this.hottest[part] = Math.max(this.hottest[part], this.heatSums[part] / this.drivenS);
      this.heatSums[part] = 0;
    }
  }
}
