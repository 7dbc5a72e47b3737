/**
 * Where practitioners disagree about how to work rather than about a value: each question with its sides, and what each
 * comes to on a rig. Common practice.
 */
import { noLoadSpeed } from '../physics/tyre';
import { choiceOf, amountOf, type Situation } from './verdicts/verdict';
import { itemForSetting, stopById, type BelievedStops, type StopByItem } from '../esc/profile';
import { deadbandOf } from '../physics/escChain';

import { fullCellVolts, openCircuitVolts } from '../physics/pack';
import { planCalibration } from '../plan/calibrationPlan';
import { isPlanned } from '../plan/search';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf, restMicros } from '../radio/pulse';
import { limitingCompared } from '../radio/transfer';
import { resolveRig } from '../rig/resolve';
import { VOCABULARY, type SettingId } from '../settings/vocabulary';
import { kmPerHour } from '../units/convert';
import { formatNumber, withUnit, percentOf } from '../units/format';

export interface WaySide {
  name: string;
  because: string;
  /** What it comes to on this rig. */
  here: string;
}

export interface Way {
  id: string;
  question: string;
  sides: readonly [WaySide, WaySide];
  /** What Live Tune does where nobody says otherwise, and why. */
  usual: string;
}

export interface WayFacts extends Situation {
  /** What the ESC is believed to hold. */
  believed: BelievedStops;
  factory: StopByItem;
}

/** The questions that this rig raises. */
export const waysOf = (facts: WayFacts): Way[] =>
  [limiting, calibrating, severalMotors, storing, highVoltage, errorBeeps, startingFrom].flatMap(
    (way) => way(facts) ?? [],
  );

/** A tamed model, as for a beginner or a small track. From memory. */
const TAMED = 0.6;

function limiting({ rig, profile, stops, range }: WayFacts): Way | undefined {
  if (!itemForSetting(profile, 'forwardPower')) return undefined;
  const { atRadio, inEsc, forwardEndPointPercent } = limitingCompared(
    rig.channel,
    range,
    deadbandOf(profile, stops),
    TAMED,
  );
  const full = (arrives: boolean): string =>
    arrives ? 'full signal arrives' : 'full signal never arrives: what waits for it stays off';
  return {
    id: 'limiting',
    question: `Limit it to ${percentOf(TAMED)}: in the radio or in the ESC?`,
    sides: [
      {
        name: 'in the radio',
        because: 'Changed in a moment, without a menu.',
        here: `End point at ${formatNumber(forwardEndPointPercent, 0)} %; ${atRadio.positions} trigger positions; ${full(atRadio.fullSignalArrives)}.`,
      },
      {
        name: 'in the ESC',
        because: 'The whole trigger stays in use, and calibrating does not undo it.',
        here: `${inEsc.positions} trigger positions; ${full(inEsc.fullSignalArrives)}.`,
      },
    ],
    usual: 'In the ESC if it can. Never both: they multiply.',
  };
}

function calibrating({ rig, profile, stops, range }: WayFacts): Way | undefined {
  if (profile.calibration.family === 'none') return undefined;
  const { atRadio } = limitingCompared(rig.channel, range, deadbandOf(profile, stops), TAMED);
  return {
    id: 'calibrating',
    question: 'Calibrate first or last?',
    sides: [
      {
        name: 'first',
        because: 'Everything you set afterwards is set on a known travel.',
        here: `An end point lowered afterwards to ${percentOf(TAMED)} gives ${percentOf(atRadio.topDuty)} of full.`,
      },
      {
        name: 'last',
        because: 'It learns the radio as it is in the end.',
        here: `The same end point lowered before gives ${percentOf(atRadio.topDutyRecalibrated)}: the ESC learns it as full.`,
      },
    ],
    usual: 'First, with all end points at 100 %. Again whenever the radio changes.',
  };
}

function severalMotors({ rig, profile, believed, range }: WayFacts): Way | undefined {
  if (rig.motorCount < 2 || profile.calibration.family === 'none') return undefined;
  const machine = escMachine(profile);
  const memory = { stops: believed, range };
  const gestures = planCalibration(
    machine,
    initialConfig(machine, memory, restMicros(rig.channel)),
    rangeOf(rig.channel),
  );
  if (!isPlanned(gestures)) return undefined;
  const moves = gestures.length;
  return {
    id: 'severalMotors',
    question: 'Calibrate all ESCs together or one by one?',
    sides: [
      {
        name: 'together',
        because: 'All hear the same stick at the same moment.',
        here: `${moves} moves in all. Their notes overlap, so a missed step is hard to hear.`,
      },
      {
        name: 'one by one',
        because: 'You hear each one alone.',
        here: `${moves * rig.motorCount} moves. Afterwards compare what each has learned.`,
      },
    ],
    usual: 'One by one. An ESC that learned less makes its motor start late.',
  };
}

