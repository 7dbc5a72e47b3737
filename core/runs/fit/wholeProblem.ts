/** Logs and hand-written numbers together as one problem: the rig is the same in both. */
import { unfitted } from '../../rig/fitted';
import type { OnRig } from '../predicted';
import { OF_A_HAND_RUN, handResiduals, handRowsAbout, type HandRows, type RunByHand } from './handRows';
import { drivenResiduals, drivenRowsAbout, MOST_DRIVEN, OF_A_DRIVE, type DrivenRows } from './drivenRows';
import { logProblem, type AnyRowKind, type Loosened, type RunWithLog } from './logProblem';
import type { Parameter } from './parameters';
import type { Problem } from './solve';

export interface WholeProblem extends Problem {
  parameters: readonly Parameter[];
  /** Of each residual; and the number of the run that it is of. */
  runOf: readonly number[];
  kinds: readonly AnyRowKind[];
  /** Places in the vector of parameters: of those that motor and pack alone tell, and of all. */
  electrical: readonly number[];
  all: readonly number[];
  weigh: (u: ArrayLike<number>) => void;
  loosen: (by: Loosened) => void;
  /** How many of the runs have a log. */
  loggedRuns: number;
  /** Works out hand-written numbers, and drives runs whole, about a place. */
  straighten: (u: Float64Array) => void;
}

/** @throws {Error} where a log lacks a needed channel, or a rig's numbers lead nowhere */
export function wholeProblem(
  on: OnRig,
  logged: readonly RunWithLog[],
  byHand: readonly RunByHand[],
): WholeProblem {
  const logs = logProblem(on, logged);
  const { parameters } = logs;
  const rig = unfitted(on.rig);
  const rigCount = parameters.length;
  const ofRig = (u: ArrayLike<number>): Float64Array =>
    Float64Array.from({ length: rigCount }, (_, n) => u[n]!);
  const about = (u: ArrayLike<number>): HandRows => handRowsAbout(on, rig, parameters, byHand, ofRig(u));
  let hand = about(new Float64Array(rigCount));
  let driven: DrivenRows | undefined;
  let looser: Loosened = {};
  const handCount = hand.rows.length;
  const drivenOnes = logs.toDrive.slice(-MOST_DRIVEN);
  const drivenCount = OF_A_DRIVE * drivenOnes.length;
  const size = logs.size + OF_A_HAND_RUN * byHand.length;
  const together = (ofLogs: Float64Array, u: ArrayLike<number>): Float64Array => {
    const own = Float64Array.from({ length: size - logs.size }, (_, n) => u[logs.size + n]!);
    const out = new Float64Array(logs.rows + handCount + drivenCount);
    out.set(ofLogs);
    const { hand: handLooser = 1, driven: drivenLooser = 1 } = looser;
    out.set(
      handResiduals(hand, u, own).map((value) => value / handLooser),
      logs.rows,
    );
    // Before there is a place to drive them at, they say nothing.
    if (driven)
      out.set(
        drivenResiduals(driven, logs.placeAt(u)).map((value) => value / drivenLooser),
        logs.rows + handCount,
      );
    return out;
  };
  const fromLogs = logs.size - logs.parameters.length;
  return {
    size,
    rows: logs.rows + handCount + drivenCount,
    loggedRuns: logged.length,
    parameters,
    kinds: [
      ...logs.kinds,
      ...hand.rows.map(() => 'hand' as const),
      ...Array.from({ length: drivenCount }, () => 'driven' as const),
    ],
    runOf: [
      ...logs.runOf,
      ...hand.rows.map(({ run }) => byHand[run]!.number),
      ...drivenOnes.flatMap(({ number }) => Array.from({ length: OF_A_DRIVE }, () => number)),
    ],
    electrical: logs.electrical,
    all: Array.from({ length: size }, (_, n) => n),
    residuals: (u) => together(logs.residuals(u), u),
    moved(u, parameter, base) {
      // What is peculiar to a hand's run moves no log.
      const ofLogs =
        parameter >= rigCount + fromLogs
          ? base.subarray(0, logs.rows)
          : logs.moved(u, parameter, base.subarray(0, logs.rows));
      return together(ofLogs, u);
    },
    weigh: logs.weigh,
    loosen(by) {
      logs.loosen(by);
      looser = by;
    },
    straighten(u) {
      if (byHand.length > 0) hand = about(u);
      if (logged.length > 0) driven = drivenRowsAbout(rig, parameters, logs.toDrive, ofRig(u));
    },
  };
}
