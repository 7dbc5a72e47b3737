import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { factoryStops, itemForSetting, stopById } from '../esc/profile';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { VehicleClass } from '../rig/vehicleClass';
import { comparableNumber } from '../settings/value';
import type { SettingId } from '../settings/vocabulary';
import { adviceFor, advisedStops } from './advise';
import { usualGoals, type Goals } from './goals';
import type { Case } from './rule';
import { verdictsOn } from './verdicts/verdictsOn';

const caseOf = (vehicleClass: VehicleClass, goals: Partial<Goals> = {}): Case => ({
  rig: { ...defaultRig(vehicleClass), name: 'Test' },
  goals: { ...usualGoals(vehicleClass), ...goals },
  rules: undefined,
});

/** From factory to advised on the archetype that serves the class: what each setting then is. */
function advised(vehicleClass: VehicleClass, goals: Partial<Goals> = {}) {
  const { profile } = archetypeFor(vehicleClass);
  const case_ = caseOf(vehicleClass, goals);
  const stops = { ...factoryStops(profile), ...advisedStops(case_, profile) };
  const of = (setting: SettingId): number | string | undefined => {
    const item = itemForSetting(profile, setting);
    if (!item) return undefined;
    const { value } = stopById(item, stops[item.id]!);
    return value.kind === 'choice' ? value.choice : comparableNumber(value, case_.rig.pack.cells);
  };
  const { rig } = case_;
  const verdicts = verdictsOn({
    rig,
    profile,
    stops,
    range: rangeOf(rig.channel),
    rules: undefined,
    goals: case_.goals,
  });
  return { of, verdicts };
}

type Expected = Partial<Record<SettingId, readonly [low: number, high: number] | string>>;

/** Common practice, written down by hand; what is from memory is marked so in the rules. */
const TABLE: readonly (readonly [VehicleClass, Expected])[] = [
  [
    'crawler',
    {
      runningMode: 'forwardReverse',
      reversePower: [100, 100],
      startPower: [70, 100],
      throttleCurve: [14, 31],
      driveFrequency: [12, 16],
      advance: [0, 0],
      dragBrake: [20, 45],
      dragRamp: [0, 0.3],
      cutoff: [3.3, 3.5],
    },
  ],
  [
    'trailTruck',
    {
      runningMode: 'forwardReverse',
      reversePower: [60, 100],
      launchLimit: [0, 30],
      driveFrequency: [12, 16],
      advance: [0, 0],
      dragBrake: [50, 70],
      cutoff: [3.3, 3.5],
    },
  ],
  [
    'eighthBuggy',
    {
      runningMode: 'forwardBrake',
      driveFrequency: [6, 12],
      advance: [0, 5],
      dragBrake: [6, 11],
      brakeStrength: [45, 65],
      brakeFrequency: [2, 4],
      cutoff: [3.2, 3.5],
    },
  ],
  [
    'tenthBuggy',
    {
      runningMode: 'forwardBrake',
      driveFrequency: [8, 16],
      advance: [0, 10],
      dragBrake: [5, 15],
      brakeStrength: [60, 80],
      cutoff: [3.1, 3.2],
    },
  ],
  [
    'specCircuit',
    {
      runningMode: 'forwardBrake',
      driveFrequency: [4, 12],
      advance: [0, 0],
      boost: [0, 0],
      turbo: [0, 0],
      dragBrake: [5, 15],
      brakeStrength: [70, 100],
      cutoff: [3.1, 3.2],
    },
  ],
  [
    'modifiedCircuit',
    {
      driveFrequency: [12, 32],
      earlySoftening: [2, 6],
      dragBrake: [5, 15],
      brakeStrength: [60, 90],
      cutoff: [3.1, 3.2],
    },
  ],
  [
    'sprint',
    {
      driveFrequency: [2, 8],
      boost: [20, 60],
      turbo: [10, 40],
      dragBrake: [0, 5],
      brakeStrength: [50, 80],
      cutoff: [3, 3.2],
    },
  ],
  [
    'basher',
    {
      runningMode: 'forwardBrakeReverse',
      reversePower: [25, 50],
      driveFrequency: [8, 12],
      advance: [0, 15],
      dragBrake: [0, 40],
      brakeStrength: [50, 70],
      cutoff: [3.3, 3.5],
    },
  ],
  [
    'showTruck',
    {
      runningMode: 'forwardBrakeReverse',
      reversePower: [50, 50],
      forwardPower: [45, 65],
      driveFrequency: [16, 16],
      advance: [0, 0],
      dragBrake: [0, 0],
      brakeStrength: [100, 100],
      cutoff: [3.2, 3.3],
    },
  ],
  [
    'sportPlane',
    {
      driveFrequency: [8, 16],
      advance: [15, 25],
      propellerBrake: [0, 0],
      cutoff: [3.1, 3.3],
      cutoffAction: 'reduce',
      startAcceleration: [0.5, 1],
    },
  ],
  [
    'aerobaticPlane',
    {
      response: [0, 0.15],
      driveFrequency: [8, 16],
      advance: [15, 25],
      propellerBrake: [10, 35],
      cutoff: [3.2, 3.3],
      cutoffAction: 'reduce',
    },
  ],
  [
    'glider',
    {
      startAcceleration: [0.7, 1.5],
      driveFrequency: [8, 16],
      advance: [15, 25],
      cutoff: [3.1, 3.3],
      cutoffAction: 'reduce',
    },
  ],
  ['twinPlane', { driveFrequency: [8, 16], advance: [15, 25], propellerBrake: [0, 0], cutoff: [3.1, 3.3] }],
  [
    'helicopter',
    {
      governor: 'setRpm',
      softStart: [10, 15],
      driveFrequency: [8, 16],
      advance: [15, 25],
      propellerBrake: [0, 0],
      cutoff: [3.2, 3.4],
      cutoffAction: 'rampDown',
    },
  ],
  [
    'multirotor',
    { freewheel: 'on', driveFrequency: [24, 48], advance: [15, 22], propellerBrake: [0, 0], cutoff: [0, 0] },
  ],
  ['fastBoat', { runningMode: 'forward', driveFrequency: [8, 12], advance: [5, 15], cutoff: [3.2, 3.4] }],
  [
    'workingBoat',
    {
      runningMode: 'forwardReverse',
      reversePower: [50, 100],
      driveFrequency: [12, 16],
      advance: [0, 0],
      cutoff: [3.2, 3.4],
    },
  ],
];

