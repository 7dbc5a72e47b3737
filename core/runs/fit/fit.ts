/** Numbers of a rig from its runs: which runs may teach, what they tell, and how well that predicts a run they have not seen. */
import { unfitted, withFitted, type FittedNumber } from '../../rig/fitted';
import { quantityAt } from '../../rig/fields';
import type { Rig } from '../../rig/rig';
import type { EscProfile } from '../../esc/profile';
import type { FitOrigin } from '../../units/provenance';
import { CHANNELS } from '../log/channels';
import type { OnRig } from '../predicted';
import type { NumberedRun } from '../run';
import { unknownIn } from '../run';
import { predictedLeftOut, type LeftOutNumber, type RunToFit, type SensorsAsFitted } from './leftOut';
import { missingChannels } from './loggedRun';
import { placeOf, valueAt } from './parameters';
import { settleRuns, type Settled } from './settleRuns';
import { wholeProblem, type WholeProblem } from './wholeProblem';

export interface Fitted {
  kind: 'fitted';
  runs: readonly number[];
  numbers: readonly FittedNumber[];
  /** Labels of what the runs cannot tell: it stays as it was. */
  open: readonly string[];
  /** The run that was left out, with its numbers; undefined where there was none to spare. */
  leftOut: { number: number; numbers: readonly LeftOutNumber[] } | undefined;
  /** Where the model fits worse than it is thought to; what rests on it is told less surely. */
  doubts: readonly string[];
}

export interface RefusedFit {
  kind: 'refused';
  why: string;
}

/**
 * Why a run teaches nothing; undefined for one whose log has all that a fit needs, or that has numbers by hand.
 * @param logChannels the kinds of the channels of its log; undefined where it has none
 */
export function teaches(
  profile: EscProfile,
  { run }: NumberedRun,
  logChannels: readonly (string | null)[] | undefined,
): string | undefined {
  if (run.leftOut !== '') return `it does not count: ${run.leftOut}`;
  const unknown = unknownIn(profile, run);
  if (unknown.length > 0)
    return unknown.length > 3
      ? `${unknown.length} settings of its ESC were not known`
      : `not known of its ESC: ${unknown.join(', ')}`;
  if (logChannels !== undefined) return undefined;
  return run.readings.length === 0 ? 'it has no log, and no number by hand' : undefined;
}

/** Rows that are this many times further off than thought have a reason that no number of the rig is. */
const DOUBTFUL = 1.6;
const WRONG = 4;
const WRONG_WORDS: Record<string, string> = {
  motor: 'rpm, volts and current do not go together: look for a wrong column or unit',
  pack: 'the pack sags otherwise than any pack of this kind: cells that differ, or a bad plug',
  ground:
    'the model moves otherwise than the ground allows: wind, worn tyres, or another lap than the one of the stint',
  grip: 'the tyres hold otherwise from pull to pull: another ground, or wet patches',
  can: 'the motor warms otherwise than a motor can: its sensor may sit loose',
  esc: 'the ESC warms otherwise than it can: something else may heat it',
  pull: 'the trigger was pulled otherwise from run to run',
  hand: 'the numbers by hand do not go together',
};

/** What is off for a reason that no number of the rig is; in words. */
const offBeyond = ({ loosened }: Pick<Settled, 'loosened'>, times: number): string[] =>
  Object.entries(loosened).flatMap(([kind, by]) => (by >= times ? [WRONG_WORDS[kind]!] : []));

/**
 * Fits a rig's numbers to runs. The newest run is left out where two others remain, and predicted.
 * @param runs those that teach, in the order of their numbers
 * @param tell told how far it is, 0 to 1
 * @throws {Error} where the rig's numbers lead nowhere
 */
export function fitToRuns(
  on: OnRig,
  runs: readonly RunToFit[],
  tell?: (done: number) => void,
): Fitted | RefusedFit {
  const lacking = runs.filter(({ log }) => log && missingChannels(log).length > 0);
  const usable = runs.filter((run) => !lacking.includes(run) || run.run.readings.length > 0);
  if (usable.length === 0) {
    const missing = [...new Set(lacking.flatMap(({ log }) => missingChannels(log!)))];
    return refused(
      lacking.length > 0
        ? `A fit needs ${missing.map((kind) => CHANNELS[kind].name.toLowerCase()).join(', ')} in the log.`
        : 'No run teaches anything yet. Note one with a log, or with numbers by hand.',
    );
  }
  const [used, left] = usable.length > 2 ? [usable.slice(0, -1), usable.at(-1)] : [usable, undefined];
  const isLogged = (run: RunToFit): boolean => run.log !== undefined && missingChannels(run.log).length === 0;
  const problem = wholeProblem(
    on,
    used.flatMap(({ number, run, log }) =>
      log && isLogged({ number, run, log }) ? [{ number, run, log }] : [],
    ),
    used.flatMap((one) =>
      isLogged(one) ? [] : [{ number: one.number, run: one.run, readings: one.run.readings }],
    ),
  );
  const settled = settleRuns(problem, seedOf(used), tell);
  const wrong = offBeyond(settled, WRONG);
  if (wrong.length > 0)
    return refused(
      `The model does not describe these runs: ${wrong.join('; ')}. Run ${settled.worstRun} is furthest off: leave it out, or look into it.`,
    );
  if (settled.disagreeing > 0)
    return refused(
      'From different starts the fit comes to different numbers that fit as well. These runs cannot tell them apart: drive one that differs, with more full throttle or longer.',
    );
  if (settled.told.length === 0)
    return refused(
      'These runs tell no number better than it was known before. Drive longer, or log more channels.',
    );
  const numbers = fittedNumbers(on.rig, problem.parameters, settled, used);
  const before = unfitted(on.rig);
  return {
    kind: 'fitted',
    runs: used.map(({ number }) => number),
    numbers,
    open: settled.open.map(({ label }) => label),
    leftOut: left && {
      number: left.number,
      numbers: predictedLeftOut(on, before, withFitted(before, numbers), sensorsOf(settled, problem), left),
    },
    doubts: offBeyond(settled, DOUBTFUL),
  };
}

/** How the sensors read, as fitted; what servos draw, in the mean of the runs. */
function sensorsOf({ u }: Settled, { parameters, loggedRuns }: WholeProblem): SensorsAsFitted {
  const { sensors, runs } = placeOf(u, parameters.length, loggedRuns);
  return {
    ...sensors,
    servoAmps: runs.reduce((sum, { servoAmps }) => sum + servoAmps, 0) / Math.max(1, runs.length),
  };
}

/** 95 % of a normal distribution lie within so many standard deviations. */
const WITHIN_95 = 1.96;

function fittedNumbers(
  rig: Rig,
  parameters: ReturnType<typeof wholeProblem>['parameters'],
  { told }: Settled,
  runs: readonly RunToFit[],
): FittedNumber[] {
  const before = unfitted(rig);
  return told.map(({ path, u, sd, together }) => {
    const parameter = parameters.find((one) => one.path === path)!;
    const was = quantityAt(before, path) as FitOrigin['was'];
    return {
      path,
      quantity: {
        value: valueAt(parameter, u),
        basis: 'fitted',
        fit: {
          runs: runs.map(({ number }) => number),
          within: Math.expm1(WITHIN_95 * sd * parameter.spread),
          together,
          was: { value: was.value, basis: was.basis },
        },
      },
    };
  });
}

/** The same runs are fitted the same way each time. */
const seedOf = (runs: readonly RunToFit[]): number => runs.reduce((sum, { number }) => sum + number, 1);

const refused = (why: string): RefusedFit => ({ kind: 'refused', why });
