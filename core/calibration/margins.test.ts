import { describe, expect, it } from 'vitest';
import { item } from '../archetypes/build';
import { advisedDeadband, advisedEndPointMargin } from './margins';
import { seriesOf as series } from '../radio/series.fixture';

const deadbandItem = { ...item('Deadband', 'deadband', 'micros', [20, 30, 45, 60], 2), number: 1 };
describe('the advised deadband', () => {
  it('takes four deviations, five minutes of drift and the offset of neutral, on the next wider stop', () => {
    const { neededMicros, stop, reason } = advisedDeadband(series(5, 1), deadbandItem, 20, 6);
    expect(neededMicros).toBe(31);
    expect(stop?.label).toBe('45 µs');
    expect(reason).toContain('4 deviations are 20 µs, the drift of 5 minutes 5 µs, neutral is off by 6 µs');
    expect(advisedDeadband(series(5.06), deadbandItem, 20, 0).reason).toContain(': 20.2 µs each side.');
  });

  it('is never below the least stop, however still the radio is', () => {
    expect(advisedDeadband(series(0.2), deadbandItem, 20, 0).stop?.label).toBe('20 µs');
  });

  it('says where no stop is wide enough, and where there is nothing to set', () => {
    expect(advisedDeadband(series(20), deadbandItem, 20, 0)).toMatchObject({ stop: undefined });
    expect(advisedDeadband(series(20), deadbandItem, 20, 0).reason).toContain('Look for the cause');
    expect(advisedDeadband(series(2), undefined, 20, 0).reason).toContain('20 µs cover that');
    // Five deviations of 4 µs are just what the ESC takes.
    expect(advisedDeadband(series(5), undefined, 20, 0).reason).toContain('20 µs cover that');
    expect(advisedDeadband(series(5.1), undefined, 20, 0).reason).toContain('do not');
    expect(advisedDeadband(series(9), undefined, 20, 0).reason).toContain(
      'do not cover that and cannot be changed',
    );
  });
});

describe('the advised end point margin', () => {
  it('is 5 to 10 % (common practice), by how much the radio wanders', () => {
    expect(advisedEndPointMargin(series(1), { travelMicros: 500 }).percent).toBe(5);
    expect(advisedEndPointMargin(series(8), { travelMicros: 500 }).percent).toBe(7);
    // Drift counts whichever way it goes: 4 × 5 µs and 5 × 3 µs are 7 % of 500.
    for (const drift of [3, -3])
      expect(advisedEndPointMargin(series(5, drift), { travelMicros: 500 })).toMatchObject({ percent: 7 });
    expect(advisedEndPointMargin(series(5, 3), { travelMicros: 500 }).reason).toContain('35 µs, 7 % of its');
    expect(advisedEndPointMargin(series(6.25), { travelMicros: 500 }).reason).toContain('usual least');
    expect(advisedEndPointMargin(series(12.5), { travelMicros: 500 }).reason).toContain('that, but no more');
    expect(advisedEndPointMargin(series(30), { travelMicros: 500 }).percent).toBe(10);
    expect(advisedEndPointMargin(series(30), { travelMicros: 500 }).reason).toContain('Look for the cause');
  });
});
