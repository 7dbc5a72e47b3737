import { describe, expect, it } from 'vitest';
import { ARCHETYPES } from '../../archetypes/archetypes';
import { DEMO_PROFILES } from '../../../demo/demo';
import { readDocument } from '../../../formats/document';
import { factoryStops, itemForSetting, type EscProfile } from '../../esc/profile';
import { busLoad } from '../../rig/busLoads';
import { defaultRig } from '../../rig/defaults';
import type { EventRules } from '../../rig/eventRules';
import type { Rig } from '../../rig/rig';
import type { SettingId } from '../../settings/vocabulary';
import { perCell, perPack } from '../../settings/cutoff';
import { adviceFor } from '../advise';
import { usualGoals } from '../goals';
import { verdictsOn } from './verdictsOn';
import type { Verdict } from './verdict';

const profile = (readDocument(DEMO_PROFILES['tamsel-r60']) as unknown as { value: EscProfile }).value;
const FULL_RANGE = { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 };

const rigWith = (change: (rig: Rig) => void = () => undefined): Rig => {
  const rig = { ...defaultRig('tenthBuggy'), name: 'Test' };
  rig.pack.cells = 3;
  change(rig);
  return rig;
};

/** The verdicts after moving some settings to the stop with this label. */
function verdicts(moves: Partial<Record<SettingId, string>>, rig = rigWith(), rules?: EventRules): Verdict[] {
  const stops = { ...factoryStops(profile) };
  for (const [setting, label] of Object.entries(moves)) {
    const item = itemForSetting(profile, setting as SettingId)!;
    stops[item.id] = item.stops.find((s) => s.label === label)!.id;
  }
  const usual = usualGoals(rig.vehicleClass);
  // A heat: over a whole pack, three cells make this motor hot.
  const goals = { ...usual, use: { ...usual.use, raceMinutes: 2 } };
  return verdictsOn({ rig, profile, stops, range: FULL_RANGE, rules, goals });
}
const ids = (list: Verdict[]): string[] => list.map((v) => v.id);

describe('whole-pack cutoffs (common practice)', () => {
  it.each([
    [3, 3.0, 9.0],
    [3, 3.2, 9.6],
    [4, 3.5, 14.0],
    [6, 3.2, 19.2],
  ])('%i cells at %f V are %f V', (cells, volts, total) => {
    expect(perPack(volts, cells)).toBeCloseTo(total, 9);
    expect(perCell(total, cells)).toBeCloseTo(volts, 9);
  });

  it('a custom total left at 6.4 V on four cells is 1.6 V per cell', () => {
    expect(perCell(6.4, 4)).toBeCloseTo(1.6, 9);
  });
});

describe('verdicts', () => {
  it('have nothing to say about a plain set-up', () => {
    expect(verdicts({})).toEqual([]);
  });

  it('cutoff: a pack total made for two cells is a hazard on three, and sound on two', () => {
    const [verdict] = verdicts({ cutoff: 'Pack 6.6 V' });
    expect(verdict).toMatchObject({ id: 'cutoffOutOfRange', grade: 'hazard' });
    expect(verdict!.sentence).toContain('2.2');
    expect(
      ids(
        verdicts(
          { cutoff: 'Pack 6.6 V' },
          rigWith((rig) => (rig.pack.cells = 2)),
        ),
      ),
    ).toEqual([]);
  });

  it('cutoff: a total made for three cells stops two at once', () => {
    const [verdict] = verdicts(
      { cutoff: 'Pack 9.9 V' },
      rigWith((rig) => (rig.pack.cells = 2)),
    );
    expect(verdict?.title).toContain('stop the model at once');
  });

  it('cutoff: off is a caution that offers a sound stop', () => {
    const [verdict] = verdicts({ cutoff: 'None' });
    expect(verdict).toMatchObject({ id: 'cutoffOff', grade: 'caution' });
    expect(verdict!.remedies[0]!.label).toBe('Take 3.3 V a cell');
  });

  it('BEC: the lowest rating on the bus decides; at the rating there is no verdict', () => {
    const rig = rigWith(
      (r) =>
        (r.busLoads = [
          { ...busLoad('other'), name: 'big servo', maxVolts: 8.4 },
          { ...busLoad('other'), name: 'lamp', maxVolts: 6.0 },
        ]),
    );
    const [verdict] = verdicts({ becVolts: '6.8 V' }, rig);
    expect(verdict).toMatchObject({ id: 'becAboveRating', grade: 'hazard' });
    expect(verdict!.title).toContain('lamp');
    expect(verdict!.remedies[0]!.label).toBe('Take 6.0 V');
    expect(ids(verdicts({ becVolts: '6.0 V' }, rig))).toEqual([]);
  });

  it('brake: 50 % × 80 % style products are spelled out (common practice)', () => {
    const rig = rigWith((r) => (r.channel.brakeEndPointPercent = 80));
    const [verdict] = verdicts({ brakeStrength: '55 %', deadband: 'Thin' }, rig);
    expect(verdict?.id).toBe('brakeThroughRadio');
    expect(verdict?.sentence).toMatch(/55.% on the ESC × 79.% from the radio leaves 44.%/);
  });

  it('brake: is silent where pushing the trigger does not brake', () => {
    const rig = rigWith((r) => (r.channel.brakeEndPointPercent = 80));
    expect(ids(verdicts({ runningMode: 'Back at once' }, rig))).not.toContain('brakeThroughRadio');
  });

  it('pack: one cell above the ESC’s range is a hazard, the most it takes is not', () => {
    expect(
      ids(
        verdicts(
          {},
          rigWith((r) => (r.pack.cells = 4)),
        ),
      ),
    ).toContain('packAgainstEsc');
    expect(
      ids(
        verdicts(
          {},
          rigWith((r) => (r.pack.cells = 3)),
        ),
      ),
    ).not.toContain('packAgainstEsc');
  });

  it('running mode: forward only without drag brake is a hazard, with drag it is not', () => {
    expect(verdicts({ runningMode: 'Ahead only', dragBrake: '0 %' })[0]).toMatchObject({
      id: 'nothingBrakes',
      grade: 'hazard',
    });
    expect(ids(verdicts({ runningMode: 'Ahead only', dragBrake: '20 %' }))).toEqual([]);
  });

  it('put hazards first', () => {
    const grades = verdicts(
      { becVolts: '7.4 V', cutoff: 'None' },
      rigWith((r) => (r.busLoads = [{ ...busLoad('other'), name: 'lamp', maxVolts: 5 }])),
    ).map((v) => v.grade);
    expect(grades).toEqual(['hazard', 'caution']);
  });
});

