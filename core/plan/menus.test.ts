import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keyPadPattern, stickTonesPattern, twoKeysPattern } from '../archetypes/aircraft';
import { lampCardPattern, oneKeyPattern, textBoxPattern } from '../archetypes/cars';
import { countedNotes } from '../esc/notes';
import { MEDIA, type Medium } from '../esc/media';
import {
  existsOn,
  factoryStops,
  handMediumOf,
  itemById,
  type EscProfile,
  type StopByItem,
} from '../esc/profile';
import { validateProfile } from '../esc/validateProfile';
import { escMachine } from '../procedure/escMachine';
import { playGolden } from '../procedure/golden';
import { initialConfig, step } from '../procedure/step';
import { assumeFactory, holdingsOf } from '../sheet/evidence';
import { changesInOrder, changesOf } from '../sheet/draft';
import { found } from './found.fixture';
import { menusProfile } from './menus.fixture';
import { intentsForOther } from '../sheet/severalEscs';
import { afterStored, beginLoad, legsLeft } from './loadSession';
import { planLegs } from './loadPlan';

const fitted = (medium: Medium): Medium =>
  medium.family === 'stickTones'
    ? { ...medium, itemNotes: countedNotes(6), stopNotes: countedNotes(3, 'h') }
    : medium;
const PROFILES = [
  oneKeyPattern,
  twoKeysPattern,
  lampCardPattern,
  textBoxPattern,
  keyPadPattern,
  stickTonesPattern,
].map((pattern) => menusProfile(pattern, pattern.media.map(fitted)));
const boxed = menusProfile(textBoxPattern);
const AT = '2026-01-01T00:00:00.000Z';

it.each(PROFILES.map((profile) => [handMediumOf(profile)!.family, profile] as const))(
  'menus that change are sound by %s',
  (_family, profile) => {
    expect(validateProfile(profile)).toEqual([]);
  },
);

// Written from the description, not from the machine.
it('a menu shows what exists: another bank, another ground, another item; a command does its work and is not held', () => {
  const script = `
    card in
    power on
    wait 1100
    = text the box 1
    press item
    press item
    = text the box 3
    press value
    press ok
    : stop bite-bank-1 bite-2
    press itemBack
    press itemBack
    press value
    press ok
    : stop sheet sheet-2
    press item
    press item
    = text the box 3
    = text the box 1
    : stop bite-bank-2 bite-1
    press item
    press item
    = text the box 5
    press value
    press ok
    : stop spin spin-2
    press itemBack
    press itemBack
    press itemBack
    = text the box 2
    press value
    press ok
    press item
    press item
    press item
    = text the box 5
    press value
    press ok
    : stop wash wash-2
    : stop spin spin-2
    press item
    = text the box 6
    press value
    press ok
    = tone long
    : stop again again-1
    : stop ground ground-1
    : stop bite-bank-1 bite-1`;
  const memory = { stops: factoryStops(boxed), range: boxed.factoryRange };
  expect(playGolden(escMachine(boxed), memory, script)).toEqual([]);
});

describe.each(PROFILES.map((profile) => [handMediumOf(profile)!.family, profile] as const))(
  'any draft on menus that change, by %s',
  (family, profile) => {
    const places = fc.array(fc.nat(2), { minLength: profile.items.length, maxLength: profile.items.length });
    /** A stop that can be held for every item. */
    const stopsAt = (chosen: readonly number[]): StopByItem =>
      Object.fromEntries(
        profile.items.map((item, n) => {
          const held = item.stops.filter(({ id }) => !item.commandStopIds.includes(id) && id !== 'sheet-3');
          return [item.id, held[chosen[n]! % held.length]!.id];
        }),
      );

    it('is stored as drafted, every bank of it, and whatever can be shown is shown', () => {
      fc.assert(
        fc.property(places, places, (from, to) => {
          const [held, wanted] = [stopsAt(from), stopsAt(to)];
          const holdings = holdingsOf(
            profile,
            Object.entries(held).map(([itemId, stopId]) => ({ itemId, stopId, basis: 'readBack', at: AT })),
          );
          const changes = changesOf(profile, holdings, { stops: wanted });
          const intents = Object.fromEntries(changes.map(({ itemId, toStopId }) => [itemId, toStopId]));
          const session = beginLoad(held, intents, [], MEDIA[family].showsStored);
          const legs = legsLeft(profile, session);
          const machine = escMachine(profile);
          const stick = profile.factoryRange;
          const start = initialConfig(machine, { stops: held, range: stick }, stick.neutralMicros);
          const plan = found(planLegs(machine, start, legs, stick, family));
          const end = plan.legs
            .flatMap(({ inputs }) => inputs)
            .reduce((config, input) => step(machine, config, input).config, start);
          expect(end.memory.stops).toEqual({ ...held, ...intents });
          const shown = legs.filter(({ purpose }) => purpose === 'show').map(({ itemId }) => itemId);
          expect(new Set(shown)).toEqual(new Set(MEDIA[family].showsStored ? Object.keys(intents) : []));
        }),
        { numRuns: 12 },
      );
    });
  },
);

