import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { everyItem } from '../archetypes/fortyItems.fixture';
import { usualGoals } from '../advice/goals';
import { factoryStops, itemForSetting, type EscProfile } from '../esc/profile';
import { snapToStop } from '../esc/snap';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { busLoad } from '../rig/busLoads';
import type { Rig } from '../rig/rig';
import type { VehicleClass } from '../rig/vehicleClass';
import type { SettingId } from '../settings/vocabulary';
import { CAUSES } from './causes/causes';
import { look } from './seen';
import { TROUBLES, type Symptom, type TroubleId } from './symptoms';
import { likelyCauses, troublesOf, type Answers } from './triage';

type Sets = Partial<Record<SettingId, number | string>>;

interface Case {
  vehicle?: VehicleClass;
  profile?: EscProfile;
  sets?: Sets;
  change?: (rig: Rig) => void;
}

function seenFor({ vehicle = 'tenthBuggy', profile = everyItem(), sets = {}, change }: Case) {
  const rig = structuredClone(defaultRig(vehicle));
  // What the factory leaves is calibrated to a full travel.
  const range = rangeOf(rig.channel);
  change?.(rig);
  const stops = { ...factoryStops(profile) };
  for (const [setting, to] of Object.entries(sets)) {
    const item = itemForSetting(profile, setting as SettingId)!;
    const stop =
      typeof to === 'number'
        ? snapToStop(item, to, rig.pack.cells)!.stop
        : item.stops.find(({ value }) => value.kind === 'choice' && value.choice === to)!;
    stops[item.id] = stop.id;
  }
  const goals = usualGoals(vehicle);
  return look(
    { rig, profile, stops, range, rules: undefined, goals },
    {
      rig,
      profile,
      range,
      ranges: Array.from({ length: rig.motorCount }, () => range),
      deadbandMicros: 20,
      calibrations: [],
      lockedBy: undefined,
      forwardPower: 1,
      hasReverse: true,
    },
  );
}

const ids = (trouble: TroubleId, answers: Answers, given: Case): string[] =>
  likelyCauses(trouble, answers, seenFor(given)).map(({ id }) => id);

/** What common practice names first, for each trouble, once something on the rig or an answer speaks for it. */
const FIRST: [TroubleId, Case, Answers, first: string][] = [
  ['rollsOn', { sets: { dragBrake: 0 } }, { where: 'flat' }, 'littleDrag'],
  ['rollsOn', { sets: { dragBrake: 50 } }, { where: 'slope' }, 'dragCannotHold'],
  [
    'weakSlowBrake',
    { sets: { brakeFrequency: 8, brakeStrength: 80 } },
    { fast: 'strong' },
    'brakeFrequencyHigh',
  ],
  [
    'weakSlowBrake',
    {
      sets: { brakeFrequency: 2, brakeStrength: 80, runningMode: 'forwardBrake' },
      change: (rig) => (rig.channel.brakeEndPointPercent = 60),
    },
    { fast: 'weak' },
    'radioTakesBrake',
  ],
  ['divesAtLetGo', { sets: { dragBrake: 100, dragRamp: 0 } }, { when: 'letGo' }, 'dragHard'],
  ['stutters', { sets: { motorType: 'sensored' } }, { before: 'yes' }, 'sensorLead'],
  ['stutters', { sets: { motorType: 'sensorless', startPower: 100 } }, { before: 'no' }, 'withoutSensors'],
  ['spins', { sets: { launchStrength: 900 } }, { when: 'start' }, 'launchStrong'],
  ['spins', { sets: { launchStrength: 150, forwardPower: 100 } }, { when: 'driving' }, 'powerHigh'],
  [
    'helpComesAndGoes',
    { sets: { turbo: 10 }, change: (rig) => (rig.channel.forwardEndPointPercent = 90) },
    {},
    'radioNotFull',
  ],
  ['slow', { sets: { forwardPower: 80, advance: 10 } }, { since: 'always' }, 'powerLimited'],
  ['uneven', { sets: { driveFrequency: 32 } }, { radio: 'no' }, 'driveFrequencyHigh'],
  [
    'brownsOut',
    { change: (rig) => (rig.busLoads = [busLoad('giant', 6)]) },
    { when: 'servos' },
    'becOverloaded',
  ],
  [
    'brownsOut',
    {
      sets: { launchLimit: 0 },
      change: (rig) => (rig.pack.cellResistanceOhm.value = 0.15),
    },
    { when: 'launch' },
    'launchSags',
  ],
  ['hot', { sets: { driveFrequency: 32, boost: 0, turbo: 0 } }, { what: 'esc' }, 'driveFrequencyHigh'],
  ['hot', { sets: { driveFrequency: 12, boost: 30 } }, { what: 'motor' }, 'muchBoost'],
  ['stopsEarly', { sets: { cutoff: 3.5 } }, { charged: 'yes' }, 'cutoffHigh'],
  [
    'stopsEarly',
    { sets: { cellCount: 'auto', cutoff: 3 } },
    { charged: 'no', rest: 'no' },
    'cellCountGuessed',
  ],
  ['reverses', { sets: { runningMode: 'forwardReverse' } }, {}, 'instantReverse'],
  ['strips', { sets: { launchStrength: 900 } }, { when: 'start' }, 'launchStrips'],
  ['willNotArm', { change: (rig) => (rig.channel.trimMicros = 60) }, {}, 'neutralOff'],
];

