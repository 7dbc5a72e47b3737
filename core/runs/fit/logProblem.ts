/** Logs and a rig as a problem of least squares: which numbers of the rig make the model fit what was logged. */
import { unfitted } from '../../rig/fitted';
import { bridgeSettingOf, type BridgeSetting } from '../../physics/bridge';
import type { ResolvedRig } from '../../physics/resolved';
import { resolveRig } from '../../rig/resolve';
import type { Rig } from '../../rig/rig';
import type { Log } from '../log/channels';
import { chargeAtFirst } from '../log/chargeAtFirst';
import { asDriven, drivenOn, type OnRig } from '../predicted';
import { stopsOfRun, type Run } from '../run';
import type { RunToDrive } from './drivenRows';
import { holdAgainst, type Held } from './held';
import { loggedRun, type LoggedRun } from './loggedRun';
import {
  parametersOf,
  placeLength,
  placeOf,
  rigAt,
  RUN_KEYS,
  SENSOR_KEYS,
  type Parameter,
  type Place,
} from './parameters';
import { hasEnough, rowsOf, type RowKind, type Rows } from './rows';
import type { Problem } from './solve';

/** A run with its log. */
export interface RunWithLog {
  number: number;
  run: Pick<Run, 'held' | 'byHand' | 'airCelsius'>;
  log: Log;
}

/** How many times further off each kind of row may be than is thought. */
export type Loosened = Partial<Record<AnyRowKind, number>>;

/** What a row of a whole fit compares: a part of a log, a hand's number, or a run that was driven whole. */
export type AnyRowKind = RowKind | 'hand' | 'driven';

interface Prepared extends RunToDrive {
  logged: LoggedRun;
  rows: Rows;
  bridge: BridgeSetting;
}

export interface LogProblem extends Problem {
  /** The runs, to be driven whole. */
  toDrive: readonly RunToDrive[];
  placeAt: (u: ArrayLike<number>) => Place;
  parameters: readonly Parameter[];
  /** Of each residual; and the number of the run that it is of. */
  kinds: readonly RowKind[];
  runOf: readonly number[];
  /** Places in the vector of parameters of those that motor and pack alone tell. */
  electrical: readonly number[];
  /** Takes how far off each row may be from what the model says at a point. */
  weigh: (u: ArrayLike<number>) => void;
  /** Trusts kinds of rows less, by how many times further off each of them may be. */
  loosen: (by: Loosened) => void;
}

/** What motor and pack tell by themselves, whatever the ground is. */
const ELECTRICAL: readonly string[] = [
  'motor.kvRpmPerVolt',
  'motor.resistanceOhm',
  'motor.inductanceH',
  'pack.cellResistanceOhm',
  'pack.leadResistanceOhm',
];

/** @throws {Error} where a log lacks a needed channel, or a rig's numbers lead nowhere */
export function logProblem(on: OnRig, runs: readonly RunWithLog[]): LogProblem {
  const rig = unfitted(on.rig);
  const parameters = parametersOf(rig);
  const prepared = runs.map((run) => prepare({ ...on, rig }, run));
  const starts: number[] = [];
  let rowCount = 0;
  for (const { rows } of prepared) {
    starts.push(rowCount);
    rowCount += rows.kinds.length;
  }
  const size = placeLength(parameters.length, runs.length);
  const may = new Float64Array(rowCount).fill(1);
  let loosened: Loosened = {};
  const firstOfRuns = parameters.length + SENSOR_KEYS.length;
  const holdOne = (place: Place, rigThere: Rig, n: number): Held => {
    const { logged, rows, bridge, resolve } = prepared[n]!;
    return holdAgainst(logged, rows, resolve(rigThere), bridge, place.sensors, place.runs[n]!);
  };
  const writeOne = (held: Held, n: number, out: Float64Array): void => {
    const { rows } = prepared[n]!;
    for (let row = 0; row < rows.kinds.length; row += 1) {
      const at = starts[n]! + row;
      out[at] = hasEnough(rows, row) ? held.off[row]! / (may[at]! * (loosened[rows.kinds[row]!] ?? 1)) : 0;
    }
  };
  const placeAt = (u: ArrayLike<number>): Place => placeOf(u, parameters.length, runs.length);
  return {
    size,
    rows: rowCount,
    toDrive: prepared,
    placeAt,
    parameters,
    kinds: prepared.flatMap(({ rows }) => rows.kinds),
    runOf: prepared.flatMap(({ rows }, n) => rows.kinds.map(() => runs[n]!.number)),
    electrical: [
      ...parameters.flatMap(({ path }, n) => (ELECTRICAL.includes(path) ? [n] : [])),
      ...Array.from({ length: SENSOR_KEYS.length }, (_, n) => parameters.length + n),
      ...runs.map((_, n) => firstOfRuns + n * RUN_KEYS.length + RUN_KEYS.indexOf('charge')),
    ],
    residuals(u) {
      const place = placeAt(u);
      const rigThere = rigAt(rig, parameters, place.rig);
      const out = new Float64Array(rowCount);
      for (let n = 0; n < runs.length; n += 1) writeOne(holdOne(place, rigThere, n), n, out);
      return out;
    },
    moved(u, parameter, base) {
      if (parameter < firstOfRuns) return this.residuals(u);
      const place = placeAt(u);
      const out = Float64Array.from(base);
      const n = Math.floor((parameter - firstOfRuns) / RUN_KEYS.length);
      writeOne(holdOne(place, rigAt(rig, parameters, place.rig), n), n, out);
      return out;
    },
    loosen(by) {
      loosened = by;
    },
    weigh(u) {
      const place = placeAt(u);
      const rigThere = rigAt(rig, parameters, place.rig);
      for (let n = 0; n < runs.length; n += 1) may.set(holdOne(place, rigThere, n).may, starts[n]);
    },
  };
}

function prepare(on: OnRig, { number, run, log }: RunWithLog): Prepared {
  const { resolved: described, esc } = drivenOn(on, run, stopsOfRun(run));
  const resolve = (tried: Rig): ResolvedRig => resolveRig(asDriven(tried, run), on.profile, on.goals.use);
  const letGo = described.kind === 'wheels' ? esc.dragBrake : esc.propellerBrake;
  const charged = chargeAtFirst(log, on.rig.pack, described.fullCharge);
  const logged = loggedRun(log, esc, described.lap, letGo, {
    airC: described.ambientC,
    airKnown: run.airCelsius !== null,
    charged,
  });
  return {
    number,
    log,
    esc,
    charged,
    logged,
    rows: rowsOf(logged, described, esc.cutoffVoltsPerCell),
    bridge: bridgeSettingOf(described, esc),
    resolve,
  };
}
