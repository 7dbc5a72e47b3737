import { describe, expect, it } from 'vitest';
import { UNTIED, type EscProfile, type ProfileItem } from '../../esc/profile';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { busLoad } from '../../rig/busLoads';
import { defaultRig } from '../../rig/defaults';
import type { Rig } from '../../rig/rig';
import type { VehicleClass } from '../../rig/vehicleClass';
import type { SettingValue } from '../../settings/setting';
import { VOCABULARY, type SettingId } from '../../settings/vocabulary';
import { usualGoals, type Goals } from '../goals';
import { openHazards, VERDICT_IDS, type Around, type Situation, type VerdictId } from './verdict';
import { verdictsOn } from './verdictsOn';

type Values = Partial<Record<SettingId, number | string>>;

/** “off” stands for a limit that is switched off. */
const valueFor = (setting: SettingId, value: number | string): SettingValue => {
  if (typeof value === 'number') return { kind: 'number', value };
  return VOCABULARY[setting].choices?.[value] === undefined
    ? { kind: 'off' }
    : { kind: 'choice', choice: value };
};

/** An ESC with exactly these values, each the only stop of its item but for 0 and 100. */
function escOn(values: Values): Pick<Situation, 'profile' | 'stops'> {
  const settings = Object.keys(values) as SettingId[];
  const items = settings.map((setting, place): ProfileItem => {
    const value = values[setting]!;
    const numbers = setting === 'cutoff' ? [0, 3.3] : [0, 100];
    const others = typeof value === 'string' ? Object.keys(VOCABULARY[setting].choices ?? {}) : numbers;
    return {
      id: setting,
      number: place + 1,
      label: setting,
      setting,
      scale: 'named',
      sense: 'direct',
      ...UNTIED,
      factoryStopId: 'here',
      stops: [value, ...others].map((one, n) => ({
        id: n === 0 ? 'here' : `other-${n}`,
        number: n + 1,
        label: String(one),
        value: valueFor(setting, one),
        basis: 'stated',
        typed: null,
      })),
    };
  });
  const profile: EscProfile = { ...smallProfile(), items };
  return { profile, stops: Object.fromEntries(settings.map((setting) => [setting, 'here'])) };
}

interface Given {
  rig?: (rig: Rig) => void;
  esc?: (profile: EscProfile) => void;
  rest?: Partial<Situation>;
}

function idsOn(vehicleClass: VehicleClass, values: Values, { rig: change, esc, rest }: Given = {}): string[] {
  const rig = { ...defaultRig(vehicleClass), name: 'Test' };
  change?.(rig);
  const { profile, stops } = escOn(values);
  esc?.(profile);
  const { centreMicros, travelMicros } = rig.channel;
  const range = {
    brakeMicros: centreMicros - travelMicros,
    neutralMicros: rig.channel.rest === 'centre' ? centreMicros : centreMicros - travelMicros,
    forwardMicros: centreMicros + travelMicros,
  };
  return verdictsOn({
    rig,
    profile: { ...profile, limits: { ...profile.limits, minCells: 1, maxCells: 14 } },
    stops,
    range,
    rules: undefined,
    goals: usualGoals(vehicleClass),
    ...rest,
  }).map(({ id }) => id);
}

const giantServo = (rig: Rig) => {
  rig.busLoads = [busLoad('giant')];
};
const standardServo = (rig: Rig) => {
  rig.busLoads = [busLoad('standard')];
};
const linear = (profile: EscProfile) => {
  profile.limits = { ...profile.limits, becKind: 'linear' };
};

const RACING: Given = { rest: { goals: { ...usualGoals('eighthBuggy'), purpose: 'race' } } };

const ratedAmps = (burstAmps: number) => (profile: EscProfile) => {
  profile.limits = { ...profile.limits, burstAmps };
};
const smallPack = (basis: 'given' | 'assumed') => (rig: Rig) => {
  rig.pack.capacityAh.value = 0.3;
  rig.pack.ratingC = { value: 10, basis };
};
const turnedDown = (rig: Rig) => {
  rig.channel.forwardEndPointPercent = 50;
};
const LEARNED = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };
const around = (told: Partial<Around>): Given => ({
  rest: {
    around: {
      ranges: [LEARNED],
      unlike: [],
      calibrationDue: false,
      assumedItemIds: [],
      temporaries: [],
      today: '2026-01-01',
      ...told,
    },
  },
});
const DUE = around({ calibrationDue: true });
/** The cutoff was taken off until the fourth of July. */
const onDay = (today: string): Given => {
  const [item] = escOn({ cutoff: 0 }).profile.items;
  return around({ today, temporaries: [{ item: item!, returnsTo: item!.stops[2]!, until: '2026-07-04' }] });
};

