import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallProfile } from '../../esc/smallProfile.fixture';
import { defaultRig } from '../../rig/defaults';
import { resolveRig } from '../../rig/resolve';
import type { VehicleClass } from '../../rig/vehicleClass';
import { GRAVITY } from '../../units/convert';
import { openCircuitVolts } from '../pack';
import { plainEsc } from '../behaviour.fixture';
import type { EscBehaviour } from '../escChain';
import { bridgeSettingOf } from '../bridge';
import type { RunPart } from '../powerTrain';
import { AT, gripLimit, startState } from '../car';
import { runWheels } from '../wheels';
import { runDrill, type DrillId } from './runDrill';
import { creepSpeed } from './slowDrills';
import { brakeForceAt } from './brake';
import { steadyForce } from './topSpeed';
import type { ResolvedWheels } from '../resolved';

const wheels = (vehicleClass: VehicleClass): ResolvedWheels => {
  const rig = resolveRig(defaultRig(vehicleClass), smallProfile());
  if (rig.kind !== 'wheels') throw new Error('not on wheels');
  return rig;
};
const buggy = wheels('tenthBuggy');
const crawler = wheels('crawler');
const esc = plainEsc();
const numbers = (id: DrillId, rig: ResolvedWheels, behaviour: EscBehaviour) =>
  Object.fromEntries(runDrill(id, rig, behaviour).numbers.map((n) => [n.id, n.value ?? NaN]));
const braking = (strength: number, lengthS = 60): RunPart => ({
  lengthS,
  kind: 'brake',
  from: strength,
  to: strength,
  perSecond: 0,
  signal: 0,
});

