/** A season of the demo as its owners noted it. */
import type { StopByItem } from '#core/esc/profile';
import type { ReadingId } from '#core/runs/readings';
import type { RunNote } from '#core/runs/run';

export interface SeasonRun {
  /** ISO 8601. */
  at: string;
  minutes: number;
  airCelsius: number;
  /** What the ESC held other than factory values. */
  stops: StopByItem;
  log: boolean;
  /** What a hand read, where there is no log. */
  read: readonly ReadingId[];
  note: Partial<RunNote>;
  /** Wrong on purpose: its rpm was counted with half the pole pairs. */
  wrongRpm?: boolean;
}

const HAND: readonly ReadingId[] = ['canCelsius', 'lowestVolts', 'putBackMah'];
const SAND = { place: 'kelp beach', surface: 'middling' } as const;
const FIRM: StopByItem = { 'stopper-pitch': 'stopper-pitch-3' };
const SOFT: StopByItem = { ...FIRM, pounce: 'pounce-3' };

/** Wet sand, kelp, one pack blue and one red. */
export const BUGGY_SEASON: readonly SeasonRun[] = [
  {
    at: '2026-04-11T13:10:00Z',
    minutes: 3,
    airCelsius: 11,
    stops: {},
    log: true,
    read: [],
    note: {
      ...SAND,
      pack: 'Blue',
      felt: { brake: 'more' },
      words: 'First run of the year. Brake is weak when slow.',
    },
  },
  {
    at: '2026-04-11T14:05:00Z',
    minutes: 3,
    airCelsius: 12,
    stops: {},
    log: true,
    read: [],
    note: {
      ...SAND,
      pack: 'Red',
      felt: { brake: 'more', midPull: 'right' },
      words: 'The same with the other pack.',
    },
  },
  {
    at: '2026-04-18T12:40:00Z',
    minutes: 3,
    airCelsius: 14,
    stops: FIRM,
    log: true,
    read: [],
    note: { ...SAND, pack: 'Blue', felt: { brake: 'right' }, words: 'Stops at the marker now.' },
  },
  {
    at: '2026-05-02T10:20:00Z',
    minutes: 6,
    airCelsius: 15,
    stops: FIRM,
    log: false,
    read: HAND,
    note: { ...SAND, pack: 'Blue', felt: { pullAway: 'less' }, words: 'Spins on the wet strip.' },
  },
  {
    at: '2026-05-02T11:15:00Z',
    minutes: 6,
    airCelsius: 16,
    stops: SOFT,
    log: false,
    read: HAND,
    note: {
      ...SAND,
      pack: 'Red',
      felt: { pullAway: 'right', brake: 'right' },
      words: 'Pounce at 3: much calmer.',
    },
  },
  {
    at: '2026-05-23T13:30:00Z',
    minutes: 6,
    airCelsius: 18,
    stops: SOFT,
    log: false,
    read: [...HAND, 'escCelsius'],
    note: { ...SAND, pack: 'Blue', felt: { flatOut: 'right' }, cooling: 'shell with the wide openings' },
  },
  {
    at: '2026-06-13T12:00:00Z',
    minutes: 3,
    airCelsius: 19,
    stops: SOFT,
    log: true,
    read: [],
    wrongRpm: true,
    note: { ...SAND, pack: 'Red', words: 'Logger was set to one pole pair. The rpm cannot be right.' },
  },
  {
    at: '2026-06-13T13:00:00Z',
    minutes: 6,
    airCelsius: 19,
    stops: SOFT,
    log: false,
    read: [...HAND, 'topRpm'],
    note: {
      ...SAND,
      pack: 'Blue',
      felt: { flatOut: 'more' },
      words: 'Long straight: would take a tooth more.',
    },
  },
  {
    at: '2026-07-04T09:45:00Z',
    minutes: 6,
    airCelsius: 21,
    stops: SOFT,
    log: false,
    read: HAND,
    note: { ...SAND, pack: 'Red', felt: { midPull: 'right' }, words: 'Dust later in the day.' },
  },
  {
    at: '2026-07-04T11:00:00Z',
    minutes: 6,
    airCelsius: 22,
    stops: SOFT,
    log: false,
    read: HAND,
    note: { ...SAND, pack: 'Blue', leftOut: 'a wheel nut was loose', words: 'Wobbled all the way.' },
  },
  {
    at: '2026-09-12T12:20:00Z',
    minutes: 8,
    airCelsius: 16,
    stops: SOFT,
    log: false,
    read: [...HAND, 'escCelsius'],
    note: {
      ...SAND,
      pack: 'Blue',
      felt: { brake: 'right', pullAway: 'right' },
      words: 'Island race, first heat.',
    },
  },
  {
    at: '2026-09-12T14:10:00Z',
    minutes: 8,
    airCelsius: 17,
    stops: SOFT,
    log: false,
    read: HAND,
    note: { ...SAND, pack: 'Red', words: 'Island race, second heat. Third of nine.' },
  },
];

const FIELD = { place: 'headland field', pack: 'Wing 1' } as const;
const flight = (at: string, airCelsius: number, note: Partial<RunNote>): SeasonRun => ({
  at,
  minutes: 3,
  airCelsius,
  stops: {},
  log: true,
  read: [],
  note: { ...FIELD, ...note },
});

export const TRAINER_SEASON: readonly SeasonRun[] = [
  flight('2026-05-09T09:30:00Z', 13, { words: 'Calm morning. First flight with the logger.' }),
  flight('2026-05-09T10:10:00Z', 14, { felt: { pullAway: 'right' } }),
  flight('2026-05-30T09:00:00Z', 15, { words: 'A little wind from the sea.' }),
  flight('2026-06-20T10:40:00Z', 17, {
    felt: { flatOut: 'right' },
    words: 'Three pupils, one after the other.',
  }),
];
