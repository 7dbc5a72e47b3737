/** Drives a car through the parts of a programme, piece by piece, from one change of its mode to the next. */
import { breaksOf, TRAIN_SCALES, type Mark, type RunPart } from './powerTrain';
import type { BridgeSetting } from './bridge';
import { Solver, type Step } from './solve';
import type { ResolvedWheels } from './resolved';
import { SIZE, Car, type Moment } from './car';

/** What each variable is large against: with the rig's accuracy, the error below which it counts as nothing. */
const SCALES = Float64Array.of(2, 20, 5, 5, ...TRAIN_SCALES);
/** The longest first step of a piece, s: about the time constant of wheels against their motor. */
const FIRST_STEP_S = 0.006;

export interface WheelRun {
  /** Time of each mark, s; undefined where it was never reached. */
  markTimes: (number | undefined)[];
  endS: number;
  state: Float64Array;
  /** Time spent sliding, s. */
  slidingS: number;
  atRest: boolean;
}

export interface RunOptions<M> {
  marks?: readonly Mark[];
  /** Whether it is over once it stands still under the brake. */
  endsAtRest?: boolean;
  /** Called after each step. */
  visit?: (step: Step, momentAt: M) => void;
}

/**
 * Runs a car forward through the parts of a programme, until they or a mark end it.
 * @param y its state; changed on the way
 * @throws {Error} where the rig has numbers that no model has
 */
export function runWheels(
  rig: ResolvedWheels,
  bridge: BridgeSetting,
  parts: Iterable<RunPart>,
  y: Float64Array,
  { marks = [], endsAtRest = true, visit = () => undefined }: RunOptions<MomentAt> = {},
): WheelRun {
  const car = new Car(rig, bridge);
  const tolerance = { relative: rig.accuracy, absolute: SCALES.map((scale) => scale * rig.accuracy) };
  const run: WheelRun = {
    markTimes: marks.map(() => undefined),
    endS: 0,
    state: y,
    slidingS: 0,
    atRest: false,
  };
  const solver = new Solver(SIZE);
  const probe = new Float64Array(SIZE);
  const momentAt: MomentAt = (step, t) => {
    step.at(t, probe);
    return car.moment(t, probe);
  };
  let stepS = FIRST_STEP_S;
  for (const part of parts) {
    car.begin(part, run.endS);
    for (const untilS of breaksOf(part, run.endS)) {
      while (run.endS < untilS) {
        car.chooseMode(run.endS, y);
        run.atRest = car.isAtRest();
        if (run.atRest && endsAtRest && part.kind === 'brake') return run;
        const open = marks
          .map((mark, place) => ({ mark, place }))
          .filter(({ place }) => run.markTimes[place] === undefined);
        const modeEvents = car.modeEvents(run.endS);
        car.events = [
          ...modeEvents,
          ...open.map(
            ({ mark }) =>
              (t: number, at: Float64Array) =>
                mark.value(at, t),
          ),
        ];
        const began = run.endS;
        const sliding = car.isSliding();
        const end = solver.piece(car, run.endS, y, untilS, tolerance, stepS, (step) => visit(step, momentAt));
        run.endS = end.t;
        // What begins again is quick at first; trying too long a step costs more than growing it again.
        stepS = Math.min(end.stepS, FIRST_STEP_S);
        if (sliding) run.slidingS += end.t - began;
        car.endPiece(end.t, y);
        if (end.event >= 0 && end.event < modeEvents.length) car.changeMode(end.event, y);
        if (end.event >= modeEvents.length) {
          const { mark, place } = open[end.event - modeEvents.length]!;
          run.markTimes[place] = end.t;
          mark.reached?.(end.t, y);
          if (mark.ends) return run;
        }
      }
    }
  }
  return run;
}

/** What flows at a time within a step. The same object each time. */
export type MomentAt = (step: Step, t: number) => Moment;