const withCells = (cells: number) => (rig: Rig) => {
  rig.pack.cells = cells;
};
const BRAKES: Values = { brakeStrength: 60, runningMode: 'forwardBrake' };
const brakeEndPoint = (percent: number) => (rig: Rig) => {
  rig.channel.brakeEndPointPercent = percent;
};
const timesKv = (factor: number) => (rig: Rig) => {
  rig.motor.kvRpmPerVolt.value *= factor;
};
const stopsAt = (temperatureLimitC: number) => (profile: EscProfile) => {
  profile.limits = { ...profile.limits, temperatureLimitC };
};
const raceOf = (raceMinutes: number): Given => {
  const goals = usualGoals('tenthBuggy');
  return { rest: { goals: { ...goals, use: { ...goals.use, raceMinutes } } } };
};
const endPoint = (percent: number) => (rig: Rig) => {
  rig.channel.forwardEndPointPercent = percent;
};
/** An ESC whose BEC gives just what a standard servo asks for at 6 V. */
const halfAmp = (profile: EscProfile) => {
  profile.limits = { ...profile.limits, becContinuousAmps: 0.5 };
};

/** Each with what triggers it, and with what just does not. */
type Row = readonly [
  id: VerdictId,
  vehicleClass: VehicleClass,
  triggers: Values,
  justNot: Values,
  given?: Given,
  givenJustNot?: Given,
];
const TABLE: readonly Row[] = [
  ['packAgainstEsc', 'crawler', {}, {}, { rig: withCells(15) }, { rig: withCells(14) }],
  ['cutoffOff', 'basher', { cutoff: 'off' }, { cutoff: 3.2 }],
  ['cutoffOutOfRange', 'basher', { cutoff: 2.89 }, { cutoff: 2.9 }],
  ['cutoffOutOfRange', 'basher', { cutoff: 3.71 }, { cutoff: 3.7 }],
  [
    'becAboveRating',
    'basher',
    { becVolts: 6.1 },
    { becVolts: 6 },
    { rig: standardServo },
    { rig: standardServo },
  ],
  [
    'brakeThroughRadio',
    'tenthBuggy',
    BRAKES,
    BRAKES,
    { rig: brakeEndPoint(80) },
    { rig: brakeEndPoint(100) },
  ],
  ['cellCountWrong', 'crawler', { cellCount: '2', cutoff: 3.3 }, { cellCount: '3', cutoff: 3.3 }],
  ['cellCountGuessed', 'crawler', { cellCount: 'auto' }, { cellCount: '3' }],
  ['chemistryWrong', 'tenthBuggy', { chemistry: 'nimh' }, { chemistry: 'lipo' }],
  ['unguarded', 'basher', { cutoff: 0, escTemperatureLimit: 0 }, { cutoff: 0, escTemperatureLimit: 100 }],
  ['becOverloaded', 'basher', { becVolts: 6 }, { becVolts: 6 }, { rig: giantServo }, { rig: standardServo }],
  // What a servo takes goes with its volts.
  [
    'becOverloaded',
    'basher',
    { becVolts: 6.1 },
    { becVolts: 6 },
    { rig: standardServo, esc: halfAmp },
    { rig: standardServo, esc: halfAmp },
  ],
  [
    'linearBecHot',
    'basher',
    { becVolts: 5 },
    { becVolts: 5 },
    { rig: giantServo, esc: linear },
    { rig: giantServo },
  ],
  ['undampedMultirotor', 'multirotor', { freewheel: 'off' }, { freewheel: 'on' }],
  ['sensorsMissing', 'sportPlane', { motorType: 'sensored' }, { motorType: 'sensoredStart' }],
  ['sensorsUnused', 'crawler', { motorType: 'sensorless' }, { motorType: 'sensoredStart' }],
  [
    'nothingBrakes',
    'tenthBuggy',
    { runningMode: 'forward', dragBrake: 0 },
    { runningMode: 'forward', dragBrake: 5 },
  ],
  [
    'limitedTwice',
    'tenthBuggy',
    { forwardPower: 80 },
    { forwardPower: 100 },
    { rig: endPoint(80) },
    { rig: endPoint(80) },
  ],
  // 30 of 500 µs are dead: these end points leave 96.8 and 97.9 %.
  [
    'limitedTwice',
    'tenthBuggy',
    { forwardPower: 80 },
    { forwardPower: 80 },
    { rig: endPoint(97) },
    { rig: endPoint(98) },
  ],
  [
    'turboNeverStarts',
    'tenthBuggy',
    { turbo: 10, turboFrom: 100 },
    { turbo: 10, turboFrom: 85 },
    { rig: (rig) => (rig.channel.forwardEndPointPercent = 90) },
    { rig: (rig) => (rig.channel.forwardEndPointPercent = 90) },
  ],
  ['dragPitchesOver', 'tenthBuggy', { dragBrake: 60, dragRamp: 0.1 }, { dragBrake: 60, dragRamp: 0.5 }],
  ['dragPitchesOver', 'tenthBuggy', { dragBrake: 60, dragRamp: 0.25 }, { dragBrake: 60, dragRamp: 0.26 }],
  ['dragPitchesOver', 'tenthBuggy', { dragBrake: 50, dragRamp: 0.1 }, { dragBrake: 49, dragRamp: 0.1 }],
  ['coastAgainstDrag', 'tenthBuggy', { coastAssist: 5, dragBrake: 5 }, { coastAssist: 5, dragBrake: 0 }],
  ['initialBrakeSteps', 'tenthBuggy', { initialBrake: 20, dragBrake: 8 }, { initialBrake: 8, dragBrake: 8 }],
  [
    'reverseInRace',
    'eighthBuggy',
    { runningMode: 'forwardBrakeReverse', reverseDelay: 0.9 },
    { runningMode: 'forwardBrakeReverse', reverseDelay: 1 },
    RACING,
    RACING,
  ],
  ['reverseAtSpeed', 'basher', { runningMode: 'forwardReverse' }, { runningMode: 'forwardBrakeReverse' }],
  ['crawlerWithoutReverse', 'crawler', { runningMode: 'forwardBrake' }, { runningMode: 'forwardReverse' }],
  [
    'reverseSharperThanForward',
    'crawler',
    { runningMode: 'forwardReverse', throttleCurve: 21, brakeCurve: 50 },
    { runningMode: 'forwardReverse', throttleCurve: 45, brakeCurve: 50 },
  ],
  ['propellerBraked', 'sportPlane', { propellerBrake: 20 }, { propellerBrake: 0 }],
  ['propellerBraked', 'aerobaticPlane', { propellerBrake: 41 }, { propellerBrake: 40 }],
  ['propellerDoesNotFold', 'glider', { propellerBrake: 0 }, { propellerBrake: 100 }],
  ['muchAdvance', 'modifiedCircuit', { advance: 31 }, { advance: 30 }],
  ['muchAdvance', 'modifiedCircuit', { advance: 10, boost: 21 }, { advance: 10, boost: 20 }],
  ['specAdvance', 'specCircuit', { advance: 2 }, { advance: 0 }],
  ['loudStart', 'basher', { startVolume: 71 }, { startVolume: 70 }],
  ['loudTones', 'basher', { beaconVolume: 71 }, { beaconVolume: 70 }],
  // Twice the kV on the same gearing is four times the heat.
  ['canHot', 'tenthBuggy', { cutoff: 3.3 }, { cutoff: 3.3 }, { rig: timesKv(1.6) }, { rig: timesKv(0.7) }],
  ['escHot', 'basher', { cutoff: 3.3 }, { cutoff: 3.3 }, { esc: stopsAt(38) }, { esc: stopsAt(120) }],
  ['doesNotLast', 'tenthBuggy', { cutoff: 3.3 }, { cutoff: 3.3 }, raceOf(60), raceOf(5)],
  ['silentPack', 'basher', { idleBeeps: 'off' }, { idleBeeps: 'on' }],
  [
    'peakAboveRating',
    'tenthBuggy',
    { launchStrength: 900 },
    { launchStrength: 900 },
    { esc: ratedAmps(20) },
    { esc: ratedAmps(2000) },
  ],
  ['peakAboveRating', 'sportPlane', {}, {}, { rig: smallPack('given') }, { rig: smallPack('assumed') }],
  [
    'endPointsLearnedLow',
    'tenthBuggy',
    {},
    {},
    { rig: turnedDown, rest: { range: { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 1750 } } },
    { rig: turnedDown },
  ],
  [
    'calibrationLocked',
    'tenthBuggy',
    { calibrationLock: 'off' },
    { calibrationLock: 'off' },
    around({ calibrationDue: true }),
    around({ calibrationDue: false }),
  ],
  ['calibrationLocked', 'tenthBuggy', { calibrationLock: 'off' }, { calibrationLock: 'on' }, DUE, DUE],
  [
    'escsUnlike',
    'twinPlane',
    {},
    {},
    around({ ranges: [LEARNED, { ...LEARNED, neutralMicros: 1511 }] }),
    around({ ranges: [LEARNED, { ...LEARNED, neutralMicros: 1510 }] }),
  ],
  [
    'escsHoldUnlike',
    'twinPlane',
    { cutoff: 3.3 },
    { cutoff: 3.3 },
    around({ unlike: [{ name: 'ESC 2 (right)', labels: ['Low volts'] }] }),
    around({ unlike: [{ name: 'ESC 2 (right)', labels: [] }] }),
  ],
  [
    'leftAtFactory',
    'tenthBuggy',
    { cutoff: 3.3 },
    { cutoff: 3.3 },
    around({ assumedItemIds: ['cutoff'] }),
    around({ assumedItemIds: [] }),
  ],
  ['overdue cutoff', 'basher', { cutoff: 0 }, { cutoff: 0 }, onDay('2026-07-05'), onDay('2026-07-04')],
];

