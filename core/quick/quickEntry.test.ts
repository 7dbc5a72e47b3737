import { describe, expect, it } from 'vitest';
import { everyItem } from '../archetypes/fortyItems.fixture';
import { findItems } from './findItem';
import { readQuickEntry } from './quickEntry';

const profile = everyItem();
const read = (typed: string) => readQuickEntry(profile, typed, 3);
const settings = (typed: string): string[] => findItems(profile, typed).map(({ item }) => item.setting);

describe('a line of name and value', () => {
  it.each([
    ['brake 50', 'brakeStrength', 50],
    ['BRAKE FORCE 50 %', 'brakeStrength', 50],
    ['drag brake off', 'dragBrake', 0],
    ['drag 12', 'dragBrake', 12],
    ['turbo 0', 'turbo', 0],
    ['bec 6,0', 'becVolts', 6],
  ])('%s', (typed, setting, value) => {
    const entry = read(typed);
    expect(entry.kind).toBe('move');
    if (entry.kind !== 'move') return;
    expect(entry.found.item.setting).toBe(setting);
    const { value: stop } = entry.stop;
    expect(stop.kind === 'off' ? 0 : stop.kind === 'number' && stop.value).toBeCloseTo(value, 6);
    expect(entry.snapped).toBe('');
  });

  it('takes a printed label with spaces, and a stop by its number', () => {
    const mode = profile.items.find(({ setting }) => setting === 'runningMode')!;
    const [first, second] = mode.stops;
    expect(read(`${mode.label} ${second!.label}`)).toMatchObject({ kind: 'move', stop: { id: second!.id } });
    expect(read(`running mode #${first!.number}`)).toMatchObject({ kind: 'move', stop: { id: first!.id } });
  });

  it('snaps to the safe side and says so', () => {
    const entry = read('cutoff 3.22');
    expect(entry.kind === 'move' && entry.snapped).toContain('the safe side');
  });

  it('says what an item has where the value is none of it, and where only the name is there', () => {
    expect(read('running mode sideways')).toMatchObject({ kind: 'named' });
    const named = read('drag brake');
    expect(named.kind === 'named' && named.sentence).toContain('100');
  });

  it('says so where nothing is called that', () => {
    expect(read('flux 12').kind).toBe('nothing');
    expect(read('').kind).toBe('nothing');
  });
});

describe('finding by any name', () => {
  it('the nearest comes first', () => {
    expect(settings('punch')[0]).toBe('launchStrength');
    expect(settings('timing')[0]).toBe('advance');
    expect(settings('lvc')[0]).toBe('cutoff');
  });

  it('what a name is mixed up with is found, too, and said', () => {
    const found = findItems(profile, 'punch');
    expect(found.map(({ item }) => item.setting)).toContain('launchLimit');
    expect(found[0]!.friends.map(({ id }) => id)).toContain('punch');
  });

  it('by the number in the menu', () => {
    expect(findItems(profile, '7')[0]!.item.number).toBe(7);
  });
});
