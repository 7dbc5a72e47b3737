import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { everyItem } from '../archetypes/fortyItems.fixture';
import { factoryStops, profileOn, type ProfileItem, type StopByItem } from '../esc/profile';
import { defaultRig } from '../rig/defaults';
import type { Rig, WheeledVehicle } from '../rig/rig';
import { seededNumbers } from '../units/seeded';
import { piecesOf } from './listPieces';
import { clearOf, printList, readList } from './readList';

const buggy = defaultRig('tenthBuggy');
const rig: Rig = {
  ...buggy,
  name: 'Test',
  vehicle: {
    ...(buggy.vehicle as WheeledVehicle),
    gearing: { spurTeeth: 56, pinionTeeth: 20, internalRatio: 3.2 },
  },
};
const every = everyItem();
const read = (typed: string) => readList(every, rig, typed);
const first = every.items[0]!;
const second = every.items[1]!;

describe('the pieces of a list', () => {
  it.each([
    ['first four, second one, third six', ['first four', 'second one', 'third six']],
    ['1=4 2=1 3=6', ['1=4', '2=1', '3=6']],
    ['1=4,2=1', ['1=4', '2=1']],
    ['drag 8, punch 4; cutoff 3,2', ['drag 8', 'punch 4', 'cutoff 3,2']],
    ['drag 8 and punch 4.', ['drag 8', 'punch 4']],
    ['Drag brake: 8 %\n\nBEC: 6.0 V\n', ['Drag brake: 8 %', 'BEC: 6.0 V']],
  ])('%s', (typed, pieces) => expect(piecesOf(typed)).toEqual(pieces));
});

describe('a list that is read', () => {
  it('as it is dictated: item by item, stop by stop', () => {
    const lines = read('first two, second one');
    expect(lines).toMatchObject([
      { kind: 'move', item: { id: first.id }, stop: { number: 2 } },
      { kind: 'move', item: { id: second.id }, stop: { number: 1 } },
    ]);
    expect(clearOf(lines).stops).toEqual({
      [first.id]: first.stops[1]!.id,
      [second.id]: second.stops[0]!.id,
    });
  });

  it('where a number is a stop and a value as well, it asks; where it is only one, it says which', () => {
    const drag = every.items.find(({ setting }) => setting === 'dragBrake')!;
    const both = drag.stops.find(
      ({ value }) =>
        value.kind === 'number' &&
        drag.stops.some(({ number, value: other }) => number === value.value && other !== value),
    );
    const stopOnly = drag.stops.find(
      ({ number }) => !drag.stops.some(({ value }) => value.kind === 'number' && value.value === number),
    )!;
    expect(read(`drag brake ${stopOnly.number}`)[0]).toMatchObject({
      kind: 'move',
      stop: { id: stopOnly.id },
      said: `Taken as stop ${stopOnly.number}: it has no value ${stopOnly.number}.`,
    });
    if (both?.value.kind !== 'number') return;
    const [line] = read(`drag brake ${both.value.value}`);
    expect(line).toMatchObject({ kind: 'ask' });
    expect(read(`drag brake ${both.value.value} %`)[0]).toMatchObject({
      kind: 'move',
      stop: { id: both.id },
    });
  });

  it('a value that is not there stands beside the nearest, and is not drafted', () => {
    const three = { ...rig, pack: { ...rig.pack, cells: 3 } };
    const lines = readList(every, three, 'cutoff 3.22 V');
    expect(lines).toMatchObject([{ kind: 'nearest', stops: [{ label: '10.2 V pack' }] }]);
    expect(clearOf(lines)).toEqual({ stops: {}, byHand: {} });
  });

  it('a number alone is no value, an item that is not there is said, and so is a stop', () => {
    const [alone, beyond, stop, spoken] = read('4\n99=1\n1=#99\n98 one');
    expect(alone).toMatchObject({ kind: 'unclear' });
    expect(beyond).toMatchObject({ kind: 'unclear' });
    expect(stop).toMatchObject({ kind: 'unclear' });
    expect(spoken).toMatchObject({ sentence: expect.stringContaining('no item 98') as string });
  });

  it('what stands twice is told, and what hands change is taken along', () => {
    const lines = read('drag brake off, drag brake 100 %, pinion 21');
    expect(lines.map(({ kind }) => kind)).toEqual(['move', 'unclear', 'byHand']);
    expect(clearOf(lines).byHand).toEqual({ pinionTeeth: 21 });
  });

  it('a unit that is not the setting’s own is not bent into it', () => {
    const lines = read('brake frequency 8 %, drag brake 20 V, drag brake ramp 200 ms');
    expect(lines.map(({ kind }) => kind)).toEqual(['unclear', 'unclear', 'unclear']);
  });

  it('a total of the pack typed where volts a cell are meant gets no stop offered', () => {
    const lines = read('cutoff 12 V');
    expect(lines).toMatchObject([{ kind: 'unclear' }]);
  });

  it('a name that begins with an ordinal is a name, and a label with a comma stays whole', () => {
    const item = { ...first, label: 'First bite' };
    const comma = { ...second, label: 'Mode', stops: second.stops.map((stop) => ({ ...stop })) };
    comma.stops[0] = { ...comma.stops[0]!, label: 'Brake' };
    comma.stops[1] = { ...comma.stops[1]!, label: 'Brake, then back' };
    const profile = { ...every, items: [item, comma, ...every.items.slice(2)] };
    expect(readList(profile, rig, 'first bite #2; Mode: Brake, then back, pinion 21')).toMatchObject([
      { kind: 'move', item: { id: first.id }, stop: { number: 2 } },
      { kind: 'move', item: { id: second.id }, stop: { label: 'Brake, then back' } },
      { kind: 'byHand' },
    ]);
  });

  it('a command is told: an ESC cannot hold it', () => {
    const reset = { ...first, commandStopIds: [first.stops[1]!.id] };
    const profile = { ...every, items: [reset, ...every.items.slice(1)] };
    expect(readList(profile, rig, '1=#2')).toMatchObject([{ kind: 'unclear' }]);
  });

  it('another text than a list is told to be too long, and not read', () => {
    expect(read('drag brake off, '.repeat(400))).toMatchObject([{ kind: 'unclear' }]);
    expect(read('drag brake off').length).toBe(1);
  });

  it('what is no list at all loses nothing', () => {
    const typed = 'as the fast man has it, but softer; flux 12';
    expect(read(typed).map((line) => line.typed)).toEqual([
      'as the fast man has it',
      'but softer',
      'flux 12',
    ]);
  });
});