describe.each(TABLE.map((row) => ({ name: `${row[0]} (${row[1]})`, row })))('$name', ({ row }) => {
  const [id, vehicleClass, triggers, justNot, given, givenJustNot] = row;
  it('is said where it holds', () => {
    expect(idsOn(vehicleClass, triggers, given)).toContain(id);
  });
  it('is not said where it just does not', () => {
    expect(idsOn(vehicleClass, justNot, givenJustNot)).not.toContain(id);
  });
});

it('every verdict has a row here', () => {
  const withRow = new Set(TABLE.map(([id]) => id));
  expect(VERDICT_IDS.filter((id) => !withRow.has(id))).toEqual([]);
});

describe('in numbers', () => {
  const sentenceOf = (id: VerdictId, values: Values, change: (rig: Rig) => void): string => {
    const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
    change(rig);
    const situation = { rig, ...escOn(values), range: LEARNED, rules: undefined };
    const said = verdictsOn({ ...situation, goals: usualGoals('tenthBuggy') });
    return said.find((one) => one.id === id)!.sentence;
  };

  it('80 % on the ESC of the 78.7 % that the radio lets through are 63 %', () => {
    expect(sentenceOf('limitedTwice', { forwardPower: 80 }, endPoint(80))).toMatch(/80.% .* 79.% .* 63.%/);
  });

  it('what is taken off a brake is a share of it', () => {
    expect(sentenceOf('brakeThroughRadio', BRAKES, brakeEndPoint(80))).toMatch(/60.% .* 79.% .* 47.%/);
  });

  it('outside what the model is proven for, what it warns of has no number of the model’s', () => {
    const situation = {
      rig: { ...defaultRig('tenthBuggy'), name: 'Test' },
      range: LEARNED,
      rules: undefined,
      goals: usualGoals('tenthBuggy'),
    };
    const { profile, stops } = escOn({ turbo: 64, cutoff: 3.3 });
    const weak = { ...profile, limits: { ...profile.limits, burstAmps: 20 } };
    const said = verdictsOn({ ...situation, profile: weak, stops });
    const of = (id: VerdictId): string => said.find((one) => one.id === id)!.sentence;
    expect(of('peakAboveRating')).toContain('a full pull draws more');
    expect(of('canHot')).toContain('more than 80');
    expect(of('muchAdvance')).toContain('64°');
  });

  it('what is done on purpose can be kept as meant, and stays so when a number changes', () => {
    const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
    const goals = {
      ...usualGoals('tenthBuggy'),
      overridden: { brakeThroughRadio: { sentence: 'other numbers', reason: 'my thumb is used to it' } },
    };
    rig.channel.brakeEndPointPercent = 80;
    const kept = verdictsOn({ rig, ...escOn(BRAKES), range: LEARNED, rules: undefined, goals });
    expect(kept.find(({ id }) => id === 'brakeThroughRadio')).toMatchObject({
      grade: 'note',
      overridden: 'my thumb is used to it',
    });
    // Hardly any brake at all is no method.
    rig.channel.brakeEndPointPercent = 25;
    const lost = verdictsOn({ rig, ...escOn(BRAKES), range: LEARNED, rules: undefined, goals });
    expect(lost.find(({ id }) => id === 'brakeThroughRadio')).toMatchObject({ grade: 'caution' });
    expect(lost.find(({ id }) => id === 'brakeThroughRadio')).not.toHaveProperty('overridden');
  });

  it('the remedies take an unguarded model to limits that guard it', () => {
    const { profile, stops } = escOn({ cutoff: 0, escTemperatureLimit: 0 });
    const situation = { rig: defaultRig('basher'), profile, stops, range: LEARNED, rules: undefined };
    const said = verdictsOn({ ...situation, goals: usualGoals('basher') });
    const labels = said.find(({ id }) => id === 'unguarded')!.remedies.map(({ label }) => label);
    expect(labels).toEqual([expect.stringContaining('100'), expect.stringContaining('3.3')]);
  });
});

