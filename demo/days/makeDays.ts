/** The demo's shelf of packs and its two days, on the weekend that comes after a date: a day that is long over shows nothing. */
import type { Day } from '#core/days/day';
import { checklistFor } from '#core/days/checklists';
import { dayAfter, type LocalDate } from '#core/days/zoned';
import type { PackEntry, ShelfPack } from '#core/packs/shelfPack';
import type { Asked } from '#core/runs/asked';
import type { PackFile } from '#formats/pack';

/** The rigs of the demo by the names of their files. */
export interface DemoRigs {
  buggy: string;
  crawler: string;
}

/** The club's clock: the island keeps Irish time. */
const ZONE = 'Europe/Dublin';
const PLACE = 'kelp beach, north end';

const pack = (
  id: string,
  label: string,
  part: Pick<ShelfPack, 'cells' | 'capacityAh' | 'chargeAmps'>,
): ShelfPack => ({
  id,
  label,
  chemistry: 'lipo',
  ratingC: 50,
  mostChargeC: null,
  note: '',
  ...part,
});
const BUGGY = { cells: 2, capacityAh: 5.2, chargeAmps: 5.2 };
const CRAWLER = { cells: 3, capacityAh: 2.4, chargeAmps: 2.4 };
const WING = { cells: 3, capacityAh: 3, chargeAmps: 3 };

const entry = (id: string, at: string, part: Partial<PackEntry>): PackEntry => ({
  id,
  at,
  doing: 'checked',
  cellVolts: [],
  cellMilliohms: [],
  note: '',
  ...part,
});
const stored = (id: string, at: string, cellVolts: number[]): PackEntry =>
  entry(id, at, { doing: 'stored', cellVolts });

/** Packs with a little life: measured in spring, put away in autumn. */
export const DEMO_PACKS: readonly PackFile[] = [
  {
    pack: pack('demo-blue', 'Blue', BUGGY),
    entries: [
      entry('blue-1', '2026-04-05T09:00:00.000Z', { cellMilliohms: [1.9, 2], note: 'new' }),
      entry('blue-2', '2026-06-07T09:00:00.000Z', { cellMilliohms: [2.1, 2.3] }),
      entry('blue-3', '2026-09-06T09:00:00.000Z', { cellMilliohms: [2.4, 2.7] }),
      stored('blue-4', '2026-10-04T17:00:00.000Z', [3.83, 3.84]),
    ],
  },
  {
    pack: pack('demo-red', 'Red', BUGGY),
    entries: [
      entry('red-1', '2026-04-05T09:10:00.000Z', { cellVolts: [3.84, 3.85], cellMilliohms: [2, 2] }),
      entry('red-2', '2026-09-06T09:10:00.000Z', { cellMilliohms: [2.3, 3.1] }),
      stored('red-3', '2026-10-04T17:05:00.000Z', [3.86, 3.79]),
    ],
  },
  {
    pack: pack('demo-cliff-1', 'Cliff 1', CRAWLER),
    entries: [stored('cliff-1', '2026-10-04T17:10:00.000Z', [3.82, 3.82, 3.83])],
  },
  {
    pack: pack('demo-cliff-2', 'Cliff 2', CRAWLER),
    entries: [stored('cliff-2', '2026-10-04T17:12:00.000Z', [3.84, 3.83, 3.84])],
  },
  {
    pack: pack('demo-wing-1', 'Wing 1', WING),
    entries: [stored('wing-1', '2026-10-04T17:15:00.000Z', [3.81, 3.82, 3.81])],
  },
  {
    pack: pack('demo-wing-0', 'Wing 0', WING),
    entries: [
      entry('wing-0', '2026-08-02T12:00:00.000Z', { doing: 'puffed', note: 'after the hard landing' }),
    ],
  },
];

const stop = (stopId: string, stopNumber: number, label: string) => ({ stopId, stopNumber, label });

/** What the club wants to know, by rig. */
export const DEMO_QUESTIONS: readonly { rig: keyof DemoRigs; asked: Asked }[] = [
  {
    rig: 'buggy',
    asked: {
      kind: 'compare',
      id: 'demo-stop-purr',
      madeAt: '2026-10-01T18:00:00.000Z',
      words: 'Does it stop shorter with the slower brake frequency?',
      reading: 'stopMetres',
      itemId: 'stopper-pitch',
      itemNumber: 7,
      itemLabel: 'Stopper pitch',
      a: stop('stopper-pitch-5', 5, '8 kHz'),
      b: stop('stopper-pitch-3', 3, '3 kHz'),
    },
  },
  {
    rig: 'crawler',
    asked: {
      kind: 'compare',
      id: 'demo-crawler-ahead',
      madeAt: '2026-10-01T18:05:00.000Z',
      words: 'How much hotter is the can with 10° ahead?',
      reading: 'canCelsius',
      itemId: 'ahead',
      itemNumber: 8,
      itemLabel: 'Ahead',
      a: stop('ahead-1', 1, '0°'),
      b: stop('ahead-3', 3, '10°'),
    },
  },
];

/** The Saturday from a date on. */
function saturdayFrom(date: LocalDate): LocalDate {
  let day = date;
  while (new Date(`${day}T12:00:00Z`).getUTCDay() !== 6) day = dayAfter(day);
  return day;
}

/** A test day on the next Saturday and a race the day after. @param today YYYY-MM-DD */
export function demoDays(today: LocalDate, rigs: DemoRigs): Day[] {
  const saturday = saturdayFrom(today);
  const sunday = dayAfter(saturday);
  const every = { place: PLACE, timeZone: ZONE, airCelsius: 12, chargersWatched: true, note: '' };
  return [
    {
      ...every,
      id: 'demo-test-day',
      kind: 'test',
      name: 'Club test day',
      date: saturday,
      startsAt: `${saturday}T10:00`,
      endsAt: `${saturday}T15:00`,
      chargers: 2,
      packIds: ['demo-blue', 'demo-red', 'demo-cliff-1', 'demo-cliff-2'],
      questions: [
        { rigId: rigs.buggy, questionId: 'demo-stop-purr', importance: 1, runMinutes: 5, onePack: false },
        {
          rigId: rigs.crawler,
          questionId: 'demo-crawler-ahead',
          importance: 2,
          runMinutes: 8,
          onePack: false,
        },
      ],
      facts: [],
      events: [],
    },
    {
      ...every,
      id: 'demo-race-day',
      kind: 'race',
      name: 'Island race',
      date: sunday,
      chargers: 1,
      heats: [
        ['1', 'Qualifying 1', '11:00', 'demo-blue'],
        ['2', 'Qualifying 2', '12:30', 'demo-red'],
        ['3', 'Final', '15:00', 'demo-blue'],
      ].map(([id, name, time, packId]) => ({
        id: `demo-heat-${id!}`,
        name: name!,
        rigId: rigs.buggy,
        startsAt: `${sunday}T${time!}`,
        minutes: 6,
        setUpId: 'island-race',
        packId: packId!,
      })),
      prepared: [{ id: 'demo-dry', when: 'the sand dries', rigId: rigs.buggy, setUpId: 'dry-sand' }],
      checks: checklistFor(['tenthBuggy']).map((words, n) => ({
        id: `demo-check-${n + 1}`,
        words,
        doneAt: null,
      })),
    },
  ];
}
