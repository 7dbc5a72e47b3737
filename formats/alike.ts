import type { AlikeGroup } from '#core/setUps/alike';
import type * as yup from 'yup';
import { between, idField, listOf, nameField, record } from './fields';

const maybe = (least: number, most: number, unit: string) => between(least, most, unit).nullable().defined();

/** Rigs that ought to be alike, as they are kept and sent. */
export const alikeSchema: yup.ObjectSchema<AlikeGroup> = record({
  name: nameField(),
  rigIds: listOf(idField(), 1, 24),
  target: record({
    name: nameField(),
    busVolts: maybe(3, 15, 'V'),
    stopM: maybe(0.01, 100, 'm'),
    launchS: maybe(0.05, 60, 's'),
    frontPercent: maybe(0, 100, '%'),
  })
    .nullable()
    .defined(),
});