describe('wheels', () => {
  it('slide to a stop in v²/(2·μ·g) at the grip limit: 15 m/s at μ 0.6 in 19.1 m (Gillespie)', () => {
    const car: ResolvedWheels = {
      ...buggy,
      grip: 0.6,
      rollingResistance: 0,
      dragAreaM2: 0,
      drivenWeightShare: 1,
      // A motor that brakes far harder than the ground can carry, down to a crawl.
      motor: { ...buggy.motor, resistance: 1e-4, inductance: 1e-9, noLoadCurrent: 0 },
    };
    const y = startState(car, 15);
    runWheels(car, bridgeSettingOf(car, esc), [braking(0.999)], y);
    expect(Math.abs(y[AT.distance]! / 19.1 - 1)).toBeLessThan(0.01);
  });

  it('coast down as the closed form of rolling and quadratic air resistance says, to 0.1 %', () => {
    const car: ResolvedWheels = {
      ...buggy,
      wheelInertiaKgM2: 0,
      motor: { ...buggy.motor, rotorInertia: 0, noLoadCurrent: 0 },
    };
    const y = startState(car, 10);
    runWheels(car, bridgeSettingOf(car, esc), [braking(0, 200)], y);
    const rolling = car.rollingResistance * GRAVITY;
    const air = (0.5 * 1.225 * car.dragAreaM2) / car.massKg;
    const expected = Math.log(1 + (air * 100) / rolling) / (2 * air);
    expect(Math.abs(y[AT.distance]! / expected - 1)).toBeLessThan(0.001);
  });

  it('heat up exponentially with a steady loss, to 0.1 % (closed form)', () => {
    // Too heavy to move, on a pack that neither sags nor empties: a current that stays, a winding that keeps its heat.
    const heavy: ResolvedWheels = {
      ...buggy,
      massKg: 1e7,
      capacityAh: 1e9,
      packOhm: 0,
      leadOhm: 0,
      accuracy: 1e-6,
      thermal: { ...buggy.thermal, windingToCase: 1e9 },
    };
    const bridge = { ...bridgeSettingOf(heavy, esc), currentLimit: 20 };
    const y = startState(heavy, 0);
    const part: RunPart = { lengthS: 120, kind: 'drive', from: 0.3, to: 0.3, perSecond: 0, signal: 0.3 };
    runWheels(heavy, bridge, [part], y);
    const winding = heavy.motor.resistance - heavy.motor.bridgeResistance;
    // I²·R with R growing by 0.393 % of its value at 20 °C a kelvin: dT/dt = a·(1 + b·(T − 50)).
    const b = 0.00393 / (1 + 0.00393 * 30);
    const swing = (heavy.openVolts * 0.3 * 0.7) / (heavy.motor.inductance * 12_000);
    const a = ((400 + (swing * swing) / 12) * winding) / heavy.thermal.windingJPerK;
    const rise = (Math.exp(a * b * 120) - 1) / b;
    expect(rise).toBeGreaterThan(10);
    expect(Math.abs((y[AT.winding]! - 50) / rise - 1)).toBeLessThan(0.001);
  });

  it('slide when commanded more than grip allows, and grip again later', () => {
    const y = startState(buggy, 0);
    const run = runWheels(
      buggy,
      bridgeSettingOf(buggy, esc),
      [{ ...braking(0), kind: 'drive', from: 0, to: 1, perSecond: 4, signal: 1, lengthS: 6 }],
      y,
    );
    expect(run.slidingS).toBeGreaterThan(0.05);
    expect(run.slidingS).toBeLessThan(5.9);
    expect(Math.abs(y[AT.tyreSpeed]! - y[AT.speed]!)).toBeLessThan(1e-6);
  });

  it('weight moves to driven rear wheels when pulling, and off them when braking', () => {
    const rear = { ...buggy, drivenWeightShare: 0.6 };
    expect(gripLimit(rear)).toBeGreaterThan(0.6 * gripLimit({ ...buggy, drivenWeightShare: 1 }));
    expect(gripLimit(rear, true)).toBeLessThan(0.6 * gripLimit({ ...buggy, drivenWeightShare: 1 }));
  });

  it('braking never points along the motion', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.01, max: 20, noNaN: true }),
        fc.constantFrom('linear' as const, 'hybrid' as const, 'constant' as const),
        fc.boolean(),
        (strength, speed, brakeLaw, pushed) => {
          const by = plainEsc({ brakeLaw, lowSpeedBrake: 0.4 });
          expect(brakeForceAt(buggy, by, { strength, pushed }, speed)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});

describe('launch', () => {
  it('lies in the range that tenth-scale buggies really have', () => {
    const n = numbers('launch', buggy, esc);
    expect(n.to5).toBeGreaterThan(0.8);
    expect(n.to5).toBeLessThan(2);
    expect(n.peakPack).toBeGreaterThan(30);
    expect(n.peakPack).toBeLessThan(220);
  });

  it('a longer ramp never raises the peak current', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 8, noNaN: true }), (ramp) => {
        const slow = numbers('launch', buggy, { ...esc, rampPerSecond: ramp });
        const fast = numbers('launch', buggy, { ...esc, rampPerSecond: ramp * 1.3 });
        expect(slow.peakPack).toBeLessThanOrEqual(fast.peakPack! * 1.001);
      }),
      { numRuns: 20 },
    );
  });

  it('with a radio that sends only half, is slower', () => {
    expect(numbers('launch', buggy, { ...esc, forwardSignal: 0.5 }).to20).toBeGreaterThan(
      numbers('launch', buggy, esc).to20!,
    );
  });

  it.each(['crawler', 'tenthBuggy', 'eighthBuggy', 'basher'] as const)(
    'a launch limit of a %s draws less from the pack the more it holds back, and 30 %% keep a stalled pack up at little cost (common practice)',
    (vehicleClass) => {
      const rig = wheels(vehicleClass);
      const quick = { ...esc, rampPerSecond: 10 };
      const limited = [1, 0.85, 0.7, 0.5].map((launchDuty) =>
        numbers('launch', rig, { ...quick, launchDuty }),
      );
      for (let n = 1; n < limited.length; n += 1) {
        expect(limited[n]!.peakPack).toBeLessThan(limited[n - 1]!.peakPack!);
        expect(limited[n]!.stalled).toBeGreaterThan(limited[n - 1]!.stalled! + 0.2);
      }
      expect(limited[2]!.to20! / limited[0]!.to20!).toBeLessThan(1.03);
      const top = (launchDuty: number) => numbers('topSpeed', rig, { ...quick, launchDuty }).top!;
      expect(top(0.7)).toBeCloseTo(top(1), 6);
    },
  );

  it('stalled wheels on 3 cells of 2200 mAh, 16 mΩ: 4.2 V at the pack without limit, 6.2 V at 70 % duty, 10.2 V at 70 % of the current (common practice)', () => {
    const small: ResolvedWheels = {
      ...crawler,
      openVolts: 11.7,
      packOhm: 0.029,
      leadOhm: 0.005,
      motor: { ...crawler.motor, resistance: 0.016, bridgeResistance: 0.003 },
    };
    const pack = (change: Partial<EscBehaviour>) => numbers('launch', small, { ...esc, ...change }).stalled;
    expect(pack({})).toBeCloseTo(4.2, 1);
    expect(pack({ launchDuty: 0.7 })).toBeCloseTo(6.2, 1);
    expect(pack({ currentShare: 0.7 })).toBeCloseTo(10.2, 1);
  });

  it('softening makes the first part of the trigger pull softer with and without advance, and nothing past its end', () => {
    const softened = (fixed: number, softening: number, signal: number) =>
      steadyForce(
        buggy,
        { ...esc, advance: { ...esc.advance, fixed, softening, softeningUntil: 0.5 } },
        signal,
        signal,
        0.5,
      );
    for (const fixed of [0, 10]) {
      expect(softened(fixed, 40, 0.1)).toBeLessThan(0.97 * softened(fixed, 0, 0.1));
      expect(softened(fixed, 60, 0.1)).toBeLessThan(softened(fixed, 40, 0.1));
      expect(softened(fixed, 40, 0.6)).toBe(softened(fixed, 0, 0.6));
    }
  });
});