describe('what can be drafted', () => {
  const change = (stops: StopByItem, profile: EscProfile = boxed) =>
    changesOf(profile, holdingsOf(profile, assumeFactory(profile, AT)), { stops }).map(
      ({ itemId }) => itemId,
    );

  it('is nothing that is not in the menu then, and nothing of a bank that the maker has fixed', () => {
    expect(change({ wash: 'wash-2' })).toEqual([]);
    expect(change({ wash: 'wash-2', ground: 'ground-2' })).toEqual(['ground', 'wash']);
    expect(change({ 'bite-bank-2': 'bite-2' })).toEqual(['bite-bank-2']);
    expect(change({ 'bite-bank-3': 'bite-2' })).toEqual([]);
  });

  it('is done in the bank that is chosen, then by way of the others, and the bank that is wanted last', () => {
    const stops = { 'bite-bank-2': 'bite-2', 'bite-bank-1': 'bite-3' };
    const held = factoryStops(boxed);
    const changes = changesOf(boxed, holdingsOf(boxed, assumeFactory(boxed, AT)), { stops });
    expect(changesInOrder(boxed, held, changes).map(({ itemId, toStopId }) => [itemId, toStopId])).toEqual([
      ['bite-bank-1', 'bite-3'],
      ['sheet', 'sheet-2'],
      ['bite-bank-2', 'bite-2'],
      ['sheet', 'sheet-1'],
    ]);
  });

  it('is counted before its bank is left: nobody goes there twice', () => {
    const held = factoryStops(boxed);
    const session = beginLoad(held, { 'bite-bank-2': 'bite-2' }, [], true);
    expect(legsLeft(boxed, session).map(({ purpose, itemId, stopId }) => [purpose, itemId, stopId])).toEqual([
      ['store', 'sheet', 'sheet-2'],
      ['store', 'bite-bank-2', 'bite-2'],
      ['show', 'bite-bank-2', 'bite-2'],
      ['store', 'sheet', 'sheet-1'],
    ]);
  });

  it('a command that was heard is done and not held: only what it sets is known', () => {
    const held = { ...factoryStops(boxed), ground: 'ground-2' };
    const { findings } = afterStored(boxed, beginLoad(held, {}, [], true), [
      { itemId: 'again', stopId: 'again-2' },
    ]);
    expect(findings.map(({ itemId, stopId }) => [itemId, stopId])).toEqual([
      ['bite-bank-1', 'bite-1'],
      ['ground', 'ground-1'],
    ]);
  });

  it('a second ESC is given nothing that it could not be given', () => {
    const first = holdingsOf(boxed, assumeFactory(boxed, AT));
    const other = { ...first };
    for (const [itemId, stopId] of [
      ['wash', 'wash-2'],
      ['bite-bank-3', 'bite-3'],
      ['bite-bank-2', 'bite-3'],
    ] as const)
      other[itemId] = { stopId, basis: 'readBack', at: AT };
    expect(intentsForOther(boxed, first, { stops: {} }, other)).toEqual({ 'bite-bank-2': 'bite-1' });
  });

  it('exists by what the ESC holds', () => {
    const onRock = { ...factoryStops(boxed), ground: 'ground-2' };
    expect(existsOn(onRock, itemById(boxed, 'wash'))).toBe(true);
    expect(existsOn(onRock, itemById(boxed, 'spin'))).toBe(false);
  });
});
