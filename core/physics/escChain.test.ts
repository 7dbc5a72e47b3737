import { describe, expect, it } from 'vitest';
import { factoryStops, UNTIED, type EscProfile, type ProfileItem } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { ThrottleChannel } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { SettingValue } from '../settings/setting';
import { deadbandOf, escBehaviour, launchDuty, totalAdvance } from './escChain';
import { brakeStrengthOf, curveOfValue, dutyOf, onCurve } from './triggerChain';

const channel: ThrottleChannel = defaultRig('tenthBuggy').channel;
const full = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };

/** The small ESC with one more item, set to a number. */
function withItem(setting: ProfileItem['setting'], value: number): EscProfile {
  const profile = smallProfile();
  profile.items.push({
    id: 'extra',
    number: 5,
    label: 'extra',
    setting,
    scale: 'named',
    sense: 'direct',
    ...UNTIED,
    factoryStopId: 'extra-1',
    stops: [
      {
        id: 'extra-1',
        number: 1,
        label: 'x',
        value: { kind: 'number', value },
        basis: 'stated',
        typed: null,
      },
    ],
  });
  return profile;
}
const behave = (profile: EscProfile, stops = factoryStops(profile), radio = channel, range = full) =>
  escBehaviour(profile, stops, radio, range, 2);

