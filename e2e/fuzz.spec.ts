import { seededNumbers } from '#core/units/seeded';
import { ADDRESSES } from './addresses';
import { ADDRESS } from './setting';
import { openNewRig } from './rigs';
import { expect, test } from './test';

/** Said with the test where it fails: the same seed asks the same. */
const SEED = 20_26;
const REQUESTS = 3000;
const AT_ONCE = 8;
/** What has not answered by then never does, however busy the machine is. */
const HANGING_MS = 60_000;

const METHODS = [
  'GET',
  'GET',
  'POST',
  'POST',
  'POST',
  'DELETE',
  'HEAD',
  'PUT',
  'PATCH',
  'OPTIONS',
  'PROPFIND',
];
const TYPES = [
  'application/json',
  'application/x-www-form-urlencoded',
  'multipart/form-data; boundary=x',
  'text/plain',
  'application/xml',
  '',
];
const TEXTS = [
  '',
  'x',
  '\u0000',
  '\ud83c',
  '__proto__',
  'constructor',
  '-1',
  '1e400',
  'NaN',
  '9'.repeat(40),
  'ä🏁',
  '../../etc/passwd',
  '<script>',
  "'; DROP TABLE rigs; --",
  'null',
  'a'.repeat(5000),
];
const PARAMETERS = [
  'no-such',
  '00000000-0000-0000-0000-000000000000',
  '__proto__',
  'constructor',
  '%00',
  '%ff',
  '1',
  '-1',
  '99999999999999999999',
  'x'.repeat(300),
  '..%2f..',
];
/** Names that forms and messages of the application have. */
const FIELDS = [
  'intent',
  'rigId',
  'file',
  'rules',
  'cause',
  'delete',
  'byHand',
  'value',
  'load',
  'medium',
  'changed',
  'note',
  'sheet',
  'baseRevision',
  'stops',
  'byHand',
  'do',
  'intents',
  'passCode',
  'memory',
  'seen',
  'calibration',
  'purpose',
  'surface',
  'name',
  'vehicleClass',
  'document',
  'test',
  'ticked',
  'line',
  'itemId',
  'stopId',
  'reading',
];

test('whatever is asked is answered: no error of the server, none that hangs, none that tells its inside', async ({
  page,
}) => {
  const rigId = await openNewRig(page, 'Asked rig', 'tune');
  const random = seededNumbers(SEED);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

  const anyValue = (depth = 0): unknown => {
    const kind = random();
    if (kind < 0.45) return pick(TEXTS);
    if (kind < 0.6) return pick([0, -1, 1.5, 1e308, 2 ** 53, null, true]);
    if (depth > 3) return {};
    if (kind < 0.75) return Array.from({ length: Math.floor(random() * 4) }, () => anyValue(depth + 1));
    return Object.fromEntries(
      Array.from({ length: Math.floor(random() * 5) }, () => [
        pick([...FIELDS, ...TEXTS.slice(0, 6)]),
        anyValue(depth + 1),
      ]),
    );
  };
  const anyBody = (type: string): string => {
    if (random() < 0.1) return pick(TEXTS);
    const fields = Array.from(
      { length: Math.floor(random() * 6) },
      () => [pick(FIELDS), pick(TEXTS)] as const,
    );
    if (type.includes('json')) return random() < 0.15 ? '{"a":' : JSON.stringify(anyValue());
    if (type.includes('urlencoded'))
      return new URLSearchParams(fields.map(([name, text]) => [name, text])).toString();
    if (type.includes('multipart'))
      return `${fields.map(([name, text]) => `--x\r\nContent-Disposition: form-data; name="${name}"${random() < 0.3 ? '; filename="f"' : ''}\r\n\r\n${text}\r\n`).join('')}--x--\r\n`;
    return pick(TEXTS);
  };

  const bad: string[] = [];
  const askOnce = async (n: number): Promise<void> => {
    const path = pick(ADDRESSES)
      .replaceAll(':rigId', () => (random() < 0.7 ? rigId : pick(PARAMETERS)))
      .replaceAll(/:\w+/g, () => pick(PARAMETERS));
    const method = pick(METHODS);
    const type = pick(TYPES);
    const hasBody = method !== 'GET' && method !== 'HEAD';
    const body = hasBody ? anyBody(type) : undefined;
    const search =
      random() < 0.15
        ? `?${pick(FIELDS)}=${encodeURIComponent(pick(TEXTS.filter((text) => text !== '\ud83c')))}`
        : random() < 0.1
          ? '?index'
          : '';
    const said = `request ${n}: ${method} ${path}${search} ${type} ${body?.slice(0, 200) ?? ''}`;
    try {
      const response = await fetch(`${ADDRESS}${path}${search}`, {
        method,
        body,
        redirect: 'manual',
        headers: { origin: ADDRESS, ...(type !== '' && hasBody && { 'content-type': type }) },
        signal: AbortSignal.timeout(HANGING_MS),
      });
      const text = await response.text();
      if (response.status >= 500) bad.push(`${response.status} to ${said}`);
      if (/\bat .*\(.*:\d+:\d+\)|node_modules|SequelizeDatabaseError/.test(text))
        bad.push(`its inside to ${said}`);
    } catch (error) {
      bad.push(`${(error as Error).message} to ${said}`);
    }
  };
  let asked = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (asked < REQUESTS) await askOnce((asked += 1));
    }),
  );
  expect(bad.slice(0, 20), `seed ${SEED}`).toEqual([]);

  // And it is as it was: the rig that was asked about can be worked with.
  await page.goto(`/rigs/${rigId}/tune`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});

test('what is too large, of no type that is known, or no whole message, is refused with its own number', async ({
  page,
}) => {
  const rigId = await openNewRig(page, 'Refusing rig', 'tune');
  const send = async (
    path: string,
    init: { method?: string; headers?: Record<string, string>; body?: string },
  ) =>
    (
      await fetch(`${ADDRESS}${path}`, {
        method: 'POST',
        ...init,
        headers: { origin: ADDRESS, ...init.headers },
      })
    ).status;
  const json = { 'content-type': 'application/json' };
  expect(await send(`/rigs/${rigId}/draft`, { headers: json, body: 'x'.repeat(1_000_001) })).toBe(413);
  expect(await send(`/rigs/${rigId}/draft`, { headers: json, body: '{"baseRevision":' })).toBe(400);
  expect(await send(`/rigs/${rigId}/draft`, { headers: json, body: 'null' })).toBe(400);
  expect(await send(`/rigs/${rigId}/draft`, { headers: { 'content-type': 'text/plain' }, body: '{}' })).toBe(
    415,
  );
  expect(await send(`/rigs/${rigId}/draft`, { method: 'PROPFIND' })).toBe(405);
  expect(await send('/rigs/no-such-rig/draft', { headers: json, body: '{}' })).toBe(404);
  const page1 = await fetch(`${ADDRESS}/rigs/${rigId}/tune`);
  expect(page1.headers.get('cache-control')).toBe('no-store');
});