describe('braking', () => {
  it('50 % at 2 kHz stops sooner from walking pace than 80 % at 9 kHz, and later from speed (common practice)', () => {
    const grippy = { ...buggy, grip: 3 };
    const coarse = numbers('brake', grippy, { ...esc, brakeStrength: 0.5, brakeFrequencyHz: 2000 });
    const fine = numbers('brake', grippy, { ...esc, brakeStrength: 0.8, brakeFrequencyHz: 9000 });
    expect(coarse.stopSlow).toBeLessThan(fine.stopSlow!);
    expect(coarse.stop).toBeGreaterThan(fine.stop!);
  });

  it('full brake on a slippery ground slides for most of the way, and gently on a firm one not at all', () => {
    expect(numbers('brake', { ...buggy, grip: 0.4 }, plainEsc({ brakeStrength: 1 })).sliding).toBeGreaterThan(
      40,
    );
    expect(numbers('brake', { ...buggy, grip: 1.2 }, plainEsc({ brakeStrength: 0.2 })).sliding).toBe(0);
  });

  it('more drag brake never rolls farther', () => {
    const rolls = [0, 0.05, 0.1, 0.3, 1].map(
      (dragBrake) => numbers('letGo', buggy, { ...esc, dragBrake }).toWalking!,
    );
    expect(rolls).toEqual([...rolls].sort((a, b) => b - a));
  });

  it('starts from what a slow model can reach', () => {
    expect(runDrill('brake', crawler, esc).numbers[0]!.name).not.toContain('30');
  });
});

