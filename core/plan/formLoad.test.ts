import { describe, expect, it } from 'vitest';
import type { ProgramFormMedium } from '../esc/media';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { EscProfile } from '../esc/profile';
import { afterReadOff, afterSent, beginForm, formItems, formTasks, readOff, unread } from './formLoad';

const profile: EscProfile = smallProfile();
const [first, second, third] = profile.items;
const form = (pages: ProgramFormMedium['pages']): ProgramFormMedium => ({
  family: 'programForm',
  plug: 'The adapter goes in.',
  pages,
  sendName: 'send',
  readName: 'read',
});
const change = (item: typeof first) => ({
  itemId: item!.id,
  fromStopId: item!.stops[0]!.id,
  toStopId: item!.stops[1]!.id,
});

describe('what to set', () => {
  it('follows the form, page by page; what stands on no page comes last', () => {
    const medium = form([
      { title: 'Brake', itemIds: [second!.id] },
      { title: 'Drive', itemIds: [first!.id] },
    ]);
    const pages = formItems(profile, medium);
    expect(pages.slice(0, 2).map(({ title, items }) => [title, items.map(({ id }) => id)])).toEqual([
      ['Brake', [second!.id]],
      ['Drive', [first!.id]],
    ]);
    expect(pages.flatMap(({ items }) => items)).toHaveLength(profile.items.length);
    const tasks = formTasks(profile, medium, [change(first), change(third)]);
    expect(tasks.map(({ title, changes }) => [title, changes.map(({ itemId }) => itemId)])).toEqual([
      ['Drive', [first!.id]],
      ['Elsewhere on the form', [third!.id]],
    ]);
  });
});

describe('what the form shows', () => {
  const item = (...labels: string[]) => ({
    ...first!,
    stops: labels.map((label, n) => ({ ...first!.stops[0]!, id: `s${n + 1}`, number: n + 1, label })),
  });
  const stopId = (labels: string[], text: string): string => {
    const read = readOff(item(...labels), text);
    return read.kind === 'stop' ? read.stop.id : read.kind;
  };

  it.each([
    [['25 %', '50 %', '75 %'], '75 %', 's3'],
    [['25 %', '50 %', '75 %'], '75', 's3'],
    [['25 %', '50 %', '75 %'], '3', 's3'],
    [['7,5°', '15°'], '7.5', 's1'],
    [['Soft', 'Hard'], 'hard', 's2'],
    [['Soft', 'Hard'], 'harder', 'unknown'],
    [['25 %', '50 %'], '60', 'unknown'],
    [['25 %', '50 %'], '', 'unknown'],
    // Stop 2 is “1”, and stop 1 is “2”: nobody knows which is meant.
    [['2', '1', '3'], '2', 'both'],
    [['2', '1', '3'], '3', 's3'],
    // Two stops are written alike.
    [['50 %', '50 V'], '50', 'unknown'],
  ])('of %j, “%s” is %s', (labels, text, id) => {
    expect(stopId(labels, text)).toBe(id);
  });
});

describe('a load by a form', () => {
  const wanted = { [first!.id]: first!.stops[1]!.id, [second!.id]: second!.stops[1]!.id };

  it('is done when everything was read off as meant, and not before', () => {
    let session = beginForm(profile, wanted);
    expect(unread(session)).toEqual(Object.keys(session.target));
    session = afterReadOff(session, first!.id, first!.stops[1]!.id);
    expect(unread(session)).toEqual([second!.id]);
    session = afterReadOff(session, second!.id, second!.stops[0]!.id);
    expect([unread(session), session.astray]).toEqual([[], { [second!.id]: second!.stops[0]!.id }]);
    session = afterReadOff(session, second!.id, second!.stops[1]!.id);
    expect([session.confirmed.length, session.astray]).toEqual([2, {}]);
    // A value that is read off again as something else is no longer confirmed.
    expect(afterReadOff(session, first!.id, first!.stops[0]!.id).confirmed).toEqual([second!.id]);
  });

  it('sent, it is stored and seen by nobody; what goes along is to be read off as well', () => {
    const tied: EscProfile = {
      ...profile,
      items: profile.items.map((item) =>
        item.id === first!.id
          ? {
              ...item,
              overwrites: [{ stopId: wanted[first!.id]!, sets: { [third!.id]: third!.stops[1]!.id } }],
            }
          : item,
      ),
    };
    const session = beginForm(tied, { [first!.id]: wanted[first!.id]! });
    expect(session.target).toEqual({ [first!.id]: wanted[first!.id], [third!.id]: third!.stops[1]!.id });
    expect(afterSent(session).map(({ itemId, basis }) => [itemId, basis])).toEqual([
      [third!.id, 'setAlong'],
      [first!.id, 'seenStored'],
    ]);
  });
});
