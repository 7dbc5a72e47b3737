import { describe, expect, it } from 'vitest';
import { factoryStops } from '../esc/profile';
import { smallProfile } from '../esc/smallProfile.fixture';
import type { PackEntry, PackLife } from '../packs/shelfPack';
import type { Question } from '../runs/question';
import { testRig } from '../runs/runs.fixture';
import type { TestDay } from './day';
import { planDay } from './planDay';
import { testDayProblem, type DayNow } from './testDayProblem';
import { minuteOf } from './zoned';

const held = factoryStops(smallProfile());
const question: Question = {
  id: 'q',
  madeAt: '2026-05-01T10:00:00.000Z',
  words: 'Shorter?',
  reading: 'stopMetres',
  itemId: 'bite',
  itemNumber: 3,
  itemLabel: 'bite',
  a: { stopId: held.bite!, stopNumber: 1, label: 'A' },
  b: { stopId: 'other', stopNumber: 2, label: 'B' },
};
const at = (time: string): number => minuteOf(`2026-06-20T${time}`, 'UTC')!;
const iso = (time: string): string => new Date(at(time) * 60_000).toISOString();
const pack = (id: string, doing: PackEntry['doing'], time: string): PackLife => ({
  pack: {
    id,
    label: id,
    chemistry: testRig.pack.chemistry,
    cells: testRig.pack.cells,
    capacityAh: 4,
    ratingC: 50,
    mostChargeC: null,
    chargeAmps: 4,
    note: '',
  },
  entries: [{ id: `${id}-1`, at: iso(time), doing, cellVolts: [], cellMilliohms: [], note: '' }],
  runs: [],
});
const A = { bite: held.bite! };
const B = { bite: 'other' };
const DAY: TestDay = {
  id: 'd',
  kind: 'test',
  name: 'Test day',
  place: '',
  timeZone: 'UTC',
  date: '2026-06-20',
  airCelsius: null,
  chargers: 1,
  chargersWatched: true,
  note: '',
  startsAt: '2026-06-20T10:00',
  endsAt: '2026-06-20T14:00',
  packIds: ['p1', 'p2'],
  questions: [{ rigId: 'r', questionId: 'q', importance: 1, runMinutes: 6, onePack: false }],
  facts: [
    {
      rigId: 'r',
      questionIds: ['q'],
      runMinutes: 6,
      airCelsius: null,
      returnsTo: A,
      coolMinutes: 20,
      mahPerMinute: 200,
      loads: [
        { from: A, to: B, seconds: 90 },
        { from: B, to: A, seconds: 150 },
      ],
    },
  ],
  events: [],
};
const now = (part: Partial<DayNow> = {}): DayNow => ({
  day: DAY,
  now: at('09:00'),
  rigs: [{ rigId: 'r', rig: testRig, held }],
  questions: [question],
  packs: [pack('p1', 'charged', '08:00'), pack('p2', 'stored', '08:00')],
  runs: [],
  ...part,
});
const run = (side: 'A' | 'B', time: string, packId: string | null = 'p1') => ({
  questionId: 'q',
  side,
  packId,
  at: at(time),
  minutes: 6,
});

describe('a test day as the planner takes it', () => {
  it('begins with its hours, and goes on from now', () => {
    expect(testDayProblem(now())).toMatchObject({ startsAt: at('10:00'), endsAt: at('14:00') });
    expect(testDayProblem(now({ now: at('11:30') })).startsAt).toBe(at('11:30'));
  });

  it('a delay that was told counts from when it was told, and the end of the day ends it', () => {
    const late = { at: iso('10:05'), what: 'late' as const, questionId: '', minutes: 30 };
    const day = { ...DAY, events: [late] };
    expect(testDayProblem(now({ day, now: at('10:06') })).startsAt).toBe(at('10:35'));
    const over = { ...DAY, events: [{ ...late, what: 'end' as const }] };
    expect(planDay(testDayProblem(now({ day: over, now: at('10:06') }))).steps).toEqual([]);
  });

  it('loads take whole minutes of their real plans', () => {
    const { loads } = testDayProblem(now());
    expect(loads.map(({ minutes }) => minutes)).toEqual([2, 3]);
  });

  it('what the ESC holds otherwise is loaded from there as slowly as the slowest', () => {
    const odd = now({ rigs: [{ rigId: 'r', rig: testRig, held: { ...held, bite: 'odd' } }] });
    const { rigs, loads } = testDayProblem(odd);
    const { holds, returnsTo } = rigs[0]!;
    expect(loads.find((one) => one.from === holds && one.to === returnsTo)!.minutes).toBe(3);
    expect(planDay(testDayProblem(odd)).answered).toEqual(['q']);
  });

  it('what was driven is left out, and the motor of the last run cools first', () => {
    const problem = testDayProblem(now({ now: at('10:20'), runs: [run('A', '10:15')] }));
    expect(problem.questions[0]!.runs.map(({ side }) => side)).toEqual(['B', 'A']);
    expect(problem.questions[0]).toMatchObject({ isBegun: true });
    expect(problem.rigs[0]!.coolAt).toBe(at('10:35'));
    const all = [run('A', '10:15'), run('B', '10:45'), run('A', '11:15')];
    expect(testDayProblem(now({ runs: all })).questions).toEqual([]);
  });

  it('a question that is skipped is gone, and what was loaded for it is put back', () => {
    const day = {
      ...DAY,
      events: [{ at: iso('10:30'), what: 'skip' as const, questionId: 'q', minutes: 0 }],
    };
    const midway = now({
      day,
      now: at('10:31'),
      rigs: [{ rigId: 'r', rig: testRig, held: { ...held, ...B } }],
    });
    expect(planDay(testDayProblem(midway)).steps).toMatchObject([{ kind: 'load', questionId: null }]);
  });

  it('a pack on the charger keeps its charger until it is full; a used one rests', () => {
    const packs = [pack('p1', 'onCharger', '10:00'), pack('p2', 'stored', '08:00')];
    const problem = testDayProblem(now({ now: at('10:10'), packs }));
    const first = problem.packs[0]!;
    expect(first).toMatchObject({ isCharged: true, readyAt: at('11:12') });
    expect(problem.chargers).toEqual([at('11:12')]);
    const [driven] = testDayProblem(
      now({
        now: at('10:20'),
        runs: [run('A', '10:18')],
        packs: [{ ...pack('p1', 'charged', '08:00'), runs: [packRun('10:18')] }],
      }),
    ).packs;
    expect(driven).toMatchObject({ isCharged: false, readyAt: at('10:33') });
    // 6 minutes of 200 mAh and a fifth more: 36 % of 4 Ah; a charge from empty takes twice as long.
    expect(driven!.firstChargeMinutes).toBe(driven!.chargeMinutes);
    expect(driven!.chargeMinutes).toBeLessThan(40);
  });

  it('a puffed pack, and one of other cells, are not there', () => {
    const other = pack('p2', 'charged', '08:00');
    const packs = [
      pack('p1', 'puffed', '08:00'),
      { ...other, pack: { ...other.pack, cells: testRig.pack.cells + 1 } },
    ];
    expect(testDayProblem(now({ packs })).packs).toEqual([]);
  });
});

const packRun = (time: string): PackLife['runs'][0] => ({
  rigId: 'r',
  rigName: 'Test',
  number: 1,
  drivenAt: iso(time),
  minutes: 6,
  lowestVolts: null,
  putBackMah: null,
});