describe('standing and crawling', () => {
  const smooth: ResolvedWheels = {
    ...crawler,
    detentTorque: 0,
    motor: { ...crawler.motor, noLoadCurrent: 0 },
  };

  it('full drag creeps at (m·g·sin φ − C_rr·m·g·cos φ)·r²·η·R/(K²·G²)', () => {
    const angle = (20 * Math.PI) / 180;
    const { massKg, rollingResistance, wheelRadiusM, drivelineEfficiency, finalDrive, motor } = smooth;
    const pull = massKg * GRAVITY * (Math.sin(angle) - rollingResistance * Math.cos(angle));
    const expected =
      (pull * wheelRadiusM ** 2 * drivelineEfficiency * motor.resistance) /
      ((Math.PI ** 2 / 9) * motor.constant ** 2 * finalDrive ** 2);
    expect(creepSpeed(smooth, plainEsc({ dragBrake: 1 }), 20)! / expected).toBeCloseTo(1, 2);
  });

  it('a model that stands on a slope without any brake is held by friction and magnets, and by nothing else', () => {
    // 7 N down the slope of 20° against 4 N of friction and magnets.
    const angle = (20 * Math.PI) / 180;
    const weight = 7 / (GRAVITY * (Math.sin(angle) - 0.05 * Math.cos(angle)));
    const torque = (4 * crawler.wheelRadiusM * crawler.drivelineEfficiency) / crawler.finalDrive;
    const light = { ...smooth, massKg: weight, rollingResistance: 0.05, detentTorque: torque };
    const none = plainEsc({ dragBrake: 0 });
    expect(numbers('slope', light, none).holds).toBeLessThan(20);
    expect(creepSpeed(light, none, 20)).toBeUndefined();
    const held = { ...light, detentTorque: 2 * torque };
    expect(numbers('slope', held, none).holds).toBeGreaterThan(20);
  });

  it('magnets hold a model that stands, and do not stop one that rolls past them', () => {
    const strong = { ...crawler, detentTorque: 0.02 };
    const free = numbers('slope', strong, plainEsc({ dragBrake: 0 }));
    expect(free.stops).toBeLessThan(free.holds! - 5);
    // Slowed by full drag, they catch it.
    const braked = numbers('slope', strong, plainEsc({ dragBrake: 1 }));
    expect(braked.stops).toBeGreaterThan(free.stops!);
    expect(braked.holds).toBe(free.holds);
  });

  it('full drag creeps on a slope, a high-detent outrunner holds, and less than full creeps far faster (common practice)', () => {
    const full = plainEsc({ dragBrake: 1 });
    expect(creepSpeed(smooth, full, 20)).toBeGreaterThan(0);
    expect(creepSpeed({ ...crawler, detentTorque: 0.02 }, full, 20)).toBe(0);
    expect(
      creepSpeed(smooth, plainEsc({ dragBrake: 0.8 }), 20)! / creepSpeed(smooth, full, 20)!,
    ).toBeGreaterThan(3);
  });
});

describe('the stint', () => {
  it('an eighth-scale race uses 3 to 5.5 Ah in ten minutes (from memory)', () => {
    const { used } = numbers('stint', wheels('eighthBuggy'), plainEsc({ cutoffVoltsPerCell: 0 }));
    expect(used).toBeGreaterThan(2000);
    expect(used).toBeLessThan(5500);
  });

  it('with the action stop, a higher cutoff never lengthens a run', () => {
    const tired = { ...buggy, capacityAh: 1.2 };
    const runs = [3, 3.2, 3.4, 3.6].map(
      (cutoffVoltsPerCell) => numbers('stint', tired, { ...esc, cutoffVoltsPerCell }).runs!,
    );
    expect(runs).toEqual([...runs].sort((a, b) => b - a));
    expect(runs[0]).toBeGreaterThan(runs[3]!);
  });
});

