import { describe, expect, it } from 'vitest';
import { stickTonesPattern } from '../archetypes/aircraft';
import { itemForSetting, type EscProfile } from '../esc/profile';
import type { SettingId } from '../settings/vocabulary';
import { EMPTY_DRAFT } from './draft';
import { assumeFactory, holdingsOf, type Holdings } from './evidence';
import { canLoadTogether, intentsForOther, unlikeItems } from './severalEscs';
import { isHeldByAll, writeSheet } from './sheet';

const profile: EscProfile = stickTonesPattern;
const AT = '2026-01-01T00:00:00.000Z';
const item = (setting: SettingId) => itemForSetting(profile, setting)!;
const stopOf = (setting: SettingId, place: number): string => item(setting).stops[place]!.id;
/** Fresh from the box, with some items on other stops; null where nobody knows. */
const holds = (other: Partial<Record<SettingId, number | null>> = {}): Holdings =>
  holdingsOf(profile, [
    ...assumeFactory(profile, AT),
    ...Object.entries(other).map(([setting, place]) => ({
      itemId: item(setting as SettingId).id,
      stopId: place === null ? null : stopOf(setting as SettingId, place),
      basis: 'countedBack' as const,
      at: AT,
    })),
  ]);

describe('the second ESC of a twin', () => {
  it('is to be given what the first one holds', () => {
    const intents = intentsForOther(profile, holds({ cutoff: 2 }), EMPTY_DRAFT, holds());
    expect(intents).toEqual({ [item('cutoff').id]: stopOf('cutoff', 2) });
    expect(intentsForOther(profile, holds({ cutoff: 2 }), EMPTY_DRAFT, holds({ cutoff: 2 }))).toEqual({});
  });

  it('is to be given what is drafted, rather than what the first one holds still', () => {
    const draft = { stops: { [item('advance').id]: stopOf('advance', 2) } };
    expect(intentsForOther(profile, holds({ advance: 0 }), draft, holds())).toEqual({
      [item('advance').id]: stopOf('advance', 2),
    });
  });

  it('is given nothing where nobody knows what the first one holds; what nobody knows of itself, it is given', () => {
    expect(intentsForOther(profile, holds({ cutoff: null }), EMPTY_DRAFT, holds())).toEqual({});
    expect(intentsForOther(profile, holds(), EMPTY_DRAFT, holds({ cutoff: null }))).toEqual({
      [item('cutoff').id]: item('cutoff').factoryStopId,
    });
  });

  it('may turn the other way: propellers that turn against each other are meant so', () => {
    expect(intentsForOther(profile, holds({ rotation: 1 }), EMPTY_DRAFT, holds({ rotation: 0 }))).toEqual({});
    expect(unlikeItems(profile, holds({ rotation: 1 }), holds({ rotation: 0 }))).toEqual([]);
  });

  it('differs in what both are known to hold, and in nothing that nobody knows', () => {
    expect(unlikeItems(profile, holds({ cutoff: 2, advance: 0 }), holds())).toEqual([
      item('cutoff').id,
      item('advance').id,
    ]);
    expect(unlikeItems(profile, holds({ cutoff: 2 }), holds({ cutoff: null }))).toEqual([]);
  });
});

describe('all ESCs at once', () => {
  const intents = { [item('cutoff').id]: stopOf('cutoff', 2) };

  it('by a stick that all of them hear, where they hold the same and are given the same', () => {
    const alike = [
      { holdings: holds(), intents },
      { holdings: holds(), intents },
    ];
    expect(canLoadTogether('stickTones', alike)).toBe(true);
    expect(canLoadTogether('lampCard', alike)).toBe(false);
    expect(canLoadTogether('stickTones', alike.slice(0, 1))).toBe(false);
  });

  it('not where one holds something else, or has to be given more', () => {
    const more = { ...intents, [item('advance').id]: stopOf('advance', 0) };
    expect(
      canLoadTogether('stickTones', [
        { holdings: holds(), intents },
        { holdings: holds({ advance: 2 }), intents: more },
      ]),
    ).toBe(false);
    // A toggle would move one of them away.
    expect(
      canLoadTogether('stickToggle', [
        { holdings: holds(), intents },
        { holdings: holds({ cutoff: 0 }), intents },
      ]),
    ).toBe(false);
  });
});

describe('a sheet of a twin', () => {
  const facts = {
    id: 'sheet',
    rigName: 'Twin',
    keptAt: AT,
    medium: null,
    simulated: null,
    changedItemIds: [],
    byHand: {},
    setUp: null,
    reasons: {},
    note: '',
  };
  const second = (holdings: Holdings) => ({ escNumber: 2, holdings });

  it('lists each ESC, and holds no longer once one of them holds something else', () => {
    const sheet = writeSheet(profile, holds({ cutoff: 2 }), facts, [second(holds())]);
    const held = sheet.otherEscs[0]!.values.find(({ itemId }) => itemId === item('cutoff').id);
    expect(held!.stopId).toBe(item('cutoff').factoryStopId);
    expect(isHeldByAll(sheet, holds({ cutoff: 2 }), [second(holds())])).toBe(true);
    expect(isHeldByAll(sheet, holds({ cutoff: 2 }), [second(holds({ cutoff: 2 }))])).toBe(false);
  });

  it('of before, when only one was written down, vouches for no second one', () => {
    const sheet = writeSheet(profile, holds(), facts);
    expect(isHeldByAll(sheet, holds(), [])).toBe(true);
    expect(isHeldByAll(sheet, holds(), [second(holds())])).toBe(false);
  });
});
