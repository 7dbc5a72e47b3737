import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { triggerChain } from '../physics/triggerChain';
import { commandOf, runMotor, STANDING, type SimulatedMotor } from './simulatedMotor';

const profile = smallProfile();
const chain = (stops: Record<string, string> = {}) =>
  triggerChain(profile, { ...factoryStops(profile), ...stops });
/** The motor after a row of moments: the signal, and for how long it lasted. */
const after = (
  by: ReturnType<typeof chain>,
  ...moments: [signal: number, lastedS: number][]
): SimulatedMotor =>
  moments.reduce((motor, [signal, lastedS]) => runMotor(by, motor, signal, lastedS), STANDING);

describe('the motor on the bench', () => {
  it('turns while it is pulled, and runs out in a second when let go', () => {
    const by = chain();
    expect(after(by, [1, 0.1]).turning).toBe(1);
    expect(after(by, [1, 0.1], [0, 0.9]).turning).toBe(1);
    expect(after(by, [1, 0.1], [0, 0.5], [0, 0.6]).turning).toBe(0);
    expect(after(by, [1, 5], [0, 1.1]).turning).toBe(0);
  });

  it('stands sooner when it is braked', () => {
    const by = chain();
    expect(after(by, [1, 0.1], [-1, 0.2]).turning).toBe(1);
    expect(after(by, [1, 0.1], [-1, 0.4]).turning).toBe(0);
  });

  it('turns backwards only where the ESC backs up', () => {
    const both = chain({ way: 'way-2' });
    expect(after(both, [-1, 0.1]).turning).toBe(-1);
    expect(after(chain(), [-1, 0.1]).turning).toBe(0);
    expect(after(both, [1, 0.1], [-1, 0.1])).toMatchObject({ turning: 1, direction: { going: 'brake' } });
  });

  it('is asked for duty forward and backward, for the brake’s strength, and for drag at rest', () => {
    const by = chain({ bite: 'bite-4' });
    const driving = after(by, [1, 0.1]);
    expect(commandOf(by, driving, 1)).toEqual({ going: 'forward', share: 1 });
    const braking = after(by, [1, 0.1], [-1, 0.1]);
    expect(commandOf(by, braking, -1)).toEqual({ going: 'brake', share: 0.8 });
    const { going, share } = commandOf(
      chain({ way: 'way-2' }),
      after(chain({ way: 'way-2' }), [-1, 0.1]),
      -0.5,
    );
    expect([going, share > 0]).toEqual(['reverse', true]);
    expect(commandOf({ ...by, dragBrake: 0.12 }, STANDING, 0)).toEqual({ going: 'neutral', share: 0.12 });
  });
});
