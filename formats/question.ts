import type { Asked } from '#core/runs/asked';
import { READINGS, type ReadingId } from '#core/runs/readings';
import { NUMBER_IDS } from '#core/physics/drills/numberIds';
import { MOMENTS, type MomentId } from '#core/settings/moments';
import { TROUBLES, type TroubleId } from '#core/triage/symptoms';
import * as yup from 'yup';
import { idField, instant, keyOf, nameField, oneOf, record, textField, variants, whole } from './fields';

const stop = () =>
  record({ stopId: idField(), stopNumber: whole(1, 500).nullable().defined(), label: nameField() });

const about = {
  id: idField(),
  madeAt: instant(),
  itemId: idField(),
  itemNumber: whole(1, 200),
  itemLabel: nameField(),
};

const aim = variants('kind', {
  moment: record({
    kind: oneOf(['moment'] as const),
    moment: keyOf<MomentId>(MOMENTS),
    wanted: oneOf(['less', 'more'] as const),
  }),
  trouble: record({ kind: oneOf(['trouble'] as const), trouble: keyOf<TroubleId>(TROUBLES) }),
} as never);

const told = yup
  .mixed<readonly unknown[]>()
  .test(
    'told',
    'is no number of a drill',
    (one) =>
      Array.isArray(one) &&
      Object.hasOwn(NUMBER_IDS, String(one[0])) &&
      (NUMBER_IDS[one[0] as keyof typeof NUMBER_IDS] as readonly string[]).includes(String(one[1])),
  );
const finite = () =>
  yup
    .number()
    .strict()
    .required('is missing')
    .test('finite', 'must be a finite number', (value) => Number.isFinite(value));

const predicted = record({
  told,
  name: nameField(),
  unit: textField(),
  decimals: whole(0, 6),
  before: finite(),
  after: finite(),
})
  .nullable()
  .defined();

/** What is asked of the runs of a rig: whether a change held, or which of two values does more. */
export const askedSchema = variants('kind', {
  change: record({
    kind: oneOf(['change'] as const),
    ...about,
    afterRun: whole(1, 10_000_000),
    aim,
    because: textField(),
    lookFor: textField(),
    from: stop(),
    to: stop(),
    predicted,
  }),
  compare: record({
    kind: oneOf(['compare'] as const),
    ...about,
    words: textField(),
    reading: keyOf<ReadingId>(READINGS),
    a: stop(),
    b: stop(),
  }),
} as never) as unknown as yup.ObjectSchema<Asked>;
