import { unfitted, withFitted } from '../../rig/fitted';
import { describe, expect, it } from 'vitest';
import { quantityAt } from '../../rig/fields';
import { beforeFit } from '../../units/provenance';
import { channelOf } from '../log/channels';
import { runToFit } from './runToFit';
import { fitToRuns, teaches, type Fitted } from './fit';
import { offFromTruth, recoveryOf, reportOf, type Recovery } from './recovery.fixture';

const fitted = (of: Recovery) => {
  const recovery = recoveryOf(of);
  const fit = fitToRuns(recovery.on, recovery.runs);
  if (fit.kind === 'refused') throw new Error(fit.why);
  return { ...recovery, fit };
};
const numberOf = ({ numbers }: Fitted, path: string) => numbers.find((one) => one.path === path);

// How often the intervals hold over many models is measured in bench/fit.mjs; here a few, seeded, that must not get worse.
describe('numbers by hand', () => {
  it.each(['tenthBuggy', 'crawler', 'sportPlane'] as const)(
    'of a %s predict the run that was left out better than before, and hold in their intervals',
    (vehicleClass) => {
      const seeds = [1, 2];
      const report = reportOf(seeds.map((seed) => ({ vehicleClass, seed, by: 'hand' })));
      expect(report.refused).toBe(0);
      expect(report.held / report.told).toBeGreaterThanOrEqual(0.8);
      expect(report.nearer).toBeGreaterThan(1.5);
    },
  );
});

describe('logs', () => {
  const aeroplane = fitted({ vehicleClass: 'sportPlane', seed: 3, by: 'log', minutes: 1.5 });

  it('tell kV to two per cent, and the propeller’s power', () => {
    const { fit, truth } = aeroplane;
    for (const path of ['motor.kvRpmPerVolt', 'vehicle.powerCoefficient'] as const) {
      const { quantity } = numberOf(fit, path)!;
      expect(Math.abs(offFromTruth(quantity.value, truth(path), quantity.fit.within))).toBeLessThan(3);
    }
    expect(numberOf(fit, 'motor.kvRpmPerVolt')!.quantity.fit.within).toBeLessThan(0.02);
  });

  it('say nothing of thrust, which no channel shows: it stays, and is said to', () => {
    const { fit, on } = aeroplane;
    expect(fit.open).toContain('thrust coefficient');
    expect(quantityAt(withFitted(on.rig, fit.numbers), 'vehicle.thrustCoefficient')).toEqual(
      quantityAt(on.rig, 'vehicle.thrustCoefficient'),
    );
  });

  it('what they told names its runs and what was before, and is taken back whole', () => {
    const { fit, on } = aeroplane;
    const taught = withFitted(on.rig, fit.numbers);
    const kv = quantityAt(taught, 'motor.kvRpmPerVolt');
    expect(kv).toMatchObject({ basis: 'fitted', fit: { runs: [1, 2] } });
    expect(beforeFit(kv)).toEqual(quantityAt(on.rig, 'motor.kvRpmPerVolt'));
    expect(unfitted(taught)).toEqual(on.rig);
  });

  it('the run that was left out is predicted nearer', () => {
    const { fit } = aeroplane;
    expect(fit.leftOut!.number).toBe(3);
    const off = (which: 'before' | 'after') =>
      fit.leftOut!.numbers.reduce((sum, one) => sum + Math.abs(one[which] / one.measured - 1), 0);
    expect(off('after')).toBeLessThan(off('before'));
  });

  it('of a car tell rolling and air drag as parts of a sum, or not at all', () => {
    const { fit } = fitted({ vehicleClass: 'tenthBuggy', seed: 1, by: 'log', runs: 2, minutes: 3 });
    for (const [path, label] of [
      ['vehicle.rollingResistance', 'rolling resistance'],
      ['vehicle.dragAreaM2', 'air drag'],
    ] as const) {
      const told = numberOf(fit, path);
      // Told alone it would say so, and be sharp.
      const isOpen = told === undefined && fit.open.includes(label);
      const isPart = told !== undefined && told.quantity.fit.together.length > 0;
      expect(isOpen || isPart, path).toBe(true);
    }
  });

  it('whose current is in the wrong unit are refused, with what may be wrong', () => {
    const { on, runs } = recoveryOf({ vehicleClass: 'sportPlane', seed: 5, by: 'log', minutes: 1 });
    for (const { log } of runs) {
      const amps = channelOf(log!, 'amps')!;
      amps.values = amps.values.map((value) => value * 3);
    }
    const fit = fitToRuns(on, runs);
    expect(fit).toMatchObject({
      kind: 'refused',
      why: expect.stringMatching(/check each column and its unit/) as string,
    });
  });

  it('without rpm count with what a hand wrote down, the one that is left out, too', () => {
    const { on, runs } = recoveryOf({ vehicleClass: 'sportPlane', seed: 5, by: 'log', minutes: 1 });
    const without = runs.map(({ number, run, log }) =>
      runToFit(
        number,
        { ...run, readings: [{ kind: 'canCelsius', value: 30, from: 'hand' }] },
        { ...log!, channels: log!.channels.filter(({ kind }) => kind !== 'rpm') },
      ),
    );
    expect(without.map(({ log }) => log)).toEqual([undefined, undefined, undefined]);
    const fit = fitToRuns(on, without);
    expect(fit.kind === 'refused' ? fit.why : fit.leftOut!.numbers.map(({ kind }) => kind)).toEqual(
      fit.kind === 'refused' ? expect.stringMatching(/nothing that was not known/) : ['canCelsius'],
    );
  });
});

describe('a run that teaches nothing says why', () => {
  const { on, runs } = recoveryOf({ vehicleClass: 'tenthBuggy', seed: 1, by: 'hand', runs: 1, minutes: 1 });
  const run = { ...runs[0]!.run, leftOut: '', profileId: on.profile.id } as never;
  it.each([
    ['what its ESC held is not known', { held: [] }, /settings of its ESC were not known/],
    ['it is left out', { leftOut: 'a wheel was loose' }, /it does not count: a wheel was loose/],
    ['it had another pack', { byHand: { ...runs[0]!.run.byHand, packCapacityMah: 1234 } }, /another pack/i],
    ['nothing was read', { readings: [] }, /no log, and no number by hand/],
  ])('%s', (_, change, why) => {
    expect(teaches(on, { run: { ...(run as object), ...change } as never }, undefined)).toMatch(why);
  });

  it('its log lacks a channel, and nothing was read by hand', () => {
    const silent = { run: { ...(run as object), readings: [] } as never };
    expect(teaches(on, silent, ['trigger', 'packVolts', 'amps', null])).toBe('its log lacks motor rpm');
    expect(teaches(on, silent, ['trigger', 'packVolts', 'amps', 'rpm'])).toBeUndefined();
    expect(teaches(on, { run }, ['trigger'])).toBeUndefined();
  });
});
