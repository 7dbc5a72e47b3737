/** A run as a table: what the ESC held, what hands had set, what was felt and read. */
import { HAND_VALUE_KEYS, HAND_VALUES } from '../rig/handValues';
import { MOMENTS, type MomentId } from '../settings/moments';
import { EVIDENCE } from '../sheet/evidence';
import { TROUBLES } from '../triage/symptoms';
import { READ_FROM, READINGS } from './readings';
import type { Run } from './run';

export interface RunRow {
  what: string;
  name: string;
  value: string;
  unit: string;
  known: string;
}

/** One row for each thing that is known of a run. */
export function runTable(run: Run): RunRow[] {
  const row = (what: string, name: string, value: string | number, unit = '', known = ''): RunRow => ({
    what,
    name,
    value: String(value),
    unit,
    known,
  });
  return [
    ...run.held.map(({ itemLabel, stopLabel, basis }) =>
      row('ESC', itemLabel, stopLabel ?? 'unknown', '', EVIDENCE[basis]),
    ),
    ...HAND_VALUE_KEYS.flatMap((key) => {
      const value = run.byHand[key];
      return value === undefined ? [] : [row('by hand', HAND_VALUES[key].name, value, HAND_VALUES[key].unit)];
    }),
    ...(run.minutes === null ? [] : [row('run', 'Time', run.minutes, 'min')]),
    ...(run.pack === '' ? [] : [row('run', 'Pack', run.pack)]),
    ...(run.airCelsius === null ? [] : [row('run', 'Air', run.airCelsius, '°C')]),
    ...(Object.keys(run.felt) as MomentId[]).map((moment) =>
      row('wanted', MOMENTS[moment], run.felt[moment]!),
    ),
    ...run.troubles.map((trouble) => row('trouble', TROUBLES[trouble].words, 'yes')),
    ...run.readings.map(({ kind, value, from }) =>
      row('read', READINGS[kind].name, value, READINGS[kind].unit, READ_FROM[from]),
    ),
    ...(run.words === '' ? [] : [row('run', 'Words', run.words)]),
  ];
}
