import { describe, expect, it } from 'vitest';
import type { PackEntry, PackLife } from '../packs/shelfPack';
import type { Heat, RaceDay } from './day';
import { raceSchedule } from './raceSchedule';
import { minuteOf } from './zoned';

const ZONE = 'Europe/Dublin';
const at = (time: string): number => minuteOf(`2026-06-20T${time}`, ZONE)!;
const heat = (id: string, time: string, part: Partial<Heat> = {}): Heat => ({
  id,
  name: `Heat ${id}`,
  rigId: 'buggy',
  startsAt: `2026-06-20T${time}`,
  minutes: 6,
  setUpId: null,
  packId: 'p1',
  ...part,
});
const race = (heats: Heat[], part: Partial<RaceDay> = {}): RaceDay => ({
  id: 'd',
  kind: 'race',
  name: 'Island race',
  place: 'Quay',
  timeZone: ZONE,
  date: '2026-06-20',
  airCelsius: null,
  chargers: 1,
  chargersWatched: true,
  note: '',
  heats,
  prepared: [],
  checks: [],
  ...part,
});
/** Without a word of what was done with it, a pack counts as empty. */
const pack = (id: string, doing: PackEntry['doing'] | null, time = '07:00'): PackLife => ({
  pack: {
    id,
    label: id.toUpperCase(),
    chemistry: 'lipo',
    cells: 2,
    capacityAh: 4,
    ratingC: 50,
    mostChargeC: null,
    chargeAmps: 4,
    note: '',
  },
  entries:
    doing === null
      ? []
      : [
          {
            id: `${id}-1`,
            at: new Date(at(time) * 60_000).toISOString(),
            doing,
            cellVolts: [],
            cellMilliohms: [],
            note: '',
          },
        ],
  runs: [],
});
const sentences = (day: RaceDay, packs: PackLife[], now = at('08:00')) =>
  raceSchedule(day, packs, now).faults.map(({ sentence }) => sentence);

describe('packs of a race day', () => {
  it('go on the charger at once, and by when at the latest is said', () => {
    const { steps, faults } = raceSchedule(race([heat('1', '10:00')]), [pack('p1', null)], at('08:00'));
    expect(steps.find(({ kind }) => kind === 'charge')).toMatchObject({
      from: at('08:00'),
      to: at('09:12'),
      // 72 minutes at 1C, and five before the start the model is ready.
      latest: at('08:43'),
    });
    expect(faults).toEqual([]);
  });

  it('are not charged the evening before, unless the chargers are too few', () => {
    const evening = at('08:00') - 12 * 60;
    const day = (chargers: number) =>
      race([heat('1', '10:00'), heat('2', '10:10', { packId: 'p2' }), heat('3', '10:20', { packId: 'p3' })], {
        chargers,
      });
    const packs = ['p1', 'p2', 'p3'].map((id) => pack(id, null));
    const first = (chargers: number) => raceSchedule(day(chargers), packs, evening).steps[0];
    expect(first(3)).toMatchObject({ kind: 'charge', from: at('07:00') });
    expect(first(1)).toMatchObject({ kind: 'charge', from: evening });
    expect(raceSchedule(day(1), packs, evening).faults).toEqual([]);
  });

  it('that are used rest before they are charged again', () => {
    const { steps } = raceSchedule(
      race([heat('1', '10:00'), heat('2', '12:00')]),
      [pack('p1', 'charged')],
      at('08:00'),
    );
    expect(steps.find(({ kind }) => kind === 'charge')).toMatchObject({ from: at('10:21'), to: at('11:33') });
  });

  it('wait for the only charger, and it is said who comes too late', () => {
    const heats = [heat('1', '09:30'), heat('2', '10:00', { packId: 'p2' })];
    expect(sentences(race(heats), [pack('p1', null), pack('p2', null)])).toEqual([
      'P2 is not charged in time: 29\u00a0min too late.',
    ]);
    expect(sentences(race(heats, { chargers: 2 }), [pack('p1', null), pack('p2', null)])).toEqual([]);
    expect(sentences(race(heats, { chargers: 0 }), [pack('p1', 'charged'), pack('p2', null)])).toEqual([
      'P2 is not charged, and there is no charger.',
    ]);
  });

  it('were used in a heat that is over, whether its run was noted or not', () => {
    const day = race([heat('1', '10:00'), heat('2', '12:00')]);
    const charges = (life: PackLife, time: string) =>
      raceSchedule(day, [life], at(time)).steps.filter(({ kind }) => kind === 'charge');
    expect(charges(pack('p1', 'charged'), '10:30')).toMatchObject([{ heatId: '2', from: at('10:30') }]);
    // Charged again since: nothing is left to do.
    expect(charges(pack('p1', 'charged', '11:40'), '11:45')).toEqual([]);
  });

  it('of a heat that is being driven are no longer late for it', () => {
    expect(sentences(race([heat('1', '10:00')]), [pack('p1', null)], at('10:02'))).toEqual([]);
  });

  it('do not charge alone while their driver drives', () => {
    const heats = [heat('1', '10:00'), heat('2', '12:00')];
    const alone = (chargersWatched: boolean) =>
      sentences(
        race([...heats, heat('3', '11:00', { rigId: 'crawler', packId: null })], { chargersWatched }),
        [pack('p1', 'charged')],
      );
    expect(alone(true)).toEqual([]);
    expect(alone(false)).toEqual([expect.stringContaining('would charge alone during it')]);
  });

  it('that are puffed are never driven', () => {
    expect(sentences(race([heat('1', '10:00')]), [pack('p1', 'puffed')])[0]).toContain('may not be used');
  });
});

describe('set-ups of a race day', () => {
  it('are loaded before the first heat that has them, and put back behind the last', () => {
    const heats = [
      heat('1', '10:00', { setUpId: 'dry' }),
      heat('2', '11:00', { setUpId: 'dry', packId: null }),
      heat('3', '12:00', { setUpId: 'wet', packId: null }),
    ];
    const { steps } = raceSchedule(race(heats), [pack('p1', 'charged')], at('08:00'));
    expect(steps.map(({ kind }) => kind)).toEqual(['load', 'heat', 'heat', 'load', 'heat', 'putBack']);
    expect(steps[0]).toMatchObject({ setUpId: 'dry', from: at('09:40'), to: at('09:55') });
    expect(steps.at(-1)).toMatchObject({ rigId: 'buggy', from: at('12:06') });
  });

  it('it is said where there is no time for another one, and where two heats meet', () => {
    const heats = [
      heat('1', '10:00', { packId: null }),
      heat('2', '10:20', { setUpId: 'wet', packId: null }),
      heat('3', '10:24', { setUpId: 'wet', packId: null }),
    ];
    expect(sentences(race(heats), [])).toEqual([
      'Only 14\u00a0min to load another set-up and be ready.',
      'It starts before “Heat 2” is over.',
    ]);
  });

  it('a heat past midnight comes behind those of its evening', () => {
    const night = heat('2', '00:10', { startsAt: '2026-06-21T00:10', packId: null });
    const { steps } = raceSchedule(race([night, heat('1', '23:30', { packId: null })]), [], at('20:00'));
    expect(steps.map((step) => step.kind === 'heat' && step.heatId)).toEqual(['1', '2']);
    expect(steps[1]!.from - steps[0]!.from).toBe(40);
  });
});
