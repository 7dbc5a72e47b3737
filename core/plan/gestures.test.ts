import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { actAll, factoryMemory, placeOnBench } from '../device/simulatedEsc';
import { MEDIA } from '../esc/media';
import { handMediumOf, type EscProfile } from '../esc/profile';
import { cardProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import { escMachine } from '../procedure/escMachine';
import type { Input } from '../procedure/language';
import { initialConfig } from '../procedure/step';
import { choreographyMs, choreographyOf } from './choreography';
import { gesturesOf, type Gesture } from './gestures';
import { legsFor, planLegs } from './loadPlan';

const tap: Input[] = [
  { type: 'down', key: 'set' },
  { type: 'up', key: 'set' },
];
const holdFor = (ms: number): Input[] => [tap[0]!, { type: 'elapsed', ms }, tap[1]!];
const on: Input[] = [
  { type: 'power', on: true },
  { type: 'elapsed', ms: 2000 },
];

function gestures(profile: EscProfile, inputs: Input[], stickMicros = 1500): Gesture[] {
  const machine = escMachine(profile);
  return gesturesOf(machine, initialConfig(machine, factoryMemory(profile), stickMicros), inputs);
}

describe('what a hand does, in one go', () => {
  it('down and up are a press, several of one key a count, and time between them a hold', () => {
    const made = gestures(smallProfile(), [...on, ...holdFor(2500), ...tap, ...tap, ...tap]);
    expect(made.map(({ kind }) => kind)).toEqual(['power', 'hold', 'press']);
    expect(made[1]).toMatchObject({ key: 'set', ms: 2500 });
    expect(made[2]).toMatchObject({ key: 'set', count: 3, inputs: [...tap, ...tap, ...tap] });
  });

  it('presses of different keys are told apart', () => {
    const key = (id: 'item' | 'value'): Input[] => [
      { type: 'down', key: id },
      { type: 'up', key: id },
    ];
    const awake: Input[] = [
      { type: 'card', in: true },
      { type: 'power', on: true },
      { type: 'elapsed', ms: 5000 },
    ];
    const made = gestures(cardProfile(), [...awake, ...key('item'), ...key('value'), ...key('value')]);
    const presses = made.flatMap((one) => (one.kind === 'press' ? [[one.key, one.count]] : []));
    expect(presses).toEqual([
      ['item', 1],
      ['value', 2],
    ]);
  });

  it('of several presses, what is seen is what the last of them shows', () => {
    const inMenu = [...on, ...holdFor(1000)];
    const [, , one] = gestures(smallProfile(), [...inMenu, ...tap]);
    const [, , two] = gestures(smallProfile(), [...inMenu, ...tap, ...tap]);
    expect(one!.end.itemCursor).toBe(0);
    expect(two!.end.itemCursor).toBe(1);
    expect(two!.observed).toContainEqual(expect.objectContaining({ of: 'item', count: 2 }));
    expect(two!.observed).not.toContainEqual(expect.objectContaining({ of: 'item', count: 1 }));
  });

  it('a key held while it is switched on is one move of two hands', () => {
    const [made] = gestures(smallProfile(), [
      tap[0]!,
      { type: 'power', on: true },
      { type: 'elapsed', ms: 3000 },
      tap[1]!,
    ]);
    expect(made).toMatchObject({ kind: 'holdAndSwitchOn', ms: 3000 });
    expect(made!.inputs).toHaveLength(4);
  });

  it('waiting for a group of notes belongs to the move that it is waited for', () => {
    const made = gestures(
      toneProfile(),
      [...on, { type: 'elapsed', ms: 5000 }, { type: 'stick', micros: 1000 }],
      2000,
    );
    const move = made.at(-1)!;
    expect(move).toMatchObject({ kind: 'stick', micros: 1000 });
    if (move.kind !== 'stick') throw new Error('no stick moved');
    expect(move.afterMs).toBeGreaterThan(0);
    expect(move.during?.type).toBe('group');
    // It would be missed otherwise: the group ends by itself.
    expect(move.withinMs).toBeGreaterThan(0);
  });
});

const byHand = ARCHETYPES.flatMap(({ profile }) => {
  const medium = handMediumOf(profile);
  return medium ? [[medium.family, profile] as const] : [];
});

describe.each(byHand)('gestures of a plan by %s', (family, profile) => {
  const machine = escMachine(profile);
  const stick = profile.factoryRange;
  const start = initialConfig(machine, factoryMemory(profile), stick.neutralMicros);
  const changes = profile.items.slice(0, 3).map(({ id, stops, factoryStopId }) => ({
    itemId: id,
    fromStopId: factoryStopId,
    toStopId: stops.find((stop) => stop.id !== factoryStopId)!.id,
  }));
  const { legs } = found(
    planLegs(machine, start, legsFor(changes, MEDIA[family].showsStored), stick, family),
  );
  const all = legs.flatMap((leg) => leg.gestures);

  it('leave out nothing and add nothing', () => {
    expect(all.flatMap(({ inputs }) => inputs)).toEqual(legs.flatMap(({ inputs }) => inputs));
  });

  it('each ends where the ESC is when it was done', () => {
    let esc = placeOnBench(profile, factoryMemory(profile), stick.neutralMicros);
    for (const { inputs, end } of all) {
      esc = actAll(esc, inputs).esc;
      expect(esc.config.state).toBe(end.state);
      expect([esc.config.itemCursor, esc.config.stopCursor]).toEqual([end.itemCursor, end.stopCursor]);
    }
  });

  it('played, each begins when the one before has ended', () => {
    const beats = choreographyOf(all);
    for (const [n, { atMs, lengthMs }] of beats.entries()) {
      expect(lengthMs).toBeGreaterThan(0);
      expect(beats[n + 1]?.atMs ?? choreographyMs(beats)).toBe(atMs + lengthMs);
    }
    expect(choreographyMs([])).toBe(0);
  });

  it('played, no move comes later than its window is open', () => {
    for (const { gesture, lengthMs } of choreographyOf(all)) {
      if (gesture.kind === 'stick' && gesture.withinMs !== undefined)
        expect(lengthMs).toBeLessThanOrEqual(gesture.afterMs + gesture.withinMs + gesture.keepMs);
    }
  });
});
