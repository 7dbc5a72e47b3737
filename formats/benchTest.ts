import type { BenchTest } from '#core/calibration/benchTest';
import type { KeptMeasurement } from '#core/calibration/keptMeasurement';
import type { SupplyTest } from '#core/calibration/supplyTest';
import type { TravelTest } from '#core/calibration/travelTest';
import * as yup from 'yup';
import {
  between,
  idField,
  instant,
  listOf,
  nameField,
  oneOf,
  record,
  textField,
  variants,
  whole,
} from './fields';
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

const finite = () =>
  yup
    .number()
    .strict()
    .required('is missing')
    .test('finite', 'must be a finite number', (value) => Number.isFinite(value));

const typed = yup.lazy((map: unknown) =>
  record(Object.fromEntries(Object.keys((map as object | null) ?? {}).map((key) => [key, finite()]))),
) as unknown as yup.ISchema<Record<string, number>>;

/** What was measured: its numbers as they were typed, and what they came to. */
const measured = record({
  id: idField(),
  name: nameField(),
  rows: listOf(record({ label: textField().max(80), typed }), 1, 12),
  lines: listOf(
    record({
      name: nameField(),
      value: finite(),
      model: finite().nullable().defined(),
      unit: textField().max(20),
      decimals: whole(0, 6),
    }),
    1,
    40,
  ),
  note: textField(),
}) as unknown as yup.ObjectSchema<KeptMeasurement>;

/** A test on the bench as the page sends it and as it is kept. */
export const benchTestSchema = variants<BenchTest, 'kind'>('kind', {
  travel: record({
    kind: oneOf(['travel'] as const),
    escNumber: whole(1, MOST_ESCS),
    test: travelTest,
    keptAt: instant(),
  }),
  supply: record({ kind: oneOf(['supply'] as const), test: supplyTest, keptAt: instant() }),
  measured: record({ kind: oneOf(['measured'] as const), measured, keptAt: instant() }),
});
