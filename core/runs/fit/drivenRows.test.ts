import { describe, expect, it } from 'vitest';
import { withQuantity, quantityAt } from '../../rig/fields';
import { channelOf } from '../log/channels';
import { drivenResiduals, drivenRowsAbout, MOST_DRIVEN, OF_A_DRIVE } from './drivenRows';
import { endOfMeans } from './endOfMeans';
import { logProblem } from './logProblem';
import { recoveryOf } from './recovery.fixture';

const { on, model, runs } = recoveryOf({
  vehicleClass: 'sportPlane',
  seed: 3,
  by: 'log',
  runs: 4,
  minutes: 1,
});
const logged = runs.map(({ log, ...run }) => ({ ...run, log: log! }));

/** What runs that are driven with a rig are off, in standard deviations: rpm, volts, amperes of each. */
function offWith(rig: typeof model.rig): number[] {
  const problem = logProblem({ ...on, rig }, logged);
  const nothing = new Float64Array(problem.size);
  const about = new Float64Array(problem.parameters.length);
  return drivenResiduals(
    drivenRowsAbout(rig, problem.parameters, problem.toDrive, about),
    problem.placeAt(nothing),
  );
}

describe('what a sensor shows of a drive', () => {
  const numbers = { rpm: 20_000, volts: 8, amps: 10 };
  const row = { run: 0, measured: numbers, base: numbers, slopes: [{ rpm: 0.1, volts: -0.1, amps: 0.1 }] };
  const sensors = { ampsGain: 0, ampsZero: 0, voltsGain: 0, canOffset: 0, escOffset: 0 };
  const ofRun = { charge: 0, ground: 0, cooling: 0, airKelvin: 0, servoAmps: 0, heat: 0 };
  const off = (change: { sensors?: object; ofRun?: object; rig?: number }): number[] =>
    drivenResiduals(
      { rows: [row], about: Float64Array.of(0) },
      {
        rig: [change.rig ?? 0],
        sensors: { ...sensors, ...change.sensors },
        runs: [{ ...ofRun, ...change.ofRun }],
      },
    ).map(Math.sign);

  it.each([
    ['is the drive, where it shows what is there', {}, [0, 0, 0]],
    ['is more, where the ammeter shows too much', { sensors: { ampsGain: 0.1 } }, [0, 0, -1]],
    ['is more, where it shows something of nothing', { sensors: { ampsZero: 1 } }, [0, 0, -1]],
    ['is more, where servos draw beside the motor', { ofRun: { servoAmps: 1 } }, [0, 0, -1]],
    ['is more volts, where the voltmeter shows too much', { sensors: { voltsGain: 0.1 } }, [0, -1, 0]],
    ['moves with the rig', { rig: 1 }, [-1, 1, -1]],
  ])('%s', (_, change, signs) => expect(off(change).map((sign) => sign + 0)).toEqual(signs));
});

describe('runs that are driven whole', () => {
  it('are the newest few, three numbers each', () => {
    expect(offWith(model.rig)).toHaveLength(MOST_DRIVEN * OF_A_DRIVE);
    const problem = logProblem(on, logged);
    const about = new Float64Array(problem.parameters.length);
    const { rows } = drivenRowsAbout(on.rig, problem.parameters, problem.toDrive, about);
    expect(rows.map(({ run }) => logged[run]!.number)).toEqual([2, 3, 4]);
    // Of each its own log: no two sag alike.
    const sags = logged.map(({ log }) => endOfMeans(channelOf(log, 'packVolts')!.values, 0.1, 'least'));
    const off = rows.map(({ measured }, n) => measured.volts - sags[n + 1]!);
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(1e-5);
  });

  it('with what the model really is come to what its logs say, but for its sensors and the day', () => {
    for (const off of offWith(model.rig)) expect(Math.abs(off)).toBeLessThan(5);
  });

  it('with a kV that is a tenth too high turn faster than the log says', () => {
    const kv = quantityAt(model.rig, 'motor.kvRpmPerVolt');
    const quicker = withQuantity(model.rig, 'motor.kvRpmPerVolt', { ...kv, value: 1.1 * kv.value });
    const [off, faster] = [offWith(model.rig)[0]!, offWith(quicker)[0]!];
    expect(faster - off).toBeLessThan(-1);
  });
});
