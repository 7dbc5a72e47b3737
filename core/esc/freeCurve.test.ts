import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { curveOfValue, onCurve } from '../physics/triggerChain';
import { validateProfile } from './validateProfile';
import { curveFault, curveStopId, curveValue, outputsOf, typedOutputs, withPoint } from './freeCurve';
import { hasStop, stopById, type EscProfile } from './profile';
import { valueOnScale } from './scale';
import { smallProfile } from './smallProfile.fixture';
import { VOCABULARY } from '../settings/vocabulary';

const five = { points: 5 };

describe('a curve that is drawn', () => {
  it('comes back from its id as it was drawn', () => {
    expect(outputsOf(five, curveStopId([0, 12, 30, 55, 100]))).toEqual([0, 12, 30, 55, 100]);
    expect(outputsOf(five, 'curve-0-12-30-55')).toBeUndefined();
    expect(outputsOf(five, 'curve-0-12-11-55-100')).toBeUndefined();
    expect(outputsOf(five, 'curve-0-12-30-55-101')).toBeUndefined();
    expect(outputsOf(five, 'leap-2')).toBeUndefined();
  });

  it('says what is wrong with what is typed', () => {
    expect(curveFault(five, typedOutputs('0, 12; 30 55 100'))).toBeUndefined();
    expect(curveFault(five, typedOutputs('0 12 30'))).toContain('has 5 points, but you typed 3');
    expect(curveFault(five, typedOutputs('0 12 8 55 100'))).toContain('Point 3 is lower than');
    expect(curveFault(five, typedOutputs('0 12 30 55 120'))).toContain('Point 5 is 120');
  });

  it('never falls, whichever point is moved where', () => {
    const drawn = fc
      .array(fc.nat(100), { minLength: 5, maxLength: 5 })
      .map((all) => all.toSorted((a, b) => a - b));
    fc.assert(
      fc.property(drawn, fc.nat(4), fc.integer({ min: -50, max: 150 }), (outputs, at, to) => {
        const moved = withPoint(outputs, at, to);
        expect(curveFault(five, moved)).toBeUndefined();
        expect(moved[at]).toBe(Math.min(100, Math.max(0, to)));
      }),
    );
  });

  it('is felt as it is drawn, both ends as well', () => {
    const curve = curveOfValue(curveValue([5, 10, 30, 60, 80]));
    expect([0, 0.25, 0.5, 0.75, 1].map((trigger) => Math.round(100 * onCurve(curve, trigger)))).toEqual([
      5, 10, 30, 60, 80,
    ]);
  });

  it('is a stop like any other, and only a form takes it', () => {
    const profile: EscProfile = smallProfile();
    const item = { ...profile.items[1]!, setting: 'throttleCurve' as const, freeCurve: five };
    expect(hasStop(item, 'curve-0-12-30-55-100')).toBe(true);
    expect(stopById(item, 'curve-0-12-30-55-100').label).toBe('0 12 30 55 100');
    expect(() => stopById(item, 'curve-0-12')).toThrow();
    const items = profile.items.map((one) => (one.id === item.id ? item : one));
    expect(
      validateProfile({ ...profile, items })
        .map(({ sentence }) => sentence)
        .join(),
    ).toContain('only a form in another program can set it');
  });
});

it('an exponent bends a curve: two leaves a quarter at half, one is straight', () => {
  const half = (exponent: number): number =>
    onCurve(curveOfValue(valueOnScale(VOCABULARY.throttleCurve, 'exponent', exponent)), 0.5);
  expect([half(1), half(2), half(0.5)].map((output) => Number(output.toFixed(4)))).toEqual([
    0.5, 0.25, 0.7071,
  ]);
});
