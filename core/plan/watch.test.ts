import { found } from './found.fixture';
import { describe, expect, it } from 'vitest';
import { act, placeOnBench } from '../device/simulatedEsc';
import { factoryStops, handMediumOf, type StopByItem } from '../esc/profile';
import { cardProfile, smallProfile, toneProfile } from '../esc/smallProfile.fixture';
import type { Observed } from '../procedure/language';
import { escMachine } from '../procedure/escMachine';
import { stateOf } from '../procedure/step';
import { planLegs } from './loadPlan';
import { NOTHING_SEEN, shownStored, watch } from './watch';

const flashes = (of: 'item' | 'stop', count: number): Observed => ({
  type: 'count',
  lamp: 'white',
  of,
  how: 'flashes',
  count,
});
const lit = (of: 'item' | 'stop', count: number): Observed =>
  ({ ...flashes(of, count), how: 'lit' }) as Observed;
const group = (of: 'item' | 'stop' | 'exit', notes: string): Observed => ({ type: 'group', of, notes });
const tone = (name: 'long' | 'tune' | 'reset' | 'short'): Observed => ({ type: 'tone', tone: name });

describe('what eyes and ears make of an ESC', () => {
  it('a long beep stores the stop flashed last for the item flashed last', () => {
    const { stored, watched } = watch(smallProfile(), NOTHING_SEEN, [
      flashes('item', 2),
      flashes('item', 3),
      flashes('stop', 2),
      flashes('stop', 5),
      tone('long'),
    ]);
    expect(stored).toEqual([{ itemId: 'bite', stopId: 'bite-5' }]);
    expect(watched).toEqual(NOTHING_SEEN);
  });

  it('remembers from one look to the next', () => {
    const first = watch(smallProfile(), NOTHING_SEEN, [flashes('item', 4), flashes('stop', 3)]);
    expect(watch(smallProfile(), first.watched, [tone('long')]).stored).toEqual([
      { itemId: 'floor', stopId: 'floor-3' },
    ]);
  });

  it('a new item forgets the stop of the one before', () => {
    const seen = [flashes('item', 3), flashes('stop', 4), flashes('item', 4), tone('long')];
    expect(watch(smallProfile(), NOTHING_SEEN, seen).stored).toEqual([]);
  });

  it('a short beep stores nothing', () => {
    const seen = [flashes('item', 3), flashes('stop', 4), tone('short')];
    expect(watch(smallProfile(), NOTHING_SEEN, seen).stored).toEqual([]);
  });

  it('reads the lamps of a card, and knows that a reset restores every factory value', () => {
    const profile = cardProfile();
    expect(watch(profile, NOTHING_SEEN, [lit('item', 3), lit('stop', 4), tone('long')]).stored).toEqual([
      { itemId: 'bite', stopId: 'bite-4' },
    ]);
    const reset = watch(profile, NOTHING_SEEN, [tone('reset')]).stored;
    expect(Object.fromEntries(reset.map(({ itemId, stopId }) => [itemId, stopId]))).toEqual(
      factoryStops(profile),
    );
  });

  it('hears which item and stop a group of notes stands for', () => {
    const seen = [
      group('item', 'lhh'),
      group('item', 'llh'),
      group('stop', 'hl'),
      group('stop', 'hll'),
      tone('tune'),
    ];
    expect(watch(toneProfile(), NOTHING_SEEN, seen).stored).toEqual([{ itemId: 'bite', stopId: 'bite-2' }]);
  });

  it('the way out of a tone menu is no item', () => {
    const seen = [group('exit', 'LL'), group('stop', 'hl'), tone('tune')];
    expect(watch(toneProfile(), NOTHING_SEEN, seen).stored).toEqual([]);
  });
});

describe.each([
  ['one key', smallProfile()],
  ['a card', cardProfile()],
])('what is shown as stored by %s', (_, profile) => {
  const machine = escMachine(profile);
  const stick = profile.factoryRange;
  const stops: StopByItem = { ...factoryStops(profile), bite: 'bite-5', floor: 'floor-1' };

  it('is what the ESC holds of the item that is open, and of no other moment', () => {
    let esc = placeOnBench(profile, { stops, range: stick }, stick.neutralMicros);
    const shown: Record<string, string> = {};
    for (const { id } of profile.items) {
      const leg = { purpose: 'show', itemId: id, stopId: stops[id]! } as const;
      const [planned] = found(
        planLegs(machine, esc.config, [leg], stick, handMediumOf(profile)!.family),
      ).legs;
      for (const input of planned!.inputs) {
        esc = act(esc, input).esc;
        const seen = shownStored(profile, machine, esc.config);
        const showing = stateOf(machine, esc.config).role === 'showingStored';
        expect(seen !== undefined).toBe(showing);
        if (seen) shown[seen.itemId] = seen.stopId;
      }
    }
    expect(shown).toEqual(stops);
  });
});