function storing({ profile }: WayFacts): Way | undefined {
  const medium = profile.media.find((one) => 'storeHoldMs' in one);
  if (!medium || !('storeHoldMs' in medium)) return undefined;
  const seconds = (ms: number): string => withUnit(ms / 1000, 's', 1);
  return {
    id: 'storing',
    question: 'Store by the long press, or by switching off?',
    sides: [
      {
        name: 'by the long press',
        because: 'The ESC confirms it.',
        here: `${seconds(medium.storeHoldMs)} for each value.`,
      },
      {
        name: 'by switching off',
        because: 'You have to switch it off anyway.',
        here: `${seconds(profile.bootMs)} until it has restarted, and no sign whether it kept the value.`,
      },
    ],
    usual: `Both, then check: ${seconds(medium.storeHoldMs + profile.bootMs)} more, and nothing is left to belief.`,
  };
}

/** Kind to high-voltage cells: charged to here, V. */
const KIND_CELL_VOLTS = 4.18;

function highVoltage({ rig, profile }: WayFacts): Way | undefined {
  const { chemistry, cells } = rig.pack;
  if (chemistry !== 'lihv') return undefined;
  const full = fullCellVolts(chemistry);
  const resolved = resolveRig(rig, profile);
  const lost = 1 - KIND_CELL_VOLTS / full;
  const fastest =
    resolved.kind === 'wheels'
      ? `${formatNumber(kmPerHour(noLoadSpeed(resolved)), 0)} km/h without load when full`
      : `${percentOf(lost)} more rpm when full`;
  return {
    id: 'highVoltage',
    question: 'Charge high-voltage cells full or for an even run?',
    sides: [
      {
        name: 'full',
        because: 'The first minutes are the fastest.',
        here: `${withUnit(full * cells, 'V', 1)} at the start: ${fastest}, ${percentOf(lost)} less a little later.`,
      },
      {
        name: 'to 4.18 V',
        because: 'The car drives the same from the first lap, and the cells last.',
        here: `${withUnit(KIND_CELL_VOLTS * cells, 'V', 1)} at the start. ${percentOf(1 - chargeAt(chemistry, KIND_CELL_VOLTS))} of the capacity is not used.`,
      },
    ],
    usual: 'To 4.18 V, except for the run that decides. Watch it, on a charger made for these cells.',
  };
}

/** State of charge at a resting voltage, to a thousandth. */
function chargeAt(chemistry: Parameters<typeof openCircuitVolts>[0], volts: number): number {
  const thousandths = Array.from({ length: 1001 }, (_, n) => n / 1000);
  return thousandths.find((charge) => openCircuitVolts(chemistry, charge) >= volts) ?? 1;
}

const GUARDS: readonly SettingId[] = [
  'cutoff',
  'escTemperatureLimit',
  'motorTemperatureLimit',
  'signalLossDelay',
];

function errorBeeps(facts: WayFacts): Way | undefined {
  if (choiceOf(facts, 'errorBeeps') === undefined) return undefined;
  const watching = GUARDS.filter((setting) => (amountOf(facts, setting) ?? 0) > 0);
  const named = watching.map((setting) => VOCABULARY[setting].name.toLowerCase()).join(', ');
  return {
    id: 'errorBeeps',
    question: 'Error beeps: kept, or silenced?',
    sides: [
      {
        name: 'kept',
        because: 'They tell you what is wrong before it stops.',
        here:
          watching.length === 0
            ? 'No guard that beeps is switched on.'
            : `${watching.length} guards can beep: ${named}.`,
      },
      {
        name: 'silenced',
        because: 'A pit full of beeping models helps nobody.',
        here:
          watching.length === 0
            ? 'Nothing is lost.'
            : `${watching.length} guards act silently. That looks like a fault.`,
      },
    ],
    usual: 'Kept.',
  };
}

function startingFrom({ profile, stops, believed, factory }: WayFacts): Way {
  const differ = (from: StopByItem): string[] =>
    profile.items.filter(({ id }) => stops[id] !== from[id]).map(({ id }) => id);
  const [fromFactory, fromHere] = [differ(factory), differ(believed)];
  const values = (ids: readonly string[]): string =>
    `${ids.length} ${ids.length === 1 ? 'value' : 'values'} to set`;
  const moved = profile.items.filter(({ id }) => believed[id] !== factory[id]);
  const first = moved[0];
  return {
    id: 'startingFrom',
    question: 'Start from factory values or from what is there?',
    sides: [
      {
        name: 'from factory values',
        because: 'No value from a stranger is left.',
        here: `A reset, then ${values(fromFactory)}.`,
      },
      {
        name: 'from what is there',
        because: 'What works stays.',
        here: `${values(fromHere)}; ${
          first
            ? `${moved.length} ${moved.length === 1 ? 'value is' : 'values are'} not the factory’s, “${first.label}” at ${stopById(first, believed[first.id]!).label} for one.`
            : 'as far as known, all are factory values.'
        }`,
      },
    ],
    usual: 'From what is there if it was read back. Reset a used ESC that was never read.',
  };
}
