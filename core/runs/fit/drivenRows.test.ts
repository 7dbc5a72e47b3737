import { describe, expect, it } from 'vitest';
import { withQuantity, quantityAt } from '../../rig/fields';
import { drivenResiduals, drivenRowsAbout, MOST_DRIVEN, OF_A_DRIVE } from './drivenRows';
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

describe('runs that are driven whole', () => {
  it('are the newest few, three numbers each', () => {
    expect(offWith(model.rig)).toHaveLength(MOST_DRIVEN * OF_A_DRIVE);
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
