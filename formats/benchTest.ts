import type { BenchTest } from '#core/calibration/benchTest';
import type { SupplyTest } from '#core/calibration/supplyTest';
import type { TravelTest } from '#core/calibration/travelTest';
import type * as yup from 'yup';
import { between, instant, oneOf, record, variants, whole } from './fields';
import { MOST_ESCS } from './calibration';
import { pulse } from './radio';

const seen = () => pulse.nullable().defined();

const travelTest: yup.ObjectSchema<TravelTest> = record({
  firstForwardMicros: seen(),
  fullForwardMicros: seen(),
  firstBrakeMicros: seen(),
  fullBrakeMicros: seen(),
  quietAtNeutral: oneOf(['yes', 'no'] as const)
    .nullable()
    .defined(),
  reverseEntry: oneOf(['atOnce', 'afterStop', 'doubleTap', 'never'] as const)
    .nullable()
    .defined(),
  failSafe: oneOf(['stops', 'runsOn'] as const)
    .nullable()
    .defined(),
});

const supplyTest: yup.ObjectSchema<SupplyTest> = record({
  setVolts: between(3, 15, 'V'),
  lowestVolts: between(0, 15, 'V'),
});

/** A test on the bench as the page sends it and as it is kept. */
export const benchTestSchema = variants<BenchTest, 'kind'>('kind', {
  travel: record({
    kind: oneOf(['travel'] as const),
    escNumber: whole(1, MOST_ESCS),
    test: travelTest,
    keptAt: instant(),
  }),
  supply: record({ kind: oneOf(['supply'] as const), test: supplyTest, keptAt: instant() }),
});
