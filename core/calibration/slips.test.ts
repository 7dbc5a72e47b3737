import { describe, expect, it } from 'vitest';
import { act, factoryMemory, placeOnBench, type SimulatedEsc } from '../device/simulatedEsc';
import type { EscProfile } from '../esc/profile';
import {
  countedPointsProfile,
  heldStillProfile,
  smallProfile,
  toneProfile,
  withLock,
} from '../esc/smallProfile.fixture';
import type { EscMemory, Input } from '../procedure/language';
import { defaultRig } from '../rig/defaults';
import { learnedSlip, loweredSlip, slipOf, type Slip } from './slips';

const CAR = defaultRig('tenthBuggy').channel;
const PLANE = defaultRig('sportPlane').channel;

/** Works an ESC and collects what the guide would say on the way. */
function walk(
  profile: EscProfile,
  inputs: Input[],
  { held = false, memory = factoryMemory(profile) }: { held?: boolean; memory?: EscMemory } = {},
): Slip['id'][] {
  const channel = profile.calibration.family === 'stickAtPowerOn' ? PLANE : CAR;
  let esc: SimulatedEsc = placeOnBench(profile, memory, memory.range.neutralMicros);
  const slips: Slip['id'][] = [];
  for (const input of inputs) {
    const next = act(esc, input);
    const slip = slipOf({
      profile,
      machine: esc.machine,
      channel,
      held,
      before: esc.config,
      after: next.esc.config,
    });
    if (slip && next.observed.length > 0) slips.push(slip.id);
    esc = next.esc;
  }
  return slips;
}

const on: Input = { type: 'power', on: true };
const wait = (ms: number): Input => ({ type: 'elapsed', ms });
const stick = (micros: number): Input => ({ type: 'stick', micros });
const down = (key: 'set' | 'mode'): Input => ({ type: 'down', key });
const up = (key: 'set' | 'mode'): Input => ({ type: 'up', key });
const press = (): Input[] => [down('set'), up('set')];
const KEYED = [down('set'), on, wait(3000), up('set')];
const HELD_STILL = [on, wait(2000), down('mode'), wait(2000), up('mode'), wait(1000)];