describe('the likeliest cause (common practice)', () => {
  it.each(FIRST)('%s, on a rig of this kind: first %#', (trouble, given, answers, first) => {
    expect(ids(trouble, answers, given)[0]).toBe(first);
  });

  it('covers at least ten troubles', () => {
    expect(new Set(FIRST.map(([trouble]) => trouble)).size).toBeGreaterThanOrEqual(10);
  });
});

describe('a cause', () => {
  it('comes with one change to a real stop, and what it does here', () => {
    const [cause] = likelyCauses(
      'weakSlowBrake',
      { fast: 'strong' },
      seenFor({ sets: { brakeFrequency: 8 } }),
    );
    expect(cause!.change.kind).toBe('move');
    expect(cause!.evidence).toContain('8 kHz');
    expect(cause!.effect!.after.value!).toBeLessThan(cause!.effect!.before.value!);
  });

  it('is called unlikely where neither the rig nor an answer speaks for it', () => {
    const causes = likelyCauses(
      'weakSlowBrake',
      { fast: 'strong' },
      seenFor({ sets: { brakeStrength: 90 } }),
    );
    expect(causes.find(({ id }) => id === 'brakeStrengthLow')!.isUnlikely).toBe(true);
    expect(causes.find(({ id }) => id === 'brakeFrequencyHigh')!.isUnlikely).toBe(false);
  });

  it('is left out where the ESC has no such setting', () => {
    const { profile } = archetypeFor('crawler');
    expect(itemForSetting(profile, 'turboDelay')).toBeUndefined();
    expect(ids('helpComesAndGoes', {}, { vehicle: 'crawler', profile })).not.toContain('turboWaits');
  });

  it('is left out where the setting is at its end already', () => {
    expect(ids('spins', {}, { sets: { launchStrength: 0 } })).not.toContain('launchStrong');
  });

  it('falls behind where an answer speaks against it', () => {
    const given: Case = { sets: { brakeFrequency: 4, brakeStrength: 60 } };
    const strong = ids('weakSlowBrake', { fast: 'strong' }, given);
    const weak = ids('weakSlowBrake', { fast: 'weak' }, given);
    expect(strong.indexOf('brakeFrequencyHigh')).toBeLessThan(strong.indexOf('brakeStrengthLow'));
    expect(weak.indexOf('brakeStrengthLow')).toBeLessThan(weak.indexOf('brakeFrequencyHigh'));
  });
});

describe('the troubles of a model', () => {
  const of = (vehicle: VehicleClass, motorCount = 1): TroubleId[] =>
    troublesOf(seenFor({ vehicle, change: (rig) => (rig.motorCount = motorCount) }).situation);

  it('an aeroplane neither spins its wheels nor reverses; only a twin has a late motor', () => {
    expect(of('sportPlane')).not.toContain('spins');
    expect(of('sportPlane')).not.toContain('oneMotorLate');
    expect(of('twinPlane', 2)).toContain('oneMotorLate');
  });
});

it('a cause asks only for answers that its trouble offers', () => {
  const strays = (Object.keys(TROUBLES) as TroubleId[]).flatMap((trouble) => {
    const { questions }: Symptom = TROUBLES[trouble];
    const offered = questions.flatMap(({ id, answers }) =>
      Object.keys(answers).map((one) => `${id}: ${one}`),
    );
    return CAUSES[trouble]
      .flatMap(({ says = {} }) =>
        Object.entries(says).flatMap(([id, those]) => those.map((one) => `${id}: ${one}`)),
      )
      .filter((named) => !offered.includes(named))
      .map((named) => `${trouble}: ${named}`);
  });
  expect(strays).toEqual([]);
});