describe('what clears a verdict', () => {
  it('a move that is offered makes it go away', () => {
    for (const [id, vehicleClass, triggers, , given] of TABLE) {
      const rig = { ...defaultRig(vehicleClass), name: 'Test' };
      given?.rig?.(rig);
      const { profile, stops } = escOn(triggers);
      given?.esc?.(profile);
      const situation: Situation = {
        rig,
        profile,
        stops,
        range: { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 },
        rules: undefined,
        goals: usualGoals(vehicleClass),
        ...given?.rest,
      };
      const verdict = verdictsOn(situation).find((one) => one.id === id);
      for (const remedy of verdict?.remedies ?? []) {
        if (remedy.kind !== 'move') continue;
        const moved = { ...stops, [remedy.itemId]: remedy.stopId };
        const left = verdictsOn({ ...situation, stops: moved }).map((one) => one.id);
        expect(left, `${id}: ${remedy.label}`).not.toContain(id);
      }
    }
  });

  it('an event that is prepared for may have its guards off', () => {
    const rules = { name: 'Final', noAdvance: false, noReverse: false, mostCells: null, note: '' };
    expect(idsOn('basher', { cutoff: 0, escTemperatureLimit: 0 }, { rest: { rules } })).not.toContain(
      'unguarded',
    );
  });
});

