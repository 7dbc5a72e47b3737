import { describe, expect, it } from 'vitest';
import { archetypeFor } from '../archetypes/archetypes';
import { everyItem } from '../archetypes/fortyItems.fixture';
import { factoryStops, itemForSetting } from '../esc/profile';
import { snapToStop } from '../esc/snap';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { SettingId } from '../settings/vocabulary';
import { usualGoals } from './goals';
import { changedNumbers, previewOf, tellingDrill } from './preview';

const every = everyItem();
/** Without what other classes have, such as a soft start. */
const cars = archetypeFor('tenthBuggy').profile;
const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
const stopOf = (setting: SettingId, value: number, profile = every) => {
  const item = itemForSetting(profile, setting)!;
  return { [item.id]: snapToStop(item, value, rig.pack.cells)!.stop.id };
};
const situation = (stops: Record<string, string>, profile = every) => ({
  rig,
  profile,
  stops: { ...factoryStops(profile), ...stops },
  range: rangeOf(rig.channel),
  rules: undefined,
  goals: usualGoals('tenthBuggy'),
});

describe('a move before it is made', () => {
  it('less launch strength: slower off the line, less current', () => {
    const hard = situation(stopOf('launchStrength', 900, cars), cars);
    const { changed } = previewOf(hard, 'launchStrength', stopOf('launchStrength', 150, cars));
    const peak = changed.find(({ after }) => after.id === 'peakPack')!;
    expect(peak.after.value!).toBeLessThan(peak.before.value!);
  });

  it('says what it would bring up, and not what is there already', () => {
    const from = situation({ ...stopOf('dragBrake', 20), ...stopOf('dragRamp', 0.05) });
    const { raised } = previewOf(from, 'dragBrake', stopOf('dragBrake', 100));
    expect(raised.map(({ id }) => id)).toContain('dragPitchesOver');
    expect(previewOf(from, 'dragBrake', stopOf('dragBrake', 12)).raised).toEqual([]);
  });

  it('moves nothing where nothing is moved', () => {
    expect(previewOf(situation({}), 'advance', {})).toEqual({ drill: 'topSpeed', changed: [], raised: [] });
  });
});

it('numbers that look the same have not changed, and what never was comes first', () => {
  const number = (id: string, value: number | undefined) => ({
    id,
    name: id,
    value,
    unit: 's',
    decimals: 1,
    less: '',
    more: '',
  });
  const changed = changedNumbers(
    [number('same', 1.01), number('little', 10), number('much', 10)],
    [number('same', 1.04), number('little', 11), number('much', 20), number('new', 3)],
  );
  expect(changed.map(({ after }) => after.id)).toEqual(['new', 'much', 'little']);
});

it('a setting is felt in a drill that its model has', () => {
  expect(tellingDrill('brakeStrength', 'wheels')).toBe('brake');
  expect(tellingDrill('advance', 'propeller')).toBe('throttle');
  expect(tellingDrill('becVolts', 'propeller')).toBe('supply');
});
