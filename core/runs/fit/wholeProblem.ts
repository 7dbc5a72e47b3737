/** Logs and hand-written numbers together as one problem: the rig is the same in both. */
import { unfitted } from '../../rig/fitted';
import type { OnRig } from '../predicted';
import { OF_A_HAND_RUN, handResiduals, handRowsAbout, type HandRows, type RunByHand } from './handRows';
import { logProblem, type Loosened, type RunWithLog } from './logProblem';
import type { Parameter } from './parameters';
import type { RowKind } from './rows';
import type { Problem } from './solve';

export interface WholeProblem extends Problem {
  parameters: readonly Parameter[];
  /** Of each residual; and the number of the run that it is of. */
  runOf: readonly number[];
  kinds: readonly (RowKind | 'hand')[];
  /** Places in the vector of parameters: of those that motor and pack alone tell, and of all. */
  electrical: readonly number[];
  all: readonly number[];
  weigh: (u: ArrayLike<number>) => void;
  loosen: (by: Loosened) => void;
  /** How many of the runs have a log. */
  loggedRuns: number;
  /** Works out hand-written numbers anew about a place. */
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
  const about = (u: ArrayLike<number>): HandRows =>
    handRowsAbout(
      on,
      rig,
      parameters,
      byHand,
      Float64Array.from({ length: rigCount }, (_, n) => u[n]!),
    );
  let hand = about(new Float64Array(rigCount));
  let handLooser = 1;
  const handCount = hand.rows.length;
  const size = logs.size + OF_A_HAND_RUN * byHand.length;
  const both = (ofLogs: Float64Array, u: ArrayLike<number>): Float64Array => {
    const own = Float64Array.from({ length: size - logs.size }, (_, n) => u[logs.size + n]!);
    const out = new Float64Array(logs.rows + handCount);
    out.set(ofLogs);
    out.set(
      handResiduals(hand, u, own).map((value) => value / handLooser),
      logs.rows,
    );
    return out;
  };
  const fromLogs = logs.size - logs.parameters.length;
  return {
    size,
    rows: logs.rows + handCount,
    loggedRuns: logged.length,
    parameters,
    kinds: [...logs.kinds, ...hand.rows.map(() => 'hand' as const)],
    runOf: [...logs.runOf, ...hand.rows.map(({ run }) => byHand[run]!.number)],
    electrical: logs.electrical,
    all: Array.from({ length: size }, (_, n) => n),
    residuals: (u) => both(logs.residuals(u), u),
    moved(u, parameter, base) {
      // What is peculiar to a hand's run moves no log.
      const ofLogs =
        parameter >= rigCount + fromLogs
          ? base.subarray(0, logs.rows)
          : logs.moved(u, parameter, base.subarray(0, logs.rows));
      return both(ofLogs, u);
    },
    weigh: logs.weigh,
    loosen(by) {
      logs.loosen(by);
      handLooser = by.hand ?? 1;
    },
    straighten(u) {
      if (byHand.length > 0) hand = about(u);
    },
  };
}
