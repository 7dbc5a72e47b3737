import { describe, expect, it } from 'vitest';
import { usualGoals } from '../advice/goals';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import { rangeOf } from '../radio/pulse';
import { thermalOf } from '../rig/thermal';
import { testRig } from '../runs/runs.fixture';
import { coolMinutes } from './cooling';
import { heatForecast } from './heatForecast';
import { rigFacts, setKey, setsOf } from './rigFacts';

const profile = smallProfile();
const stops = factoryStops(profile);
const range = rangeOf(testRig.channel);
const on = { rig: testRig, profile, range, goals: usualGoals('tenthBuggy') };
const item = profile.items.find(({ setting }) => setting === 'brakeStrength')!;
const other = item.stops.find(({ id }) => id !== stops[item.id])!;
const tried = (stopId: string) => ({ stopId, stopNumber: null, label: stopId });
const question = { id: 'q', itemId: item.id, a: tried(stops[item.id]!), b: tried(other.id) };

describe('cooling', () => {
  const rig = { thermal: thermalOf('tenthBuggy'), fan: false, ambientC: 20 };

  it('of the ESC alone is Newton’s law: R·C·ln(ΔT at first / 10 K)', () => {
    const { escJPerK, escStill } = rig.thermal;
    const seconds = escJPerK * escStill * Math.log(50 / 10);
    expect(coolMinutes(rig, 20, 20, 70)).toBe(Math.ceil(seconds / 60));
  });

  it('takes nothing of what is cool, and longer the hotter it is', () => {
    expect(coolMinutes(rig, 25, 25, 25)).toBe(0);
    expect(coolMinutes(rig, 110, 95, 50)).toBeGreaterThan(coolMinutes(rig, 70, 65, 50));
  });
});

describe('what a day has to know of a rig', () => {
  const facts = rigFacts({
    rigId: 'r',
    on,
    memory: { stops, range },
    questions: [question],
    runMinutes: 6,
    airCelsius: 15,
  });

  it('has a load for every way between its sets, longer than what is done around it', () => {
    expect(setsOf(facts.returnsTo, [question]).map(setKey)).toHaveLength(2);
    expect(facts.loads.map(({ from, to }) => [setKey(from), setKey(to)])).toEqual([
      [`${item.id}=${stops[item.id]!}`, `${item.id}=${other.id}`],
      [`${item.id}=${other.id}`, `${item.id}=${stops[item.id]!}`],
    ]);
    for (const { seconds } of facts.loads) expect(seconds).toBeGreaterThan(60);
  });

  it('cools longer after a longer run, and puts everything back to what was held', () => {
    const longer = rigFacts({
      rigId: 'r',
      on,
      memory: { stops, range },
      questions: [question],
      runMinutes: 12,
      airCelsius: 15,
    });
    expect(longer.coolMinutes).toBeGreaterThanOrEqual(facts.coolMinutes);
    expect(facts.returnsTo).toEqual({ [item.id]: stops[item.id] });
    expect(facts.mahPerMinute).toBeGreaterThan(50);
  });
});

describe('the forecast of a heat', () => {
  const asked = { on, believed: stops, setUp: undefined, pack: undefined, airCelsius: 15 };

  it('lasts for a short one, and not for one of two hours', () => {
    const short = heatForecast({ ...asked, minutes: 4 });
    expect(short.lasts).toBe(true);
    expect(short.usedShare).toBeGreaterThan(0);
    const long = heatForecast({ ...asked, minutes: 120 });
    expect(long.lasts).toBe(false);
    expect(long.runs).toBeLessThan(120);
    expect(long.usedShare).toBeGreaterThan(short.usedShare);
  });

  it('is hotter on a warm day, and a worn pack sags deeper', () => {
    const warm = heatForecast({ ...asked, airCelsius: 35, minutes: 4 });
    expect(warm.canCelsius).toBeGreaterThan(heatForecast({ ...asked, minutes: 4 }).canCelsius);
    const { chemistry, cells, capacityAh } = testRig.pack;
    const on2 = (milliohms: number) =>
      heatForecast({
        ...asked,
        minutes: 4,
        pack: {
          pack: {
            id: 'p',
            label: 'P',
            chemistry,
            cells,
            capacityAh: capacityAh.value,
            ratingC: 50,
            mostChargeC: null,
            chargeAmps: 4,
            note: '',
          },
          entries: [
            {
              id: 'e',
              at: '2026-05-01T10:00:00.000Z',
              doing: 'checked',
              cellVolts: [],
              cellMilliohms: Array.from({ length: cells }, () => milliohms),
              note: '',
            },
          ],
        },
      });
    expect(on2(8).lowestCellVolts).toBeLessThan(on2(2).lowestCellVolts);
  });
});
