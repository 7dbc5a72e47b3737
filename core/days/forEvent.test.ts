import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { setUpValues } from '../setUps/setUp';
import type { EvidenceBasis, Holdings } from '../sheet/evidence';
import { forEvent } from './forEvent';

const profile = smallProfile();
const item = profile.items.find(({ stops }) => stops.length > 2)!;
const [first, second, third] = item.stops.map(({ id }) => id);
const setUpWith = (stopId: string) => ({
  profileId: profile.id,
  values: setUpValues(profile, { [item.id]: stopId }),
});
const held = (stopId: string | null, basis: EvidenceBasis = 'countedBack'): Holdings => ({
  ...Object.fromEntries(
    Object.entries(factoryStops(profile)).map(([id, stop]) => [
      id,
      { stopId: stop, basis, at: '2026-06-01T08:00:00Z' },
    ]),
  ),
  [item.id]: { stopId, basis, at: '2026-06-01T08:00:00Z' },
});
const [UNTIL, SINCE] = ['2026-06-20', '2026-06-20T07:00:00.000Z'];
const mark = (holdings: Holdings, stopId: string, temporary = {}) =>
  forEvent(profile, holdings, temporary, setUpWith(stopId), UNTIL, SINCE);

describe('a set-up for an event', () => {
  it('is put back to what the ESC held', () => {
    expect(mark(held(first!), second!)).toEqual({
      temporary: { [item.id]: { stopId: second, returnsToStopId: first, until: UNTIL, since: SINCE } },
      unsure: [],
    });
    expect(mark(held(second!), second!).temporary).toEqual({});
  });

  it('a second one, when rain comes, still goes back to before the event', () => {
    const dry = mark(held(first!), second!).temporary;
    const wet = mark(held(second!), third!, dry).temporary;
    expect(wet[item.id]).toMatchObject({ stopId: third, returnsToStopId: first });
  });

  it('what nobody knows for certain cannot be put back, and is said', () => {
    expect(mark(held(first!, 'assumedFactory'), second!)).toEqual({ temporary: {}, unsure: [item.label] });
    expect(mark(held(null, 'interrupted'), second!).unsure).toEqual([item.label]);
  });
});
