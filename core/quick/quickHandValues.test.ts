import { describe, expect, it } from 'vitest';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import { readQuickHandValue } from './quickHandValues';

const buggy: Rig = (() => {
  const rig = defaultRig('tenthBuggy');
  if (rig.vehicle.kind !== 'wheels') throw new Error('a buggy has wheels');
  const gearing = { spurTeeth: 58, pinionTeeth: 20, internalRatio: 3 };
  return { ...rig, vehicle: { ...rig.vehicle, gearing } };
})();

describe('a quick line for what is not on the ESC', () => {
  it.each([
    ['pinion 17', 'pinionTeeth', 17],
    ['Pinion teeth 17 teeth', 'pinionTeeth', 17],
    ['cells 3', 'packCells', 3],
    ['mah 4000', 'packCapacityMah', 4000],
    ['end point 90 %', 'forwardEndPointPercent', 90],
    ['brake end-point 80%', 'brakeEndPointPercent', 80],
    ['  brake   end point  80 ', 'brakeEndPointPercent', 80],
  ] as const)('“%s” is %s %d', (typed, key, value) => {
    expect(readQuickHandValue(buggy, typed)).toEqual({ kind: 'byHand', key, value });
  });

  it('a name alone says what it is and what it can be', () => {
    expect(readQuickHandValue(buggy, 'pinion')).toEqual({
      kind: 'byHandNamed',
      key: 'pinionTeeth',
      sentence: 'Pinion is 20\u00a0teeth; it can be 1 to 200.',
    });
    expect(readQuickHandValue(buggy, 'pinion 0')?.kind).toBe('byHandNamed');
    expect(readQuickHandValue(buggy, 'cells 40')?.kind).toBe('byHandNamed');
  });

  it.each(['brake 50', 'wings 2', '', '17', 'pinion 17 18'])('“%s” names none of them', (typed) => {
    expect(readQuickHandValue(buggy, typed)).toBeUndefined();
  });

  it('what the rig does not have is not named', () => {
    expect(readQuickHandValue(defaultRig('sportPlane'), 'pinion 17')).toBeUndefined();
    expect(readQuickHandValue(defaultRig('sportPlane'), 'brake end point 80')).toBeUndefined();
  });
});
