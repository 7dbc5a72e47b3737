import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { factoryMemory } from '../device/simulatedEsc';
import { MEDIA } from '../esc/media';
import { handMediumOf, type EscProfile } from '../esc/profile';
import { cardProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf, type ThrottleChannel } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import { countQuestion, instructionFor, shortLine } from './instruction';
import { keyName } from './keyNames';
import { legsFor, planLegs, planRestart } from './loadPlan';

const car: ThrottleChannel = defaultRig('tenthBuggy').channel;
const plane: ThrottleChannel = defaultRig('sportPlane').channel;

/** Everything that the hand is told for one change of the brake, and for getting back to driving. */
function told(profile: EscProfile, channel: ThrottleChannel) {
  const stick = rangeOf(channel);
  const machine = escMachine(profile);
  const start = initialConfig(machine, { ...factoryMemory(profile), range: stick }, stick.neutralMicros);
  const shows = MEDIA[handMediumOf(profile)!.family].showsStored;
  const change = { itemId: 'bite', fromStopId: 'bite-2', toStopId: 'bite-4' };
  const load = found(
    planLegs(machine, start, legsFor([change], shows), stick, handMediumOf(profile)!.family),
  );
  const restart = found(planRestart(machine, load.end, stick, handMediumOf(profile)!.family));
  const gestures = [...load.legs.flatMap((leg) => leg.gestures), ...restart.gestures];
  return {
    lines: gestures.map((gesture) => shortLine(profile, channel, gesture)),
    instructions: gestures.map((gesture) => instructionFor(profile, channel, gesture)),
  };
}

describe('what the hand is told', () => {
  it('by one key: count, open, step, store; then open again and count back', () => {
    expect(told(smallProfile(), car).lines).toEqual([
      'Switch the ESC on.',
      'Hold set until the amber lamp blinks.',
      'Press set three times.',
      'Hold set until it flashes white.',
      'Press set twice.',
      'Hold set until one long beep.',
      'Switch the ESC off.',
      'Switch the ESC on.',
      'Hold set until the amber lamp blinks.',
      'Press set three times.',
      'Hold set until it flashes white.',
      'Switch the ESC off.',
      'Switch the ESC on.',
    ]);
  });

  it('by a card: in before the battery, ok for every value, out again at the end', () => {
    expect(told(cardProfile(), car).lines).toEqual([
      'Push the card into its socket.',
      'Switch the ESC on.',
      'Press item twice.',
      'Press value twice.',
      'Press ok once.',
      'Press item four times.',
      'Switch the ESC off.',
      'Pull the card out.',
      'Switch the ESC on.',
    ]);
  });

  it('by the stick: during which notes to move it', () => {
    expect(told(toneProfile(), plane).lines).toEqual([
      'Stick all the way up.',
      'Switch the ESC on.',
      'Stick all the way down during item 3, “bite”.',
      'Stick all the way up during “80 %”.',
      'Switch the ESC off.',
      'Stick all the way down.',
      'Switch the ESC on.',
    ]);
  });

  it('says at each count where it must end, and what that is', () => {
    const { instructions } = told(smallProfile(), car);
    expect(instructions[2]).toMatchObject({ count: 3 });
    expect(instructions[2]!.detail).toContain('It must end at three: “bite”.');
    expect(instructions[4]!.detail).toContain('It must end at four: “80 %”.');
  });

  it('on a card says which lamp, and that nothing is stored before ok', () => {
    const { instructions } = told(cardProfile(), car);
    expect(instructions[2]!.detail).toContain('beside three, “bite”');
    expect(instructions[3]!.detail).toContain('The row must end at four: “80 %”. Nothing is stored yet.');
    expect(instructions[4]!.detail).toContain('One long beep means stored.');
  });

  it('with the stick gives the notes, when they come and how long they last', () => {
    const { instructions } = told(toneProfile(), plane);
    expect(instructions[2]).toMatchObject({
      notes: 'llh',
      timing: { afterMs: 5000 + 2 * 3000, withinMs: 3000 },
    });
    expect(instructions[3]).toMatchObject({ notes: 'hhll', timing: { afterMs: 6000, withinMs: 2000 } });
    expect(instructions[3]!.detail).toContain('A tune means stored.');
  });

  it('asks for what the medium shows, and never asks a tone menu', () => {
    expect(countQuestion(handMediumOf(smallProfile())!)).toBe('How many white flashes?');
    expect(countQuestion(handMediumOf(cardProfile())!)).toBe('Which lamp of the row is lit?');
    expect(() => countQuestion(handMediumOf(toneProfile())!)).toThrow('cannot show');
  });

  it('names the keys as they are printed, and none that is not there', () => {
    const printed = cardProfile();
    printed.media = [{ ...(printed.media[0] as { family: 'lampCard' }), okKeyName: 'keep' } as never];
    expect(keyName(printed, 'ok')).toBe('keep');
    expect(keyName(printed, 'set')).toBe('set');
    expect(() => keyName(toneProfile(), 'set')).toThrow('has no set key');
  });
});