describe('advice', () => {
  const advice = (setting: SettingId, rig = rigWith()) => {
    const item = itemForSetting(profile, setting)!;
    const found = adviceFor({ rig, goals: usualGoals(rig.vehicleClass), rules: undefined }, item);
    return (
      found && {
        ...found,
        labels: item.stops.filter((s) => found.stopIds.includes(s.id)).map((s) => s.label),
      }
    );
  };

  it('drag brake for a tenth-scale off-road car lies within 5 to 15 % (common practice)', () => {
    expect(advice('dragBrake')?.labels).toEqual(['8 %', '12 %']);
  });

  it('offers only stops that this ESC has, and takes one of them', () => {
    for (const item of profile.items) {
      const rig = rigWith();
      const found = adviceFor({ rig, goals: usualGoals(rig.vehicleClass), rules: undefined }, item);
      if (found) expect(item.stops.map((s) => s.id)).toContain(found.stopId);
    }
  });

  it('never advises a BEC voltage above a rating on the bus', () => {
    const rig = rigWith((r) => (r.busLoads = [{ ...busLoad('other'), name: 'lamp', maxVolts: 5.5 }]));
    expect(advice('becVolts', rig)?.labels).toEqual(['5.2 V']);
    expect(advice('becVolts')).toBeUndefined();
  });
});

describe('the rules of an event', () => {
  const rules: EventRules = { name: 'Spec class', noAdvance: true, noReverse: true, mostCells: 2, note: '' };
  const LEGAL = { runningMode: 'Brake only', advance: '0°' };
  const ids = (found: Verdict[]) =>
    found.filter(({ id }) => id.startsWith('againstRules')).map(({ id }) => id);

  it('too many cells and a reverse are hazards, with the stop that is legal', () => {
    const found = verdicts({ ...LEGAL, runningMode: 'Back at once' }, rigWith(), rules);
    expect(ids(found)).toEqual(['againstRules pack', 'againstRules trigger-back']);
    expect(found.find(({ setting }) => setting === 'runningMode')?.remedies[0]).toMatchObject({
      stopId: 'trigger-back-1',
    });
  });

  it('nothing is said where all is legal, nor where no event was chosen', () => {
    const legal = rigWith((r) => (r.pack.cells = 2));
    expect(ids(verdicts(LEGAL, legal, rules))).toEqual([]);
    expect(ids(verdicts({ runningMode: 'Back at once' }))).toEqual([]);
  });

  it('any advance is too much in a class without', () => {
    const spec = ARCHETYPES.find(({ profile: { id } }) => id === 'pattern-text-box')!.profile;
    const rig = rigWith((r) => (r.pack.cells = 2));
    const at = (advance: string) =>
      verdictsOn({
        rig,
        profile: spec,
        stops: { ...factoryStops(spec), advance },
        range: FULL_RANGE,
        rules,
        goals: usualGoals(rig.vehicleClass),
      });
    expect(ids(at('advance-1'))).toEqual([]);
    expect(ids(at('advance-2'))).toEqual(['againstRules advance']);
  });
});
