import { describe, expect, it } from 'vitest';
import { UNTIED, valueOf, type EscProfile, type ProfileItem } from './profile';
import { smallProfile } from './smallProfile.fixture';
import { validateProfile } from './validateProfile';

/** The small ESC whose cutoff may be left to a number of the pack, under an item that is there only then. */
function withOwnCutoff(): EscProfile {
  const profile = smallProfile();
  const [way, leap, bite, floor] = profile.items;
  const custom: ProfileItem = {
    ...floor!,
    stops: floor!.stops.map((stop) => (stop.id === 'floor-4' ? { ...stop, value: { kind: 'label' } } : stop)),
  };
  const own: ProfileItem = {
    ...UNTIED,
    id: 'own',
    number: 5,
    label: 'own volts',
    setting: 'cutoff',
    scale: 'packVolts',
    sense: 'direct',
    factoryStopId: 'own-1',
    stops: [6.2, 6.6].map((volts, n) => ({
      id: `own-${n + 1}`,
      number: n + 1,
      label: `${volts} V`,
      value: { kind: 'packVolts', value: volts },
      basis: 'stated',
      typed: null,
    })),
    existsWhile: [{ itemId: 'floor', stopIds: ['floor-4'] }],
  };
  return { ...profile, items: [way!, leap!, bite!, custom, own] };
}

describe('one setting in two items', () => {
  const profile = withOwnCutoff();

  it('is sound where one leaves its size to the other', () => {
    expect(validateProfile(profile)).toEqual([]);
  });

  it('is what the one says that is in the menu and states a size', () => {
    expect(valueOf(profile, { floor: 'floor-2', own: 'own-2' }, 'cutoff')).toEqual({
      kind: 'number',
      value: 3.1,
    });
    expect(valueOf(profile, { floor: 'floor-4', own: 'own-2' }, 'cutoff')).toEqual({
      kind: 'packVolts',
      value: 6.6,
    });
  });

  it('is refused where nothing says which decides, or nothing says a size', () => {
    const open = { ...profile, items: profile.items.map((item) => ({ ...item, existsWhile: [] })) };
    const said = validateProfile(open).map(({ path }) => path);
    expect(said).toContain('items.4.setting');
    expect(said).toContain('items.3.stops.3.value');
  });
});

describe('one item for two settings', () => {
  const profile = smallProfile();
  const both: EscProfile = {
    ...profile,
    items: profile.items.map((item) =>
      item.id === 'way'
        ? {
            ...item,
            alsoSets: {
              setting: 'rotation' as const,
              values: [{ stopId: 'way-2', value: { kind: 'choice' as const, choice: 'reversed' } }],
            },
          }
        : item,
    ),
  };

  it('says both where a stop does, and nothing of the second where it does not', () => {
    expect(validateProfile(both)).toEqual([]);
    expect(valueOf(both, { way: 'way-2' }, 'rotation')).toEqual({ kind: 'choice', choice: 'reversed' });
    expect(valueOf(both, { way: 'way-2' }, 'runningMode')).toMatchObject({ choice: 'forwardReverse' });
    expect(valueOf(both, { way: 'way-1' }, 'rotation')).toBeUndefined();
  });
});

describe('a command', () => {
  it('is nothing that an ESC can hold: the factory’s stop is another', () => {
    const profile = smallProfile();
    profile.items[0]!.commandStopIds = ['way-1'];
    expect(validateProfile(profile).map(({ sentence }) => sentence)).toEqual([
      '“brakes” of “way” is a command: an ESC cannot hold it.',
    ]);
  });
});