describe('how long to hold, and how soon to move', () => {
  const moved = (profile: EscProfile, channel: ThrottleChannel, change: object) => {
    const micros = rangeOf(channel).forwardMicros;
    const at = initialConfig(
      escMachine(profile),
      { ...factoryMemory(profile), range: rangeOf(channel) },
      micros,
    );
    const inputs = [{ type: 'stick', micros } as const];
    const gesture = {
      kind: 'stick',
      micros,
      during: undefined,
      withinMs: undefined,
      afterMs: 0,
      keepMs: 0,
    } as const;
    const rest = { observed: [], inputs, gate: false, end: at, at };
    return instructionFor(profile, channel, { ...gesture, ...rest, ...change });
  };

  it('a window is named, and none where there is none', () => {
    expect(moved(toneProfile(), plane, { withinMs: 3000 })).toMatchObject({
      detail: expect.stringContaining('Within 3 s, or the ESC goes on without it.') as string,
      timing: { afterMs: 0, withinMs: 3000 },
    });
    const free = moved(toneProfile(), plane, {});
    expect(free.detail).not.toContain('Within');
    expect(free.timing).toBeUndefined();
  });

  it('a pulse that is no end is named, to a µs', () => {
    expect(moved(smallProfile(), car, { micros: 1600.6 }).before).toBe('Bring the throttle to 1601 µs.');
  });

  it('held where a point is taken, with what tells that it was', () => {
    const chime = [{ type: 'tone', tone: 'tune' }];
    const held = moved(smallProfile(), car, { keepMs: 1500, observed: chime });
    expect(held.detail).toContain('Hold it still for about 1.5 s.');
    const beeps = (count: number) => {
      const observed = Array.from({ length: count }, () => ({ type: 'tone', tone: 'short' }));
      return moved(smallProfile(), car, { keepMs: 1500, observed }).detail;
    };
    const seen = (...observed: object[]) =>
      moved(smallProfile(), car, { keepMs: 1500, observed: [{ type: 'tone', tone: 'short' }, ...observed] })
        .detail;
    expect(seen({ type: 'tone', tone: 'warning' })).toContain('One short beep');
    expect(seen({ type: 'lamp', lamp: 'amber', pattern: 'blinking' })).not.toContain('stays lit');
    expect(seen({ type: 'lamp', lamp: 'amber', pattern: 'on' })).toContain('The amber lamp stays lit');
    expect([beeps(1), beeps(2)]).toEqual([
      expect.stringContaining('One short beep: the point'),
      expect.stringContaining('Two short beeps: the point'),
    ]);
    expect(moved(smallProfile(), car, { keepMs: 0, observed: chime }).detail).not.toContain('hold it still');
    expect(moved(smallProfile(), car, { keepMs: 1500, observed: [] }).detail).not.toContain('hold it still');
  });
});
