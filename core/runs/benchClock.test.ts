import { expect, it } from 'vitest';
import { onBenchClock } from './benchClock';

const NOTED = '2026-05-01T10:00:00.000Z';
/** Half an hour later, when it is sent. */
const NOW = Date.parse('2026-05-01T10:30:00.000Z');

it.each<[string, string | null, string]>([
  ['is right', '2026-05-01T10:30:00.000Z', NOTED],
  ['is on its way for some seconds', '2026-05-01T10:29:40.000Z', NOTED],
  ['is two hours ahead', '2026-05-01T12:30:00.000Z', '2026-05-01T08:00:00.000Z'],
  ['is a day behind', '2026-04-30T10:30:00.000Z', '2026-05-02T10:00:00.000Z'],
  ['does not say when it sends', null, NOTED],
  ['says nonsense', 'soon', NOTED],
])('dates what a phone noted by the bench’s clock where the phone %s', (_what, sentAt, noted) => {
  expect(onBenchClock(NOTED, sentAt, NOW)).toBe(noted);
});
