/** A set-up as a table, a row for each value. */
import { HAND_VALUE_KEYS, HAND_VALUES } from '../rig/handValues';
import { describeValue } from '../settings/value';
import { VOCABULARY } from '../settings/vocabulary';
import type { SetUp } from './setUp';

export interface SetUpRow {
  item: number | '';
  label: string;
  setting: string;
  stop: number | '';
  value: string;
  meaning: string;
  reason: string;
}

/** What the ESC holds in its own order, then what hands change. */
export function setUpTable({
  values,
  byHand,
  reasons,
}: Pick<SetUp, 'values' | 'byHand' | 'reasons'>): SetUpRow[] {
  const ofEsc = values.map((value): SetUpRow => ({
    item: value.itemNumber,
    label: value.itemLabel,
    setting: VOCABULARY[value.setting].name,
    stop: value.stopNumber ?? '',
    value: value.stopLabel,
    meaning: describeValue(VOCABULARY[value.setting], value.meaning),
    reason: reasons[value.itemId] ?? '',
  }));
  const ofModel = HAND_VALUE_KEYS.flatMap((key): SetUpRow[] => {
    const value = byHand[key];
    if (value === undefined) return [];
    const { name, unit } = HAND_VALUES[key];
    const words = `${value}\u00a0${unit}`;
    return [
      {
        item: '',
        label: name,
        setting: '',
        stop: '',
        value: words,
        meaning: words,
        reason: reasons[key] ?? '',
      },
    ];
  });
  return [...ofEsc, ...ofModel];
}