describe('the traps of calibrating, each walked into', () => {
  it('the stick left up past the window falls into the tone menu', () => {
    expect(walk(toneProfile(), [stick(2000), on, wait(2000), wait(5000)])).toEqual(['fellIntoToneMenu']);
  });

  it('a throttle hold never lets full through: by key', () => {
    expect(walk(smallProfile(), [...KEYED, ...press(), ...press()], { held: true })).toEqual(['held']);
  });

  it('a throttle hold never lets full through: by holding still', () => {
    expect(walk(heldStillProfile(), [...HELD_STILL, wait(15000)], { held: true })).toEqual(['held']);
  });

  it('a throttle hold never lets full through: with the stick up', () => {
    expect(walk(toneProfile(), [on, wait(2000)], { held: true })).toEqual(['held']);
    expect(walk(toneProfile(), [on, wait(2000)])).toEqual([]);
  });

  it('a point taken while the throttle was not at its end', () => {
    const half = [...KEYED, ...press(), stick(1760), ...press(), stick(1000), ...press()];
    expect(walk(smallProfile(), half)).toEqual(['notAtItsEnd']);
    const halfHeld = [...HELD_STILL, stick(1760), wait(1000), stick(1000), wait(1000)];
    expect(walk(heldStillProfile(), halfHeld)).toEqual(['notAtItsEnd']);
  });

  it('the wrong order', () => {
    const exchanged = [...KEYED, ...press(), stick(1000), ...press(), stick(2000), ...press()];
    expect(walk(smallProfile(), exchanged)).toEqual(['exchanged']);
    const begin: Input[] = [on, wait(2000), down('mode'), wait(2000), up('mode')];
    const forwardFirst = [...begin, ...[2000, 1000, 1500].flatMap((p) => [stick(p), wait(1000)])];
    expect(walk(countedPointsProfile(), forwardFirst)).toEqual(['exchanged']);
    const refusing = countedPointsProfile({ wrongOrder: 'refused' });
    expect(walk(refusing, forwardFirst)[0]).toBe('refused');
  });

  it('an end that was not pulled is refused', () => {
    expect(walk(smallProfile(), [...KEYED, ...press(), stick(1560), ...press()])).toEqual(['refused']);
    expect(walk(heldStillProfile(), [...HELD_STILL, stick(1580), wait(1000)])).toEqual(['refused']);
  });

  it('left alone, the ESC gives up', () => {
    expect(walk(heldStillProfile(), [...HELD_STILL, wait(15000)])).toEqual(['gaveUp']);
  });

  it.each([
    ['key while switching on', smallProfile(), [down('set'), on]],
    ['key on a running ESC', countedPointsProfile(), [on, wait(2000), down('mode')]],
    ['stick up', toneProfile(), [stick(2000), on, wait(2000), wait(200)]],
  ] as const)('a locked calibration: %s', (_name, profile, inputs) => {
    const locked = withLock(profile);
    const memory = factoryMemory(locked);
    const stops = { ...memory.stops, lock: 'lock-2' };
    expect(walk(locked, [...inputs], { memory: { ...memory, stops } })).toEqual(['locked']);
  });

  it('end points lowered before calibrating', () => {
    expect(loweredSlip({ ...CAR, forwardEndPointPercent: 80 })).toMatchObject({ id: 'endPointsLowered' });
    expect(loweredSlip(CAR)).toBeUndefined();
    expect(loweredSlip({ ...CAR, brakeEndPointPercent: 99 })?.title).toBe('An end point is at 99 %.');
    expect(loweredSlip({ ...CAR, forwardEndPointPercent: 80 })?.sentence).toContain('Then lower it again');
    expect(loweredSlip({ ...PLANE, forwardEndPointPercent: 80 })?.sentence).toContain(
      'lower the upper one again',
    );
  });

  it('a calibration as it should be is no slip', () => {
    const right = [...KEYED, ...press(), stick(2000), ...press(), stick(1000), ...press()];
    expect(walk(smallProfile(), right)).toEqual([]);
  });

  it('a point that is off by no more than any radio trembles is no slip', () => {
    const learned = (neutralMicros: number) => ({ brakeMicros: 1000, neutralMicros, forwardMicros: 2000 });
    expect(learnedSlip(smallProfile(), CAR, learned(1502))).toBeUndefined();
    expect(learnedSlip(smallProfile(), CAR, learned(1503))?.sentence).toContain('neutral by 3 µs');
  });

  it('an end is taken from the least span on, and no nearer', () => {
    const { leastSpanMicros } = smallProfile().calibration as { leastSpanMicros: number };
    const forwardAt = (micros: number) => [...KEYED, ...press(), stick(micros), ...press()];
    expect(walk(smallProfile(), forwardAt(1500 + leastSpanMicros))).toEqual([]);
    expect(walk(smallProfile(), forwardAt(1500 + leastSpanMicros - 1))).toEqual(['refused']);
    // The ends must lie two spans apart, and neutral between them.
    const brakeAt = (micros: number) => [...forwardAt(1500 + leastSpanMicros), stick(micros), ...press()];
    expect(walk(smallProfile(), brakeAt(1500 - leastSpanMicros + 1))).toContain('refused');
    expect(walk(smallProfile(), brakeAt(1500 + 3 * leastSpanMicros))).toContain('refused');
    expect(walk(smallProfile(), brakeAt(1500 - leastSpanMicros))).not.toContain('refused');
  });

  it('says by how much a point is off', () => {
    const learned = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 1760 };
    expect(learnedSlip(smallProfile(), CAR, learned)?.sentence).toContain('full forward by 240 µs');
  });
});
