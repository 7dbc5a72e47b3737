import { describe, expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { downgrade } from './downgrade';
import { assumeFactory, heldStops, holdingsOf, unknownItems, type Observation } from './evidence';

const profile = smallProfile();
const AT = '2026-02-01T00:00:00.000Z';
const read: Observation[] = [
  ...assumeFactory(profile, AT),
  { itemId: 'bite', stopId: 'bite-4', basis: 'readBack', at: AT },
];
const after = (mishap: Parameters<typeof downgrade>[1]) =>
  holdingsOf(profile, [...read, ...downgrade(profile, mishap, AT)]);

describe('what a mishap does to the evidence', () => {
  it('an interrupted load touches what it meant to write, and remembers what was there', () => {
    const holdings = after({ kind: 'interrupted', itemIds: ['bite'] });
    expect(holdings.bite).toEqual({ stopId: null, basis: 'interrupted', at: AT, lastStopId: 'bite-4' });
    expect(heldStops(profile, holdings)).toMatchObject({ bite: null, leap: 'leap-2' });
  });

  it('a reset leaves factory values, assumed and no longer verified', () => {
    expect(after({ kind: 'reset' }).bite).toEqual({ stopId: 'bite-2', basis: 'assumedFactory', at: AT });
  });

  it('new firmware leaves nothing known', () => {
    expect(unknownItems(profile, after({ kind: 'firmwareUpdate' }))).toHaveLength(profile.items.length);
  });

  it('a stop that a new revision no longer has is unknown, not wrong', () => {
    const old: Observation = { itemId: 'bite', stopId: 'bite-99', basis: 'readBack', at: AT };
    expect(holdingsOf(profile, [...read, old]).bite).toEqual({
      stopId: null,
      basis: 'stopGone',
      at: AT,
      lastStopId: 'bite-4',
    });
  });
});
