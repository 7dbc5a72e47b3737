import { describe, expect, it } from 'vitest';
import { linkPattern } from '../archetypes/cars';
import { stickTonesPattern } from '../archetypes/aircraft';
import { factoryStops } from '../esc/profile';
import { defaultRig } from './defaults';
import { breachesOf, type EventRules } from './eventRules';

const rules = (change: Partial<EventRules>): EventRules => ({
  name: 'Cup',
  noAdvance: false,
  noReverse: false,
  mostCells: null,
  note: '',
  ...change,
});
const car = defaultRig('modifiedCircuit');
const stops = { ...factoryStops(linkPattern), advance: 'advance-1', boost: 'boost-1', turbo: 'turbo-1' };
const breaches = (change: Partial<EventRules>, held: Record<string, string> = {}) =>
  breachesOf(rules(change), car, linkPattern, { ...stops, ...held }).map(
    ({ item, sentence }) => item?.id ?? sentence,
  );

describe('what an event forbids', () => {
  it.each<[string, string]>([
    ['advance', 'advance-2'],
    ['boost', 'boost-3'],
    ['turbo', 'turbo-2'],
  ])('%s in a class without advance', (item, stop) => {
    expect(breaches({ noAdvance: true }, { [item]: stop })).toEqual([item]);
    expect(breaches({}, { [item]: stop })).toEqual([]);
    expect(breaches({ noAdvance: true })).toEqual([]);
  });

  it('reverse where there must be none', () => {
    expect(breaches({ noReverse: true }, { mode: 'mode-2' })).toEqual(['mode']);
    expect(breaches({ noReverse: true })).toEqual([]);
  });

  it('a cell too many, and not one less', () => {
    expect(breaches({ mostCells: 1 })).toEqual(['Cup allows 1 cells; this pack has 2.']);
    expect(breaches({ mostCells: 2 })).toEqual([]);
  });

  it('says nothing about what an ESC does not have', () => {
    const plane = defaultRig('sportPlane');
    const found = breachesOf(
      rules({ noReverse: true }),
      plane,
      stickTonesPattern,
      factoryStops(stickTonesPattern),
    );
    expect(found).toEqual([]);
  });
});
