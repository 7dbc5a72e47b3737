import { describe, expect, it } from 'vitest';
import { UNTIED, type ProfileItem } from '../esc/profile';
import type { SettingValue } from '../settings/setting';
import type { SettingId } from '../settings/vocabulary';
import { stopsIn } from './bands';

const itemWith = (setting: SettingId, values: readonly (number | 'off')[]): ProfileItem => ({
  id: 'item',
  number: 1,
  label: 'Item',
  setting,
  scale: 'named',
  sense: 'direct',
  ...UNTIED,
  factoryStopId: '1',
  stops: values.map((value, place) => ({
    id: String(place + 1),
    number: place + 1,
    label: String(value),
    value: (value === 'off' ? { kind: 'off' } : { kind: 'number', value }) satisfies SettingValue,
    basis: 'stated',
    typed: null,
  })),
});
const CELLS = 2;

describe('a band in the unit of the setting', () => {
  const brake = itemWith('brakeStrength', [10, 20, 30, 40, 50]);
  it('takes its ends in, and goes for the middle where no aim is stated', () => {
    const found = stopsIn({ kind: 'range', low: 20, high: 40 }, brake, CELLS);
    expect(found).toEqual({ stopIds: ['2', '3', '4'], stopId: '3', snapped: '' });
  });

  it('goes for its aim', () => {
    expect(stopsIn({ kind: 'range', low: 20, high: 40, aim: 40 }, brake, CELLS)?.stopId).toBe('4');
  });

  it('moves to the nearest that there is, and says so, where none lies inside', () => {
    const found = stopsIn({ kind: 'range', low: 22, high: 27 }, brake, CELLS);
    expect(found?.stopIds).toHaveLength(1);
    expect(found?.snapped).toContain('This ESC has no');
  });
});

describe('a band as a share of the stops', () => {
  const launch = itemWith('launchStrength', [150, 300, 450, 600, 750, 900]);
  it.each([
    // Of six stops the second lies a fifth of the way up, the fourth three fifths.
    [0.2, 0.6, ['2', '3', '4'], '3'],
    [0.6, 1, ['4', '5', '6'], '5'],
    [0, 0.19, ['1'], '1'],
    // Between two stops: the nearer one.
    [0.21, 0.25, ['2'], '2'],
    [0.35, 0.39, ['3'], '3'],
  ] as const)('from %f to %f', (low, high, stopIds, stopId) => {
    expect(stopsIn({ kind: 'ofStops', low, high }, launch, CELLS)).toMatchObject({ stopIds, stopId });
  });

  it('goes by size, not by the order of the menu', () => {
    const turned = itemWith('launchStrength', [900, 600, 300]);
    expect(stopsIn({ kind: 'ofStops', low: 0, high: 0 }, turned, CELLS)?.stopId).toBe('3');
  });

  it('means nothing where there is one stop only', () => {
    expect(stopsIn({ kind: 'ofStops', low: 0, high: 1 }, itemWith('launchStrength', [5]), CELLS)).toBe(
      undefined,
    );
  });
});

it('off is a stop of its own', () => {
  expect(stopsIn({ kind: 'off' }, itemWith('cutoff', [3.2, 'off']), CELLS)?.stopIds).toEqual(['2']);
  expect(stopsIn({ kind: 'off' }, itemWith('cutoff', [3.2]), CELLS)).toBeUndefined();
});
