/** Numbers of a rig from its runs: which runs may teach, what they tell, and how well that predicts a run they have not seen. */
import { unfitted, withFitted, type FittedNumber } from '../../rig/fitted';
import { quantityAt } from '../../rig/fields';
import { HAND_VALUES, handChangesOf, type HandValueKey } from '../../rig/handValues';
import type { Rig } from '../../rig/rig';
import type { FitOrigin } from '../../units/provenance';
import type { ChannelKind } from '../log/channels';
import type { OnRig } from '../predicted';
import type { NumberedRun } from '../run';
import { unknownIn } from '../run';
import { countsMoreAmps, predictedLeftOut, type LeftOutNumber, type SensorsAsFitted } from './leftOut';
import { missingIn, type RunToFit } from './runToFit';
import { placeOf, valueAt } from './parameters';
import type { AnyRowKind } from './logProblem';
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
  { rig, profile }: Pick<OnRig, 'rig' | 'profile'>,
  { run }: Pick<NumberedRun, 'run'>,
  logChannels: readonly (ChannelKind | null)[] | undefined,
): string | undefined {
  if (run.leftOut !== '') return `it does not count: ${run.leftOut}`;
  const swapped = handChangesOf(unfitted(rig), run.byHand).filter(({ key }) => IS_OF_ITS_OWN.includes(key));
  if (swapped.length > 0)
    return `it was driven with another ${swapped.map(({ key }) => HAND_VALUES[key].name.toLowerCase()).join(', ')}`;
  const unknown = unknownIn(profile, run);
  if (unknown.length > 0)
    return unknown.length > 3
      ? `${unknown.length} settings of its ESC were not known`
      : `not known of its ESC: ${unknown.join(', ')}`;
  if (run.readings.length > 0) return undefined;
  if (logChannels === undefined) return 'it has no log, and no number by hand';
  const missing = missingIn(logChannels);
  return missing.length > 0 ? `its log lacks ${missing.join(', ')}` : undefined;
}

/** What hands swap that has numbers of its own: what another pack or propeller did tells nothing of this one. */
const IS_OF_ITS_OWN: readonly HandValueKey[] = [
  'packCells',
  'packCapacityMah',
  'propellerDiameterInches',
  'propellerPitchInches',
];

/** Rows that are this many times further off than thought have a reason that no number of the rig is. */
const DOUBTFUL = 1.6;
const WRONG = 4;
const TOGETHER = 'rpm, volts and current do not fit together: check each column and its unit';
const WRONG_WORDS: Record<AnyRowKind, string> = {
  motor: TOGETHER,
  pack: 'the pack sags like no pack of this kind: cells may differ, or a plug is bad',
  still: 'current is drawn while nothing is driven: something else hangs on the pack',
  ground: 'the model does not move as this ground allows: think of wind, worn tyres, another lap',
  grip: 'the tyres hold better at one pull than at the next: the ground may be wet in places',
  can: 'the motor does not warm like a motor: its sensor may be loose',
  esc: 'the ESC does not warm by its own heat alone: something else may heat it',
  pull: 'the trigger was pulled harder in some runs than in others',
  driven: 'driven along the same trigger, the model does something else',
  hand: 'the numbers by hand contradict each other',
};

/** A measured number that the runs want elsewhere by so many of its standard deviations is in doubt. */
const AGAINST_MEASURED = 2;

/** Measured numbers that the runs contradict; in words. */
const againstMeasured = (before: Rig, { told }: Settled): string[] =>
  told.flatMap(({ path, label, u }) =>
    quantityAt(before, path).basis === 'measured' && Math.abs(u) > AGAINST_MEASURED
      ? [`${label} was measured, and the runs say otherwise`]
      : [],
  );

/** What is off for a reason that no number of the rig is; in words. */
const offBeyond = ({ vehicle }: Rig, { loosened }: Pick<Settled, 'loosened'>, times: number): string[] => [
  ...new Set(
    (Object.entries(loosened) as [AnyRowKind, number][]).flatMap(([kind, by]) => {
      // A lap that a rig's owner describes otherwise than it was driven is no reason to learn nothing.
      if (by < times || (kind === 'driven' && times === WRONG)) return [];
      // In the air nothing but the propeller stands against the motor.
      return [kind === 'ground' && vehicle.kind === 'propeller' ? TOGETHER : WRONG_WORDS[kind]];
    }),
  ),
];

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
  const usable = runs.filter(({ log, run }) => log !== undefined || run.readings.length > 0);
  if (usable.length === 0)
    return refused('No run teaches anything yet. Note one with a log, or with numbers by hand.');
  const [used, left] = usable.length > 2 ? [usable.slice(0, -1), usable.at(-1)] : [usable, undefined];
  const problem = wholeProblem(
    on,
    used.flatMap(({ log, ...one }) => (log ? [{ ...one, log }] : [])),
    used.flatMap(({ number, run, log }) => (log ? [] : [{ number, run, readings: run.readings }])),
  );
  const settled = settleRuns(problem, seedOf(used), tell);
  const wrong = offBeyond(on.rig, settled, WRONG);
  if (wrong.length > 0)
    return refused(
      `The model does not describe these runs: ${wrong.join('; ')}. Run ${settled.worstRun} is furthest off: leave it out, or find out why.`,
    );
  if (settled.disagreeing > 0)
    return refused(
      'Different numbers fit these runs equally well. Drive one that is different: longer, or with more full throttle.',
    );
  const numbers = fittedNumbers(on.rig, problem.parameters, settled, used);
  if (numbers.length === 0)
    return refused('These runs tell nothing that was not known before. Drive longer, or log more channels.');
  const before = unfitted(on.rig);
  return {
    kind: 'fitted',
    runs: used.map(({ number }) => number),
    numbers,
    open: settled.open.map(({ label }) => label),
    leftOut: left && {
      number: left.number,
      numbers: predictedLeftOut(
        on,
        before,
        withFitted(before, numbers),
        sensorsOf(settled, problem, used),
        left,
      ),
    },
    doubts: [...offBeyond(on.rig, settled, DOUBTFUL), ...againstMeasured(before, settled)],
  };
}

/** How the sensors read, as fitted; what differs from run to run, in their mean. */
function sensorsOf(
  { u }: Settled,
  { parameters, loggedRuns }: WholeProblem,
  used: readonly RunToFit[],
): SensorsAsFitted {
  const { sensors, runs } = placeOf(u, parameters.length, loggedRuns);
  return {
    ...sensors,
    servoAmps: meanOf(runs.map(({ servoAmps }) => servoAmps)),
    countsMoreAmps: meanOf(used.flatMap(({ log }) => (log && countsMoreAmps(log)) ?? [])),
  };
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** 95 % of a normal distribution lie within so many standard deviations. */
const WITHIN_95 = 1.96;

function fittedNumbers(
  rig: Rig,
  parameters: ReturnType<typeof wholeProblem>['parameters'],
  { told }: Settled,
  runs: readonly RunToFit[],
): FittedNumber[] {
  const before = unfitted(rig);
  // What was measured is not told by a run: it only helps to tell the others.
  const open = told.filter(({ path }) => quantityAt(before, path).basis !== 'measured');
  return open.map(({ path, u, sd, together }) => {
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
