/**
 * Eight ESCs as people type them off a manual, with the traps of real ones; every name, order and number is made up. Nothing
 * may be taken for what it is not: each item is right, or asked.
 */
import { describe, expect, it } from 'vitest';
import { parseTable } from '../../formats/csvTable';
import { adviceOn } from '../advice/advise';
import { usualGoals } from '../advice/goals';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import { ARCHETYPES } from '../archetypes/archetypes';
import { factoryStops, itemForSetting, stopById, type EscProfile } from '../esc/profile';
import { loadByHand } from '../plan/loadByHand.fixture';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import { answered } from './answer';
import { readSketch } from './readSketch';
import type { SketchItem } from './sketch';
import { sketchOf } from './sketchOf';
import { readTable } from './table';

/** What an item is, or `?` where it has to be asked. */
type Meant = SettingId | '?';

interface Typed {
  vehicleClass: VehicleClass;
  table: string;
  meant: readonly Meant[];
  /** Answers by the words that they begin with, in the order in which they are asked. */
  answers: readonly string[];
}

const ESCS: Record<string, Typed> = {
  'a racer’s, with boost and turbo': {
    vehicleClass: 'modifiedCircuit',
    table: `1;F/B/R Mode;Fwd-Brk*;F+B then R;Fwd-Rev
2;Drag Brake Force;0%;5%*;10%;20%
3;Drag Brake Rate;Very slow;Slow;Medium*;Fast;Very fast
4;Punch Level;1;5;10*;15;30
5;Boost Timing;0°;10°;20°*;30°
6;Boost Start RPM;5000;8000*;12000
7;Boost Control Type;RPM*;Throttle
8;Turbo Timing;0°*;10°;20°
9;Turbo On Slope (°/0.1s);3;6*;12
10;Turbo Delay;Instant*;0.1 s;0.3 s
11;Turbo Activation Method;Full throttle*;RPM
12;Max Brake;25%;50%;75%*;100%`,
    meant: [
      'runningMode',
      'dragBrake',
      'dragRamp',
      'launchStrength',
      'boost',
      'boostStart',
      'boostActivation',
      'turbo',
      'turboOnRate',
      'turboDelay',
      'turboActivation',
      'brakeStrength',
    ],
    answers: [],
  },
  'a basher’s, which protects packs by their cells': {
    vehicleClass: 'basher',
    table: `Running Mode;Without reverse;With reverse*
Cutoff Voltage;Off;2S*;3S;4S
Start Power;Soft;Normal*;Hard
Brake Force;25;50*;75;100
Thermal Protection;95 °C;105 °C*
Percentage Reverse;25 %;50 %*;100 %
Motor Direction;CW*;CCW
BEC Output;6.0 V*;7.4 V`,
    meant: [
      'runningMode',
      'cutoff',
      'startPower',
      'brakeStrength',
      '?',
      'reversePower',
      'rotation',
      'becVolts',
    ],
    answers: ['3.2 V a cell', 'per cent', 'ESC temperature limit'],
  },
  'a crawler’s, with bare levels': {
    vehicleClass: 'crawler',
    table: `1;Vehicle mode;Crawler*;Fwd-Brk-Rev
2;Drag Brake;Off;1;2;3*;4
3;Drag Brake Ramp;1*;2;3
4;Throttle Linearity;1*;2;3;4
5;Start Force;0;1*;2;3
6;Neutral Range;0.05 ms;0.10 ms*
7;Motor Poles;2;4*;6`,
    meant: ['runningMode', 'dragBrake', 'dragRamp', 'throttleCurve', 'startForce', 'deadband', 'polePairs'],
    answers: ['“3” comes at once', '“4” finer', 'ms, each', 'poles'],
  },
  'an aeroplane’s': {
    vehicleClass: 'sportPlane',
    table: `Prop Brake;Off*;25 %;50 %;100 %
Battery Type;Li-Po*;Ni-MH
Cutoff Mode;Soft cut*;Hard cut
Low Voltage Cut-Off;Low;Middle*;High
Start-up Mode;Normal*;Soft;Very soft
Timing;Low;Medium*;High
Active Freewheeling;On;Off*
Motor Rotation;Normal*;Reverse`,
    meant: ['propellerBrake', 'chemistry', 'cutoffAction', '?', '?', 'advance', 'freewheel', 'rotation'],
    answers: ['Cutoff', 'Start acceleration'],
  },
  'a helicopter’s': {
    vehicleClass: 'helicopter',
    table: `Governor Mode;Off*;Set rpm
Headspeed target (rpm);1500;2000*;2500
Soft Start Time;5 s;10 s*;15 s
Number of poles;6;8;10*
LVC;3.0 V;3.2 V*;3.4 V
Cut-off Type;Gradual*;Stop
BEC voltage;5.0 V;6.0 V*`,
    meant: ['governor', 'governorRpm', 'softStart', 'polePairs', 'cutoff', 'cutoffAction', 'becVolts'],
    answers: ['poles'],
  },
  'a boat’s': {
    vehicleClass: 'fastBoat',
    table: `Mode;Forward*;Fwd/Rev
Cells;Auto;2S*;3S
Low Voltage Cutoff Threshold;Off;3.2V*;6.4V
Acceleration;1*;2;3
PWM Frequency;8*;12;16
Fan;Off;On*;Auto
Beacon Delay;60 s*;300 s`,
    meant: ['runningMode', 'cellCount', 'cutoff', '?', 'driveFrequency', 'fan', 'beaconDelay'],
    answers: ['It backs up at once', 'Launch strength', 'kHz'],
  },
  'a truck’s, whose makers mix their words': {
    vehicleClass: 'showTruck',
    table: `1;Max. Braking Strength;12.5;25;50*;100
2;Initial Brake Level;Same as drag*;10 %;20 %
3;Throttle Punch;High;Medium*;Low
4;Reverse Delay;0.3 s;1 s*
5;Temperature Limit ESC;200;221*
6;Torque Level;1;2*;3
7;Aux Wire;Off*;Fan;Telemetry`,
    meant: [
      'brakeStrength',
      'initialBrake',
      'launchStrength',
      'reverseDelay',
      'escTemperatureLimit',
      '?',
      'auxiliaryLead',
    ],
    answers: ['°F', 'Torque limit'],
  },
  'one with items that no vocabulary has': {
    vehicleClass: 'tenthBuggy',
    table: `Turbo Wizard;A*;B
LED Colour;Red*;Blue
Brake Light;On;Off*
Timing;0;5;10*;20
Cutoff Method;Reduce*;Stop
Punch Control;0 %*;30 %;60 %`,
    meant: ['?', '?', '?', 'advance', 'cutoffAction', '?'],
    answers: ['Something else', 'Something else', 'degrees', 'Launch limit'],
  },
};

