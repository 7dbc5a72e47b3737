import { describe, expect, it } from 'vitest';
import { stickTonesPattern } from '../archetypes/aircraft';
import { VOCABULARY } from '../settings/vocabulary';
import { measurableStops, measurementOf, withMeasuredStop } from './measureStop';
import { itemById, stopById } from './profile';

const profile = stickTonesPattern;

describe('measuring what a named level means', () => {
  it('is offered for stops that are only assumed, each with a way to do it', () => {
    const stops = measurableStops(profile);
    expect(stops.map(({ stop }) => stop.label)).toContain('Late');
    for (const { itemId } of stops)
      expect(measurementOf(itemById(profile, itemId).setting)!.steps.length).toBeGreaterThan(0);
  });

  it('9.9 V when it cut, three cells, is 3.3 V per cell from then on, in a new revision', () => {
    const next = withMeasuredStop(profile, 'low-volts', 'low-volts-2', 9.9, 3);
    if (!next.ok) throw new Error(next.problems[0]!.sentence);
    expect(next.value.revision).toBe(profile.revision + 1);
    const stop = stopById(itemById(next.value, 'low-volts'), 'low-volts-2');
    expect(stop.value.kind === 'number' && stop.value.value).toBeCloseTo(3.3, 9);
    expect(stop.basis).toBe('measured');
    expect(measurableStops(next.value)).toHaveLength(measurableStops(profile).length - 1);
    // The revision before stays as it is.
    expect(stopById(itemById(profile, 'low-volts'), 'low-volts-2').basis).toBe('assumed');
  });

  it('a reading that cannot be is refused in words', () => {
    const next = withMeasuredStop(profile, 'low-volts', 'low-volts-2', 99, 3);
    expect(next.ok ? '' : next.problems[0]!.sentence).toContain('33 V per cell');
    expect(() => withMeasuredStop(profile, 'turning', 'turning-1', 1, 3)).toThrow('cannot be measured');
  });

  it('is never offered for what has no size', () => {
    for (const { setting } of profile.items)
      if (VOCABULARY[setting].choices) expect(measurementOf(setting)).toBeUndefined();
  });
});