describe.each(TABLE)('from factory to advised, a %s', (vehicleClass, expected) => {
  const { of, verdicts } = advised(vehicleClass);

  it('lies in the ranges of common practice', () => {
    let checked = 0;
    for (const [setting, wanted] of Object.entries(expected)) {
      const value = of(setting as SettingId);
      // An archetype need not have every item.
      if (value === undefined) continue;
      checked += 1;
      if (typeof wanted === 'string') expect([setting, value]).toEqual([setting, wanted]);
      else {
        expect(value, setting).toBeGreaterThanOrEqual(wanted[0] - 1e-9);
        expect(value, setting).toBeLessThanOrEqual(wanted[1] + 1e-9);
      }
    }
    expect(checked).toBeGreaterThanOrEqual(3);
  });

  it('leaves no hazard', () => {
    expect(verdicts.filter(({ grade }) => grade === 'hazard')).toEqual([]);
  });
});

describe('what the driver is after', () => {
  it('a race takes the last metre of the pack, practice keeps the cells', () => {
    const race = advised('eighthBuggy', { purpose: 'race' }).of('cutoff') as number;
    expect(advised('eighthBuggy', { purpose: 'practice' }).of('cutoff')).toBeGreaterThan(race);
  });

  it('loose ground takes launch and power down', () => {
    const firm = advised('eighthBuggy');
    const loose = advised('eighthBuggy', { surface: 'loose' });
    expect(loose.of('launchStrength')).toBeLessThan(firm.of('launchStrength') as number);
    expect(loose.of('forwardPower')).toBe(90);
  });

  it('on grip a basher brakes hard, on loose ground it does not', () => {
    expect(advised('basher', { surface: 'grippy' }).of('brakeStrength')).toBeGreaterThanOrEqual(75);
    expect(advised('basher', { surface: 'loose' }).of('brakeStrength')).toBeLessThanOrEqual(50);
  });
});

describe('whose word counts', () => {
  const { profile } = archetypeFor('eighthBuggy');
  const item = (setting: SettingId) => itemForSetting(profile, setting)!;

  it('the side that the driver took wins over the style, and the style stays visible', () => {
    const case_ = caseOf('eighthBuggy', { schools: { brake: 'strongHigh' } });
    const found = adviceFor(case_, item('brakeStrength'))!;
    expect(found.priority).toBe('school');
    expect(found.over.map(({ priority }) => priority)).toEqual(['style']);
  });

  it('the event’s rules win over the side that the driver took', () => {
    const rules = { name: 'Spec class', noAdvance: true, noReverse: true, mostCells: null, note: '' };
    const case_ = { ...caseOf('eighthBuggy', { schools: { topSpeed: 'boost' } }), rules };
    const found = adviceFor(case_, item('boost'))!;
    expect([found.priority, found.over[0]?.priority]).toEqual(['rules', 'school']);
    expect(stopById(item('boost'), found.stopId).value).toEqual({ kind: 'off' });
  });

  it('a rating on the bus wins over everything', () => {
    const case_ = caseOf('eighthBuggy', { schools: { becVolts: 'more' } });
    const load = {
      kind: 'other',
      name: 'winch',
      count: 1,
      maxVolts: 6.2,
      idleAmps: 0,
      movingAmps: 1,
      stallAmps: 2,
    } as const;
    const found = adviceFor({ ...case_, rig: { ...case_.rig, busLoads: [load] } }, item('becVolts'))!;
    expect(found.priority).toBe('rating');
    for (const id of found.stopIds)
      expect(comparableNumber(stopById(item('becVolts'), id).value, 1)).toBeLessThanOrEqual(6.2);
  });
});