function itemsOf({ table }: Typed): SketchItem[] {
  const cells = parseTable(table);
  if (!cells.ok) throw new Error(cells.problems[0]!.sentence);
  return readTable(cells.value).items;
}

/** Everything confirmed, everything asked answered, and what nobody knows recorded as printed. */
function described(typed: Typed): EscProfile {
  const left = [...typed.answers];
  const items = itemsOf(typed).map((read) => {
    let item = read;
    while (item.asked.length > 0) {
      const question = item.asked[0]!;
      const wanted = left.shift() ?? '(nothing)';
      const answer = question.answers.find(({ words }) => words.startsWith(wanted));
      if (!answer) throw new Error(`“${question.words}” has no answer “${wanted}”`);
      item = answered(item, question, answer);
    }
    return { ...item, suggestion: '', setting: item.setting === '' ? ('other' as const) : item.setting };
  });
  expect(left).toEqual([]);
  const pattern = ARCHETYPES.find(({ profile }) => profile.id === 'pattern-one-key')!.profile;
  const base = sketchOf(pattern, 'copy');
  const limits = { ...base.limits, becLeastVolts: '5', becMostVolts: '8.4' };
  const read = readSketch({ ...base, name: 'Typed', presets: [], limits, becKind: 'switching', items });
  if (!read.ok) throw new Error(read.problems.map(({ sentence }) => sentence).join('\n'));
  return read.value;
}

/** Six cells, and an ESC whose cutoff knows two, three or four: no stop of it could take that hazard away. */
const LEFT: Readonly<Record<string, readonly string[]>> = {
  'a basher’s, which protects packs by their cells': ['cutoffOutOfRange'],
};

describe.each(Object.entries(ESCS))('%s', (name, typed) => {
  it('every meaning is right or asked, none wrong', () => {
    const said = itemsOf(typed).map(({ label, setting }) => [label, setting === '' ? '?' : setting]);
    expect(said).toEqual(itemsOf(typed).map(({ label }, place) => [label, typed.meant[place]]));
  });

  it('answered, it advises nothing that it warns of, and every change of it has a plan', () => {
    const profile = described(typed);
    const rig = defaultRig(typed.vehicleClass);
    const goals = usualGoals(typed.vehicleClass);
    const rules = undefined;
    const advised = adviceOn({ rig, goals, rules }, profile);
    const before = factoryStops(profile);
    const stops = {
      ...before,
      ...Object.fromEntries(Object.entries(advised).map(([id, { stopId }]) => [id, stopId])),
    };
    const range = rangeOf(rig.channel);
    const hazards = verdictsOn({ rig, profile, stops, range, rules, goals, withoutStint: true }).filter(
      ({ grade }) => grade === 'hazard',
    );
    expect(hazards.map(({ id }) => id)).toEqual(LEFT[name] ?? []);
    const esc = loadByHand({
      profile,
      stick: profile.factoryRange,
      real: before,
      known: before,
      wanted: stops,
    });
    expect(esc.config.memory.stops).toEqual(stops);
  });
});

it('a stop for other cells protects nothing, is told, and is never advised', () => {
  const profile = described(ESCS['a basher’s, which protects packs by their cells']!);
  const rig = defaultRig('basher');
  rig.pack = { ...rig.pack, cells: 4 };
  const item = itemForSetting(profile, 'cutoff')!;
  const advice = adviceOn({ rig, goals: usualGoals('basher'), rules: undefined }, profile)[item.id];
  expect(advice && stopById(item, advice.stopId).label).toBe('4S');
});

it('a ramp’s words keep their direction into the advice', () => {
  const profile = described(ESCS['a racer’s, with boost and turbo']!);
  const ramp = itemForSetting(profile, 'dragRamp')!;
  const seconds = ramp.stops.map(({ value }) => (value.kind === 'number' ? value.value : NaN));
  expect(seconds[0]).toBeGreaterThan(seconds.at(-1)!);
});
