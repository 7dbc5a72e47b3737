import { describe, expect, it } from 'vitest';
import { EMPTY_DRAFT } from '../sheet/draft';
import { oneKeyPattern } from '../archetypes/cars';
import { factoryMemory } from '../device/simulatedEsc';
import { profileOn, type StopByItem } from '../esc/profile';
import { menusProfile } from '../plan/menus.fixture';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import type { HandValues } from '../rig/handValues';
import { assumeFactory, holdingsOf } from '../sheet/evidence';
import { usualGoals } from './goals';
import { NO_RUNS } from './stationStates';
import { standingOf, type StandingFacts } from './standing';

const AT = '2026-01-01T00:00:00.000Z';
const profile = oneKeyPattern;
const facts = (change: Partial<StandingFacts> = {}): StandingFacts => ({
  rig: { ...defaultRig('tenthBuggy'), name: 'Test' },
  profile,
  holdings: holdingsOf(profile, assumeFactory(profile, AT)),
  otherEscs: [],
  draft: { ...EMPTY_DRAFT, stops: {}, byHand: {} },
  range: factoryMemory(profile).range,
  calibrations: [],
  sheetCount: 0,
  runs: NO_RUNS,
  rules: undefined,
  goals: usualGoals('tenthBuggy'),
  today: '2026-01-01',
  ...change,
});

describe('where a rig stands', () => {
  it('fresh from its box, everything is still to do and nothing differs', () => {
    const { changes, stations, believed } = standingOf(facts());
    expect(changes).toEqual([]);
    expect(stations.endpoints.state).toBe('due');
    expect(stations.load.state).toBe('idle');
    expect(believed['full-brake']).toBe('full-brake-5');
  });

  it('a draft is over what is believed, and waits to be loaded', () => {
    const { drafted, changes, stations } = standingOf(
      facts({ draft: { ...EMPTY_DRAFT, stops: { 'full-brake': 'full-brake-3' }, byHand: {} } }),
    );
    expect(drafted['full-brake']).toBe('full-brake-3');
    expect(changes.map(({ itemId }) => itemId)).toEqual(['full-brake']);
    expect(stations.load.state).toBe('due');
  });

  it('what nobody knows is not sure until it is drafted', () => {
    const unknown = [
      ...assumeFactory(profile, AT),
      { itemId: 'full-brake', stopId: null, basis: 'userWord', at: AT } as const,
    ];
    const holdings = holdingsOf(profile, unknown);
    expect(standingOf(facts({ holdings })).sure['full-brake']).toBeUndefined();
    const draft = { ...EMPTY_DRAFT, stops: { 'full-brake': 'full-brake-3' }, byHand: {} };
    expect(standingOf(facts({ holdings, draft })).sure['full-brake']).toBe('full-brake-3');
  });

  it('the rules of an event block what breaks them', () => {
    const rules = { name: 'Spec', noAdvance: false, noReverse: true, mostCells: null, note: '' };
    const { verdicts, stations } = standingOf(facts({ rules }));
    expect(verdicts[0]?.title).toBe('Spec forbids this.');
    expect(stations.tune.state).toBe('blocked');
    const legal = standingOf(
      facts({ rules, draft: { ...EMPTY_DRAFT, stops: { trigger: 'trigger-1' }, byHand: {} } }),
    );
    expect(legal.stations.tune.state).toBe('done');
  });
});

describe('what is drafted on the model', () => {
  const rig: Rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
  const { cells } = rig.pack;
  const drafted = (byHand: HandValues) =>
    standingOf(facts({ rig, draft: { ...EMPTY_DRAFT, stops: {}, byHand } }));

  it('waits to be loaded like a value of the ESC, and both are counted', () => {
    const { changes, handChanges, stations } = drafted({ packCapacityMah: 4000 });
    expect([changes.length, handChanges.length]).toEqual([0, 1]);
    expect(stations.load).toEqual({ state: 'due', why: '1 value differs' });
    const both = standingOf(
      facts({
        rig,
        draft: { ...EMPTY_DRAFT, stops: { 'full-brake': 'full-brake-3' }, byHand: { packCells: cells + 1 } },
      }),
    );
    expect(both.stations.load.why).toBe('2 values differ');
  });

  it('is judged with the values of the ESC: a pack beyond its limits blocks the load', () => {
    const tooMany = drafted({ packCells: profile.limits.maxCells + 1 });
    expect(tooMany.verdicts.map(({ title }) => title)).toContain('This pack would destroy the ESC.');
    expect(tooMany.stations.load.state).toBe('blocked');
    expect(drafted({}).verdicts.map(({ title }) => title)).not.toContain('This pack would destroy the ESC.');
  });

  it('makes no calibration stale before it is done', () => {
    const lower = drafted({ forwardEndPointPercent: 80 });
    expect(lower.stations.endpoints).toEqual(drafted({}).stations.endpoints);
  });

  it('that the model has already differs in nothing', () => {
    expect(drafted({ packCells: cells }).stations.load.state).toBe('idle');
  });

  it('of an ESC with menus that change speaks of what is in the menu then, in any bank, on any ground', () => {
    const menus = menusProfile(oneKeyPattern);
    const drafts: StopByItem[] = [
      {},
      { sheet: 'sheet-2' },
      { sheet: 'sheet-3', ground: 'ground-2', wash: 'wash-2' },
    ];
    for (const stops of drafts) {
      const { drafted, changes, verdicts } = standingOf(
        facts({
          profile: menus,
          holdings: holdingsOf(menus, assumeFactory(menus, AT)),
          draft: { ...EMPTY_DRAFT, stops, byHand: {} },
        }),
      );
      expect(changes.map(({ itemId }) => itemId).toSorted()).toEqual(Object.keys(stops).toSorted());
      const present = profileOn(menus, drafted).items.map(({ id }) => id);
      for (const { remedies } of verdicts)
        for (const remedy of remedies) if (remedy.kind === 'move') expect(present).toContain(remedy.itemId);
    }
  });

  it('says of a twin that its ESCs hold unlike where the second is behind, not where only the first is', () => {
    const twin = { ...defaultRig('twinPlane'), name: 'Twin' };
    const item = profile.items.find(({ setting }) => setting === 'brakeStrength')!;
    const [one, other] = item.stops.filter(({ id }) => id !== item.factoryStopId);
    const holding = (stopId: string) => ({
      ...holdingsOf(profile, assumeFactory(profile, AT)),
      [item.id]: { stopId, basis: 'countedBack' as const, at: AT },
    });
    const said = (stops: Record<string, string>) =>
      standingOf(
        facts({
          rig: twin,
          holdings: holding(one!.id),
          otherEscs: [{ escNumber: 2, holdings: holding(other!.id) }],
          draft: { ...EMPTY_DRAFT, stops, byHand: {} },
        }),
      );
    const behind = said({});
    expect(behind.leftByEsc).toEqual([0, 1]);
    expect(behind.stations.load).toEqual({ state: 'due', why: 'ESC 2 (right): 1 value left' });
    expect(behind.verdicts.map(({ id }) => id)).toContain('escsHoldUnlike');
    const firstBehind = said({ [item.id]: other!.id });
    expect(firstBehind.leftByEsc).toEqual([1, 0]);
    expect(firstBehind.verdicts.map(({ id }) => id)).not.toContain('escsHoldUnlike');
  });
});