describe.each(ARCHETYPES.map(({ profile }) => [profile.name, profile] as const))('%s', (_name, profile) => {
  it('a list that was printed is read as it was, by a seed', () => {
    const random = seededNumbers(20_261_128);
    for (let n = 0; n < 30; n += 1) {
      const stops: StopByItem = Object.fromEntries(
        profile.items.map((item) => [item.id, item.stops[Math.floor(random() * item.stops.length)]!.id]),
      );
      const { items } = profileOn(profile, { ...factoryStops(profile), ...stops });
      const wanted = Object.fromEntries(items.map(({ id }) => [id, stops[id]]));
      const lines = readList({ ...profile, items }, rig, printList(items, stops));
      expect(clearOf(lines).stops).toEqual(wanted);
    }
  });

  it('a printed name and a printed value are that value, or are asked; never another', () => {
    for (const item of profile.items)
      for (const stop of item.stops) {
        const lines = readList(profile, rig, `${item.label}: ${stop.label}`);
        const taken = lines.flatMap((line) => (line.kind === 'move' ? [line] : []));
        for (const line of taken)
          expect([line.item.label, line.stop.label]).toEqual([item.label, stop.label]);
      }
  });

  it('never throws, and takes no stop that the ESC does not have', () => {
    const random = seededNumbers(7);
    const words = [
      'first',
      '1=4',
      'drag',
      '8 %',
      '=',
      ':',
      'off',
      'and',
      '9',
      ',',
      ';',
      '#',
      'punch',
      '-3',
      'ten',
    ];
    for (let n = 0; n < 300; n += 1) {
      const typed = Array.from(
        { length: 1 + Math.floor(random() * 8) },
        () => words[Math.floor(random() * words.length)],
      );
      for (const line of readList(profile, rig, typed.join(' ')))
        if (line.kind === 'move') expect(line.item.stops).toContain(line.stop);
    }
  });
});

it('a printed list of any ESC is read as it was, whatever is printed on it', () => {
  const anyLabel = fc.constantFrom(
    ...[
      '8',
      '8 %',
      '#3',
      'Brake, then back',
      'Off; never',
      'one and two',
      '1 = 4',
      'Second',
      'item 7',
      'ten',
      'a: b',
    ],
  );
  const anyItem = fc.record({
    label: anyLabel,
    setting: fc.constantFrom('dragBrake', 'cutoff', 'launchStrength', 'runningMode', 'other' as const),
    labels: fc.array(anyLabel, { minLength: 1, maxLength: 9 }),
    chosen: fc.nat(),
  });
  fc.assert(
    fc.property(fc.array(anyItem, { minLength: 1, maxLength: 20 }), (made) => {
      const items = made.map(({ label, setting, labels }, at): ProfileItem => ({
        ...first,
        id: `item-${at}`,
        number: at + 1,
        label,
        setting: setting as ProfileItem['setting'],
        commandStopIds: [],
        stops: labels.map((printed, place) => ({
          ...first.stops[0]!,
          id: `item-${at}-${place}`,
          number: place + 1,
          label: printed,
          value: { kind: 'number', value: place * 4 },
        })),
      }));
      const stops = Object.fromEntries(
        items.map(({ id, stops: its }, at) => [id, its[made[at]!.chosen % its.length]!.id]),
      );
      expect(clearOf(readList({ ...every, items }, rig, printList(items, stops))).stops).toEqual(stops);
    }),
  );
});
