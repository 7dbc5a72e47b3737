import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { defaultRig } from '../rig/defaults';
import { withQuantity } from '../rig/fields';
import { guessesOf } from '../rig/spreads';
import { whatNumbersRestOn } from './assumptions';
import { plainEsc } from '../physics/behaviour.fixture';

const buggy = { ...defaultRig('tenthBuggy'), name: 'Test' };
const resting = (rig: typeof buggy, number: string): string[] =>
  whatNumbersRestOn('launch', rig, smallProfile(), plainEsc())
    .find((one) => one.number.id === number)!
    .assumed.map(({ label }) => label);

describe('what a number rests on', () => {
  it('a launch rests on grip, a stalled pack on resistances, and neither on air drag for five metres', () => {
    expect(resting(buggy, 'to5')).toContain('grip');
    expect(resting(buggy, 'stalled')).toEqual(
      expect.arrayContaining(['pack resistance', 'motor resistance']),
    );
    expect(resting(buggy, 'stalled')).not.toContain('grip');
  });

  it('a measured number is no longer among the assumptions', () => {
    const measured = withQuantity(buggy, 'vehicle.grip', { value: 0.6, basis: 'measured' });
    expect(guessesOf(measured)).toHaveLength(guessesOf(buggy).length - 1);
    expect(resting(measured, 'to5')).not.toContain('grip');
  });

  it('heat rests on how well motor and ESC are cooled, and all of a stint on how hard it is driven', () => {
    const stint = whatNumbersRestOn('stint', buggy, smallProfile(), plainEsc());
    const of = (id: string) =>
      stint.find(({ number }) => number.id === id)!.assumed.map(({ label }) => label);
    expect(of('can')).toContain('how well the motor is cooled');
    expect(of('esc')).toContain('how well the ESC is cooled');
    for (const id of ['runs', 'perMinute', 'can', 'speed'])
      expect(of(id)).toContain('how hard the lap is driven');
  });
});
