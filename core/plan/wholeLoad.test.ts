import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../archetypes/archetypes';
import { menuOf } from '../archetypes/menuOf.fixture';
import { usualGoals } from '../advice/goals';
import { verdictsOn } from '../advice/verdicts/verdictsOn';
import { smallProfile } from '../esc/smallProfile.fixture';
import { factoryStops, type StopByItem } from '../esc/profile';
import { defaultRig } from '../rig/defaults';
import type { Rig } from '../rig/rig';
import { handChangesOf, type HandValues } from '../rig/handValues';
import type { Change } from '../sheet/draft';
import { handStep } from './handStep';
import { arrangeLoad } from './wholeLoad';

const profile = menuOf(ARCHETYPES[0]!.profile, [2, 2]);
const held = factoryStops(profile);
const change = (place: number): Change => ({
  itemId: `item-${place}`,
  fromStopId: `item-${place}-stop-1`,
  toStopId: `item-${place}-stop-2`,
});
const isMoved = (stops: StopByItem, place = 1): boolean => stops[`item-${place}`] === `item-${place}-stop-2`;
const rig: Rig = defaultRig('tenthBuggy');
const { cells } = rig.pack;

/** In which order a load goes, in words. */
function order(
  byHand: HandValues,
  hazardsOf: (rig: Rig, stops: StopByItem) => readonly string[],
  changes = [change(1)],
  on = rig,
) {
  const load = arrangeLoad(
    { profile, rig: on, handChanges: handChangesOf(on, byHand), held, changes },
    hazardsOf,
  );
  const words = [
    ...load.before.map(({ key }) => key),
    ...load.changes.map(({ itemId }) => itemId),
    ...load.after.map(({ key }) => key),
  ];
  return { words: words.join(' '), worse: load.worseOnTheWay };
}

describe('a load with work for hands', () => {
  const byHand = { packCells: cells + 1, forwardEndPointPercent: 90 };

  it('does the model before anything has power, and the radio when all is stored', () => {
    expect(order(byHand, () => [])).toEqual({
      words: 'packCells item-1 forwardEndPointPercent',
      worse: undefined,
    });
  });

  it('puts a propeller on behind everything that needs power, whatever else is safer', () => {
    const plane = defaultRig('sportPlane');
    const propeller = { ...byHand, packCells: plane.pack.cells + 1, propellerDiameterInches: 9 };
    const last = 'packCells item-1 forwardEndPointPercent propellerDiameterInches';
    expect(order(propeller, () => [], [change(1)], plane).words).toBe(last);
    expect(order(propeller, () => [], [], plane).words).toBe(last.replace('item-1 ', ''));
    // Even where every way is worse on the way.
    const always = ({ pack }: Rig, stops: StopByItem) =>
      (pack.cells === plane.pack.cells) === isMoved(stops) ? ['worse'] : [];
    expect(order(propeller, always, [change(1)], plane).words).toMatch(/propellerDiameterInches$/);
  });

  it('without any, is the safe order of the values alone', () => {
    expect(order({}, () => [], [change(1), change(2)]).words).toBe('item-1 item-2');
    const notTwoWithoutOne = (_: Rig, stops: StopByItem) =>
      isMoved(stops, 2) && !isMoved(stops, 1) ? ['worse'] : [];
    expect(order({}, notTwoWithoutOne, [change(2), change(1)]).words).toBe('item-1 item-2');
  });

  it('stores the cutoff for more cells before the pack with more cells is taken', () => {
    // A cutoff in volts of the whole pack: the old one would let each of more cells go too low.
    const ruinsThePack = ({ pack }: Rig, stops: StopByItem) =>
      pack.cells > cells && !isMoved(stops) ? ['This cutoff would ruin the pack.'] : [];
    expect(order(byHand, ruinsThePack)).toEqual({
      words: 'item-1 packCells forwardEndPointPercent',
      worse: undefined,
    });
  });

  it('turns the radio down before a value that needs it down', () => {
    const needsItDown = ({ channel }: Rig, stops: StopByItem) =>
      isMoved(stops) && channel.forwardEndPointPercent > 90 ? ['worse'] : [];
    expect(order(byHand, needsItDown)).toEqual({
      words: 'packCells forwardEndPointPercent item-1',
      worse: undefined,
    });
  });

  it('minds nothing that is so now, or will be so in the end', () => {
    const now = ({ pack }: Rig, stops: StopByItem) =>
      pack.cells === cells || !isMoved(stops) ? ['as now'] : [];
    const then = ({ pack }: Rig) => (pack.cells > cells ? ['as in the end'] : []);
    expect(order(byHand, now).words).toBe('packCells item-1 forwardEndPointPercent');
    expect(order(byHand, then).words).toBe('packCells item-1 forwardEndPointPercent');
  });

  it('says what is worse on the way where no order spares it', () => {
    const onlyTogether = ({ pack }: Rig, stops: StopByItem) =>
      pack.cells > cells === isMoved(stops) ? [] : ['only one of both'];
    expect(order({ packCells: cells + 1 }, onlyTogether)).toEqual({
      words: 'packCells item-1',
      worse: 'only one of both',
    });
  });
});

describe('a pack with more cells, by the verdicts on a real rig', () => {
  const small = smallProfile();
  const goals = usualGoals('tenthBuggy');
  const twoCells: Rig = { ...rig, pack: { ...rig.pack, cells: 2 } };
  const hazardsOf = (of: Rig, stops: StopByItem) =>
    verdictsOn({ rig: of, profile: small, stops, range: small.factoryRange, rules: undefined, goals })
      .filter(({ grade }) => grade === 'hazard')
      .map(({ title }) => title);
  const arranged = (from: string, to: string) =>
    arrangeLoad(
      {
        profile: small,
        rig: twoCells,
        handChanges: handChangesOf(twoCells, { packCells: 3 }),
        held: { ...factoryStops(small), floor: from },
        changes: [{ itemId: 'floor', fromStopId: from, toStopId: to }],
      },
      hazardsOf,
    );

  it('comes last where the old cutoff, in volts of the whole pack, would ruin it', () => {
    // 6.4 V for two cells is 3.2 V each; for three it would be 2.1 V.
    expect(arranged('floor-4', 'floor-3')).toMatchObject({
      before: [],
      after: [{ key: 'packCells', from: 2, to: 3 }],
      worseOnTheWay: undefined,
    });
  });

  it('comes first where the old cutoff counts by the cell', () => {
    expect(arranged('floor-2', 'floor-3')).toMatchObject({
      before: [{ key: 'packCells', from: 2, to: 3 }],
      after: [],
      worseOnTheWay: undefined,
    });
  });
});

describe('a step for hands', () => {
  it('says the number that is wanted, and the caution that goes with it', () => {
    const pinion = handStep({ key: 'pinionTeeth', from: 20, to: 16 });
    expect(pinion.line).toContain('16 teeth');
    expect(pinion.detail).toContain('No pack connected');
    const pack = handStep({ key: 'packCells', from: 2, to: 1 });
    expect(pack.line).toContain('1 cell in series');
    expect(pack.detail).toContain('Plug it in only when a step asks for power');
    expect(handStep({ key: 'brakeEndPointPercent', from: 100, to: 80 }).line).toContain(
      'brake end point to 80',
    );
  });
});
