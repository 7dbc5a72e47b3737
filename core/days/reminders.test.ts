import { expect, it } from 'vitest';
import type { PackDoing, PackLife } from '../packs/shelfPack';
import { remindersOf } from './reminders';

const NOW = Date.UTC(2026, 4, 10);
const life = (doing: PackDoing, daysAgo: number): PackLife => ({
  pack: {
    id: 'p1',
    label: 'Blue',
    chemistry: 'lipo',
    cells: 2,
    capacityAh: 4,
    ratingC: null,
    mostChargeC: null,
    chargeAmps: 4,
    note: '',
  },
  entries: [
    {
      id: 'e',
      at: new Date(NOW - daysAgo * 86_400_000).toISOString(),
      doing,
      cellVolts: doing === 'checked' ? [3.5, 3.5] : [],
      cellMilliohms: [],
      note: '',
    },
  ],
  runs: [],
});
const rig = { id: 'r', name: 'Buggy', overdue: [], unknownSinceUpdate: 0 };

it('a pack that lies full or used for days is asked for, one at storage voltage is not', () => {
  expect(remindersOf([life('charged', 1)], [], NOW)).toEqual([]);
  expect(remindersOf([life('charged', 3)], [], NOW)[0]!.sentence).toBe('Blue: It has been full for 3 days.');
  expect(remindersOf([life('checked', 3)], [], NOW)[0]!.remedy).toBe('Bring it to storage voltage.');
  expect(remindersOf([life('stored', 30)], [], NOW)).toEqual([]);
  expect(remindersOf([life('retired', 30)], [], NOW)).toEqual([]);
});

it('what stayed from an event comes before firmware that was not read again', () => {
  const rigs = [
    { ...rig, name: 'Crawler', unknownSinceUpdate: 1 },
    { ...rig, overdue: ['Stopper', 'Limit'] },
    rig,
  ];
  expect(remindersOf([], rigs, NOW).map(({ sentence }) => sentence)).toEqual([
    'Buggy: Stopper, Limit are still as for the event.',
    'Crawler: 1 value is unknown since a firmware update.',
  ]);
});