describe('from stops to what the bridge is commanded', () => {
  it('strength on the ESC times end point of the radio: 50 % × 80 % leaves 40 % (common practice)', () => {
    const weak = { ...channel, brakeEndPointPercent: 80 };
    // The deadband takes a little of the travel: without it the product is exact.
    const profile = { ...smallProfile(), deadbandMicrosEachSide: 0 };
    const esc = behave(profile, { ...factoryStops(profile), bite: 'bite-2' }, weak);
    expect(brakeStrengthOf(esc, esc.brakeSignal)).toBeCloseTo(0.4, 9);
  });

  it('80 % × 70 % leaves 56 % (common practice)', () => {
    const profile = { ...smallProfile(), deadbandMicrosEachSide: 0 };
    const weak = { ...channel, brakeEndPointPercent: 70 };
    const esc = behave(profile, { ...factoryStops(profile), bite: 'bite-4' }, weak);
    expect(brakeStrengthOf(esc, esc.brakeSignal)).toBeCloseTo(0.56, 9);
  });

  it('without a brake stage a full push brakes no more than drag does', () => {
    const profile = withItem('dragBrake', 70);
    expect(behave(profile, { ...factoryStops(profile), way: 'way-2' }).brakeStrength).toBeCloseTo(0.7, 9);
    expect(behave(profile, { ...factoryStops(profile), way: 'way-1' }).brakeStrength).toBeCloseTo(0.5, 9);
  });

  it('an ESC that learned less travel gets full from less: 60 % is full once calibrated so', () => {
    const lowered = { ...channel, forwardEndPointPercent: 60 };
    const relearned = { ...full, forwardMicros: 1800 };
    expect(behave(smallProfile(), undefined, lowered).forwardSignal).toBeLessThan(0.65);
    expect(behave(smallProfile(), undefined, lowered, relearned).forwardSignal).toBe(1);
  });

  it('power rises by the slowest of strength, start acceleration and response', () => {
    const strength = behave(smallProfile()).rampPerSecond;
    expect(strength).toBeCloseTo(4, 9);
    expect(behave(withItem('startAcceleration', 2)).rampPerSecond).toBeCloseTo(0.5, 9);
    expect(behave(withItem('startAcceleration', 0.1)).rampPerSecond).toBe(strength);
    expect(behave(withItem('response', 0.5)).rampPerSecond).toBeCloseTo(2, 9);
  });

  it('start force is there at once, the rest rises from it and ends at the signal', () => {
    const esc = { ...behave(withItem('startForce', 7)), rampPerSecond: 1, forwardSignal: 0.9 };
    expect(launchDuty(esc, 0)).toBeCloseTo(0.07, 9);
    expect(launchDuty(esc, 0.5)).toBeCloseTo(0.57, 9);
    expect(launchDuty(esc, 3)).toBe(0.9);
  });

  it('a cutoff for the whole pack is divided by its cells, and off is zero', () => {
    const profile = smallProfile();
    const cutoff = (floor: string): number =>
      behave(profile, { ...factoryStops(profile), floor }).cutoffVoltsPerCell;
    expect(cutoff('floor-4')).toBeCloseTo(3.2, 9);
    expect(cutoff('floor-3')).toBe(3.4);
    expect(cutoff('floor-1')).toBe(0);
  });

  it('an ESC that is told three cells and has two of 3.2 V cuts off at 4.8 V for each', () => {
    const counting = withItem('cellCount', 0);
    counting.items.at(-1)!.stops[0]!.value = { kind: 'choice', choice: '3' };
    const at = (profile: EscProfile, cells: number): number =>
      escBehaviour(profile, { ...factoryStops(profile), floor: 'floor-2' }, channel, full, cells)
        .cutoffVoltsPerCell;
    const told = at(smallProfile(), 2);
    expect(told).toBeGreaterThan(2.5);
    expect(at(counting, 2)).toBeCloseTo((told * 3) / 2, 9);
    expect(at(counting, 3)).toBeCloseTo(told, 9);
  });

  it('a launch limit of 30 % acts as the profile says: on duty while it picks up speed, on current, or on the rise', () => {
    const acting = (launchLimitActs: EscProfile['launchLimitActs']) => {
      const { launchDuty, currentShare, rampPerSecond } = behave({
        ...withItem('launchLimit', 30),
        launchLimitActs,
      });
      return [launchDuty, currentShare, rampPerSecond].map((value) => Number(value.toFixed(3)));
    };
    const without = behave(withItem('launchLimit', 0)).rampPerSecond;
    expect(acting('duty')).toEqual([0.7, 1, without]);
    expect(acting(null)).toEqual(acting('duty'));
    expect(acting('current')).toEqual([1, 0.7, without]);
    expect(acting('ramp')).toEqual([1, 1, 2.333]);
  });

  it('softening below no advance retards', () => {
    const advance = { ...behave(withItem('earlySoftening', 40)).advance };
    expect(totalAdvance(advance, 0, 0.25, 0)).toBeCloseTo(-20, 9);
    expect(totalAdvance({ ...advance, fixed: 30 }, 0, 0.25, 0)).toBeCloseTo(10, 9);
    expect(totalAdvance(advance, 0, 0.5, 0)).toBe(0);
  });

  it('without items for them: turbo wants full throttle, softening ends at half', () => {
    expect(behave(withItem('turbo', 10)).advance).toMatchObject({ turboFrom: 1, turboPerSecond: 1000 });
    expect(behave(withItem('earlySoftening', 4)).advance.softeningUntil).toBe(0.5);
    expect(behave(withItem('boost', 8)).advance).toMatchObject({ boostStartRpm: 5000, boostEndRpm: 25_000 });
  });

  it('the deadband is the item’s where there is one, the profile’s otherwise', () => {
    expect(deadbandOf(smallProfile(), factoryStops(smallProfile()))).toBe(30);
    const wide = withItem('deadband', 80);
    expect(deadbandOf(wide, factoryStops(wide))).toBe(80);
  });

  it('a soft start of 10 s, as helicopters want it, lets duty rise by a tenth a second', () => {
    const profile = withItem('softStart', 10);
    const esc = escBehaviour(profile, factoryStops(profile), channel, full, 3);
    expect(esc.rampPerSecond).toBeCloseTo(0.1, 9);
  });
});