describe('a verdict says only what is so', () => {
  const told = (vehicleClass: VehicleClass, values: Values, change: (rig: Rig) => void = () => undefined) => {
    const rig = defaultRig(vehicleClass);
    change(rig);
    const situation = { rig, ...escOn(values), range: LEARNED, rules: undefined };
    return verdictsOn({ ...situation, goals: usualGoals(vehicleClass) });
  };

  it('a wrong cell count cuts at no voltage while the cutoff is off', () => {
    const wrong = told('crawler', { cellCount: '2', cutoff: 'off' }).find(
      ({ id }) => id === 'cellCountWrong',
    );
    expect(wrong).toMatchObject({ grade: 'caution' });
    expect(wrong!.sentence).not.toContain('0\u00a0V');
  });

  it('what the end bell is turned to counts as advance, times the pairs of poles', () => {
    const turned = (degrees: number) => (rig: Rig) => {
      rig.motor.polePairs = { value: 2, basis: 'given' };
      rig.motor.endBellDegrees = { value: degrees, basis: 'given' };
    };
    const ids = (degrees: number) => told('tenthBuggy', { boost: 0 }, turned(degrees)).map(({ id }) => id);
    expect(ids(15)).not.toContain('muchAdvance');
    expect(ids(16)).toContain('muchAdvance');
  });

  it('an external BEC that is too small is not told to be bought', () => {
    const small = (rig: Rig) => {
      giantServo(rig);
      rig.externalBec = { volts: 6, continuousAmps: 0.5 };
    };
    const verdict = told('basher', {}, small).find(({ id }) => id === 'becOverloaded');
    expect(verdict!.sentence).toContain('Your external BEC is too small');
    expect(verdict!.sentence).not.toContain('Use an external BEC');
  });
});

describe('a hazard that the driver takes upon himself', () => {
  const rig = defaultRig('crawler');
  const told = (goals: Partial<Goals>, values: Values) => {
    const situation = { rig, ...escOn(values), range: LEARNED, rules: undefined };
    return verdictsOn({ ...situation, goals: { ...usualGoals('crawler'), ...goals } });
  };
  const [hazard] = told({}, { cellCount: '2', cutoff: 3.3 });
  const overridden = { [hazard!.id]: { sentence: hazard!.sentence, reason: 'a test on the bench' } };

  it('stays a hazard, with his reason, and is open no more', () => {
    const verdicts = told({ overridden }, { cellCount: '2', cutoff: 3.3 });
    expect(verdicts[0]).toMatchObject({ id: 'cellCountWrong', overridden: 'a test on the bench' });
    expect(openHazards(verdicts)).toEqual([]);
  });

  it('is open again with other numbers', () => {
    expect(openHazards(told({ overridden }, { cellCount: '2', cutoff: 3.2 }))).toHaveLength(1);
  });
});
