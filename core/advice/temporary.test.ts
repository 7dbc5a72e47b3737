import { expect, it } from 'vitest';
import { smallProfile } from '../esc/smallProfile.fixture';
import { factoryStops } from '../esc/profile';
import type { EvidenceBasis } from '../sheet/evidence';
import { activeTemporary, toPutBack, withTemporary } from './temporary';

const profile = smallProfile();
const SINCE = '2026-07-03T20:00:00.000Z';
const [item] = profile.items;
const [first, second] = item!.stops;
const usual = { ...factoryStops(profile), [item!.id]: first!.id };
const forTheDay = { ...usual, [item!.id]: second!.id };
const temporary = withTemporary({}, item!, second!.id, first!.id, '2026-07-04', SINCE);

it('a value for a day is told from the draft until it is off the ESC again', () => {
  const told = (drafted: typeof usual, onTheEsc: typeof usual) =>
    activeTemporary(temporary, profile, drafted, onTheEsc).length;
  expect(told(forTheDay, usual)).toBe(1);
  expect(told(forTheDay, forTheDay)).toBe(1);
  expect(told(usual, forTheDay)).toBe(1);
  expect(told(usual, usual)).toBe(0);
});

it('it says what it goes back to', () => {
  const [active] = activeTemporary(temporary, profile, forTheDay);
  expect(active).toMatchObject({ returnsTo: { id: first!.id }, until: '2026-07-04' });
});

it('a stop that a new revision of the profile no longer has is not gone back to', () => {
  const gone = { [item!.id]: { ...temporary[item!.id]!, returnsToStopId: 'long-gone' } };
  expect(activeTemporary(gone, profile, forTheDay)).toEqual([]);
});

it('only stops of the item can be meant', () => {
  expect(() => withTemporary({}, item!, 'nowhere', first!.id, '2026-07-04', SINCE)).toThrow();
});

it('counts as put back only once that is verified', () => {
  const how = (stopId: string | null, basis: EvidenceBasis, at: string) =>
    toPutBack(temporary, profile, { [item!.id]: { stopId, basis, at } })[0]?.how;
  const [before, after] = ['2026-07-03T19:00:00.000Z', '2026-07-05T09:00:00.000Z'];
  // Meant, but never loaded.
  expect(how(first!.id, 'assumedFactory', before)).toBeUndefined();
  expect(how(second!.id, 'countedBack', after)).toBe('held');
  expect(how(null, 'interrupted', after)).toBe('unknown');
  expect(how(first!.id, 'seenStored', after)).toBe('notVerified');
  expect(how(first!.id, 'countedBack', after)).toBeUndefined();
  // Somebody has set it to something else since: that is his.
  expect(how('another', 'seenStored', after)).toBeUndefined();
});