describe('the cutoff', () => {
  // An eighth-scale car; the pack's resistance is what makes its cells sag by so much at the pull that decides.
  const car = { ...wheels('eighthBuggy'), capacityAh: 8 };
  const stintAt = (packOhm: number, cutoffVoltsPerCell: number) => {
    const tired = { ...car, packOhm, leadOhm: 0.2 * packOhm };
    const { runs, used } = numbers('stint', tired, plainEsc({ cutoffVoltsPerCell, dragBrake: 0.05 }));
    const left = car.fullCharge - used! / 1000 / car.capacityAh;
    return { runs: runs!, sag: openCircuitVolts(car.chemistry, left) - cutoffVoltsPerCell };
  };
  const costAtSag = (sag: number): number => {
    let [low, high] = [0.001, 0.2];
    for (let n = 0; n < 12; n += 1) {
      const middle = (low + high) / 2;
      // Where the higher one acts: nearly empty cells sag deeper still.
      const seen = stintAt(middle, 3.4).sag;
      if (seen < sag) low = middle;
      else high = middle;
    }
    return 1 - stintAt(low, 3.4).runs / stintAt(low, 3.2).runs;
  };

  it.each([
    [0.15, 0.02, 0.05],
    [0.3, 0.07, 0.13],
    [0.4, 0.25, 0.45],
  ])(
    'at 3.4 instead of 3.2 V/cell costs, at %f V/cell of sag, between %f and %f of the running time (common practice)',
    (sag, least, most) => {
      const cost = costAtSag(sag);
      expect(cost).toBeGreaterThan(least);
      expect(cost).toBeLessThan(most);
    },
  );

  it('that only reduces power lets the car go on, slower', () => {
    const tired = { ...buggy, capacityAh: 1.2 };
    const stops = numbers('stint', tired, plainEsc({ cutoffVoltsPerCell: 3.5 }));
    const reduces = numbers('stint', tired, plainEsc({ cutoffVoltsPerCell: 3.5, cutoffLeaves: 0.5 }));
    expect(reduces.limps).toBeGreaterThan(0);
    expect(reduces.used).toBeGreaterThan(stops.used!);
    expect(reduces.cutoff).toBeCloseTo(stops.cutoff!, 6);
  });
});

describe('energy', () => {
  it('closes over a pull: what the pack gives is speed, heat, slip and resistance, to 0.1 %', () => {
    const car: ResolvedWheels = { ...buggy, accuracy: 1e-7, capacityAh: 1e6, drivelineEfficiency: 1 };
    const y = startState(car, 0);
    const sums = { given: 0, pack: 0, heat: 0, slip: 0, drag: 0 };
    const probe = new Float64Array(y.length);
    runWheels(
      car,
      bridgeSettingOf(car, esc),
      [{ ...braking(0), kind: 'drive', from: 0, to: 1, perSecond: 4, signal: 1, lengthS: 3 }],
      y,
      {
        visit: (step, momentAt) => {
          // Simpson's rule over each step.
          for (const [share, weight] of [
            [0, 1 / 6],
            [0.5, 4 / 6],
            [1, 1 / 6],
          ] as const) {
            const t = step.t0 + share * (step.t1 - step.t0);
            const dt = weight * (step.t1 - step.t0);
            step.at(t, probe);
            const now = momentAt(step, t);
            const speed = probe[AT.speed]!;
            const slip = probe[AT.tyreSpeed]! - speed;
            sums.given += now.packAmps * (now.packVolts + now.packAmps * car.packOhm) * dt;
            sums.pack += now.packAmps ** 2 * car.packOhm * dt;
            sums.heat += (now.windingWatts + now.escWatts) * dt;
            sums.slip += (Math.abs(slip) > 1e-7 ? gripLimit(car) * slip : 0) * dt;
            sums.drag +=
              (car.rollingResistance * car.massKg * GRAVITY + 0.5 * 1.225 * car.dragAreaM2 * speed ** 2) *
              speed *
              dt;
          }
        },
      },
    );
    const turning =
      (car.wheelInertiaKgM2 + car.motor.rotorInertia * car.finalDrive ** 2) / car.wheelRadiusM ** 2;
    const motion = 0.5 * car.massKg * y[AT.speed]! ** 2 + 0.5 * turning * y[AT.tyreSpeed]! ** 2;
    const became = sums.pack + sums.heat + sums.slip + sums.drag + motion;
    expect(Math.abs(became / sums.given - 1)).toBeLessThan(0.001);
  });
});
