import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import { initialConfig, stateOf, step } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import { anyBench } from './anyBench.fixture';
import { planCalibration } from './calibrationPlan';
import { legsFor, planLegs, planRestart } from './loadPlan';
import { isPlanned } from './search';

describe('any ESC with one to three media, calibrated or not', () => {
  it('is answered: with plans that do what they say, by the chosen medium alone, or that there is no way', () => {
    let planned = 0;
    fc.assert(
      fc.property(anyBench, ({ profile, channel, range, by, changed }) => {
        const machine = escMachine(profile);
        const stick = rangeOf(channel);
        const memory = { stops: factoryStops(profile), range };
        const start = initialConfig(machine, memory, stick.neutralMicros);
        const toStopId = changed.stops.find(({ id }) => id !== changed.factoryStopId)!.id;
        const change = { itemId: changed.id, fromStopId: changed.factoryStopId, toStopId };

        const calibration = planCalibration(machine, start, rangeOf(channel));
        expect(calibration).not.toBe('gaveUp');
        const load = planLegs(machine, start, legsFor([change], false), stick, by);
        expect(load).not.toBe('gaveUp');
        if (!isPlanned(load)) {
          expect(planRestart(machine, start, stick, by)).not.toBe('gaveUp');
          return;
        }
        planned += 1;
        let config = start;
        for (const input of load.legs.flatMap(({ inputs }) => inputs)) {
          config = step(machine, config, input).config;
          expect([undefined, by]).toContain(stateOf(machine, config).medium);
        }
        expect(config.memory.stops).toEqual({ ...memory.stops, [changed.id]: toStopId });
        const restart = planRestart(machine, load.end, stick, by);
        expect(restart).not.toBe('gaveUp');
        if (!isPlanned(restart)) return;
        for (const input of restart.inputs) config = step(machine, config, input).config;
        expect(stateOf(machine, config).role).toBe('driving');
      }),
      { numRuns: 150 },
    );
    expect(planned).toBeGreaterThan(30);
  });
});