describe('advance that follows speed, throttle and time (common practice)', () => {
  const plain = {
    fixed: 0,
    softening: 0,
    softeningUntil: 0.5,
    boost: 0,
    boostStartRpm: 5000,
    boostEndRpm: 25_000,
    boostFrom: 0,
    turbo: 0,
    turboFrom: 1,
    turboDelayS: 0,
    turboPerSecond: 1000,
    turboOffPerSecond: 1000,
  };

  it('boost of 64° from 15 000 to 25 000 rpm is 0, 32 and 64°: 6.4° a thousand rpm', () => {
    const boost = { ...plain, boost: 64, boostStartRpm: 15_000 };
    expect([15_000, 20_000, 25_000, 30_000].map((rpm) => totalAdvance(boost, rpm, 1, 0))).toEqual([
      0, 32, 64, 64,
    ]);
    expect(totalAdvance(boost, 16_000, 1, 0)).toBeCloseTo(6.4, 9);
    // Only from so much throttle on.
    const late = { ...boost, boostFrom: 0.8 };
    expect([0.79, 0.8].map((signal) => totalAdvance(late, 25_000, signal, 0))).toEqual([0, 64]);
  });

  it('5° spread over 5000 to 20 000 rpm are 2.5° at 12 500', () => {
    expect(totalAdvance({ ...plain, boost: 5, boostEndRpm: 20_000 }, 12_500, 1, 0)).toBeCloseTo(2.5, 9);
  });

  it('turbo of 20° at 18° per 0.1 s is complete after 0.111 s and the delay', () => {
    const turbo = { ...plain, turbo: 20, turboDelayS: 0.2, turboPerSecond: 180 };
    expect(totalAdvance(turbo, 20_000, 1, 0.2)).toBe(0);
    expect(totalAdvance(turbo, 20_000, 1, 0.2 + 0.1)).toBeCloseTo(18, 6);
    expect(totalAdvance(turbo, 20_000, 1, 0.2 + 20 / 180)).toBeCloseTo(20, 6);
  });

  it('turbo waits for full throttle: a radio that does not reach it has none', () => {
    expect(totalAdvance({ ...plain, turbo: 20 }, 20_000, 0.97, 5)).toBe(0);
  });
});

describe('curves', () => {
  it('through (70, 30): 50 % gives 21.4 %, and above it rises 2.33 times as fast (common practice)', () => {
    const bent = [
      [0, 0],
      [0.7, 0.3],
      [1, 1],
    ] as const;
    expect(onCurve(bent, 0.5)).toBeCloseTo(0.214, 3);
    expect((onCurve(bent, 0.9) - onCurve(bent, 0.8)) / 0.1).toBeCloseTo(2.33, 2);
    expect([onCurve(bent, 0), onCurve(bent, 0.7), onCurve(bent, 1), onCurve(bent, 2)]).toEqual([
      0, 0.3, 1, 1,
    ]);
  });

  it('a curve is made of per cents; ends that it states count, others are nothing and all', () => {
    const through = (points: [number, number][]): SettingValue => ({ kind: 'curve', points });
    expect(curveOfValue(through([[40, 20]]))).toEqual([
      [0, 0],
      [0.4, 0.2],
      [1, 1],
    ]);
    expect(
      curveOfValue(
        through([
          [0, 10],
          [40, 20],
          [100, 90],
        ]),
      ),
    ).toEqual([
      [0, 0.1],
      [0.4, 0.2],
      [1, 0.9],
    ]);
  });

  it('a number bends the middle: 30 gives 30 % at half trigger', () => {
    const esc = behave(withItem('throttleCurve', 30));
    expect(dutyOf(esc, 0.5)).toBeCloseTo(0.3, 9);
    expect(dutyOf(esc, 1)).toBe(1);
  });

  it('maximum power takes the same share of everything, and start force is there at the first touch', () => {
    expect(dutyOf(behave(withItem('forwardPower', 50)), 0.6)).toBeCloseTo(0.3, 9);
    expect(dutyOf(behave(withItem('startForce', 8)), 0.01)).toBeCloseTo(0.08, 9);
  });

  it('initial brake is the least that a touch of the brake gives', () => {
    const esc = { ...behave(withItem('initialBrake', 20)), brakeStrength: 0.6 };
    expect([0, 0.1, 0.5, 1].map((push) => brakeStrengthOf(esc, push))).toEqual([0, 0.2, 0.3, 0.6]);
  });
});

describe('where heat stops it', () => {
  it('is what the ESC is set to, else what its profile says, else nowhere', () => {
    expect(behave(smallProfile()).escLimitC).toBe(100);
    expect(behave(withItem('escTemperatureLimit', 85)).escLimitC).toBe(85);
    const silent = smallProfile();
    silent.limits.temperatureLimitC = null;
    expect(behave(silent).escLimitC).toBe(Infinity);
    expect(behave(withItem('motorTemperatureLimit', 90)).motorLimitC).toBe(90);
    expect(behave(smallProfile()).motorLimitC).toBe(Infinity);
  });
});
