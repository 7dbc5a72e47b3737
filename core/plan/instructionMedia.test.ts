import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { factoryMemory } from '../device/simulatedEsc';
import { MEDIA } from '../esc/media';
import { handMediumOf, itemForSetting, type EscProfile } from '../esc/profile';
import { escMachine } from '../procedure/escMachine';
import { initialConfig } from '../procedure/step';
import { rangeOf } from '../radio/pulse';
import { defaultRig } from '../rig/defaults';
import type { SettingId } from '../settings/vocabulary';
import { countQuestion, instructionFor, shortLine } from './instruction';
import { keysOf } from './keyNames';
import { legsFor, planLegs } from './loadPlan';

/** What the hand is told for one change on an archetype. */
function told(id: string, setting: SettingId, toPlace: number) {
  const { profile, serves } = ARCHETYPES.find(({ profile: p }) => p.id === id)!;
  const { channel } = defaultRig(serves[0]!);
  const stick = rangeOf(channel);
  const item = itemForSetting(profile, setting)!;
  const machine = escMachine(profile);
  const start = initialConfig(machine, { ...factoryMemory(profile), range: stick }, stick.neutralMicros);
  const change = { itemId: item.id, fromStopId: item.factoryStopId, toStopId: item.stops[toPlace - 1]!.id };
  const load = found(
    planLegs(
      machine,
      start,
      legsFor([change], MEDIA[handMediumOf(profile)!.family].showsStored),
      stick,
      handMediumOf(profile)!.family,
    ),
  );
  const gestures = load.legs.flatMap((leg) => leg.gestures);
  return {
    lines: gestures.map((gesture) => shortLine(profile, channel, gesture)),
    details: gestures.map((gesture) => instructionFor(profile, channel, gesture).detail),
  };
}
const medium = (id: string) => handMediumOf(ARCHETYPES.find(({ profile }) => profile.id === id)!.profile)!;

describe('what the hand is told, by medium', () => {
  it('two keys: open, step, show, raise, and then hands off until it is stored', () => {
    const { lines, details } = told('pattern-two-keys', 'advance', 3);
    expect(lines.slice(0, 4)).toEqual([
      'Switch the ESC on.',
      'Press step six times.',
      'Press raise twice.',
      'Wait 3 s.',
    ]);
    expect(details[2]).toContain('“10°”');
    expect(details[3]).toBe('Touch nothing until one long beep: stored.');
  });

  it('a box: plug it in while all is off, go the short way round, keep', () => {
    const { lines, details } = told('pattern-text-box', 'escTemperatureLimit', 2);
    expect(lines).toEqual([
      'Plug the box in.',
      'Switch the ESC on.',
      'Press up once.',
      'Press less once.',
      'Press keep once.',
    ]);
    expect(details[0]).toContain('Unplug the fan');
    expect(details[1]).toBe('After a second the box shows its first item, “Driving”.');
    expect(details[2]).toBe('The box must show “Heat stop”, and what it is on now.');
    expect(details[4]).toContain('stored');
  });

  it('a key pad: nothing drives while it listens; item, value, enter', () => {
    const { lines, details } = told('pattern-key-pad', 'becVolts', 13);
    expect(lines).toEqual([
      'Switch the ESC on.',
      'Press change once.',
      'Press what once.',
      'Type 0\u00a01\u00a01.',
      'Type 0\u00a07\u00a04.',
      'Press take once.',
    ]);
    expect(details[3]).toContain('item 11, “Servo volts”');
    expect(details[4]).toContain('“7.4 V”');
  });

  it('a menu on the transmitter: what needs it is asked about once more', () => {
    const { lines, details } = told('pattern-transmitter-menu', 'becVolts', 3);
    expect(lines.filter((line) => line.startsWith('Press enter'))).not.toEqual([]);
    expect(details.join('\n')).toContain('stored');
    expect(lines[1]).toBe('Press model once.');
  });

  it('a toggle: down during the item, and it is at its other stop', () => {
    const { lines, details } = told('pattern-stick-toggle', 'cutoff', 2);
    expect(lines.at(-1)).toBe('Stick all the way down during item 2, “Low volts”.');
    expect(details.at(-1)).toContain('other stop');
  });

  it('what is shown is asked in the words of what shows it', () => {
    expect(countQuestion(medium('pattern-text-box'))).toBe('What does the box show?');
    expect(countQuestion(medium('pattern-transmitter-menu'))).toBe('What does the transmitter show?');
    expect(countQuestion(medium('pattern-two-keys'))).toBe('Which lamp of the lower lamps is lit?');
    expect(() => countQuestion(medium('pattern-key-pad'))).toThrow('cannot show');
    expect(() => countQuestion(medium('pattern-stick-toggle'))).toThrow('cannot show');
  });

  it('every medium names its keys, and the stick needs none', () => {
    const keys = (profile: EscProfile): number => Object.keys(keysOf(handMediumOf(profile)!)).length;
    const counts = ARCHETYPES.filter(({ profile }) => handMediumOf(profile)).map(({ profile }) =>
      keys(profile),
    );
    expect(counts.toSorted((a, b) => a - b)).toEqual([0, 0, 1, 2, 4, 4, 5, 5, 6]);
  });
});
