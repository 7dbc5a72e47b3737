import { afterEach, describe, expect, it, vi } from 'vitest';
import { sendBenchRecord, type BenchRecord } from './benchRecord';

const record: BenchRecord = {
  escNumber: 1,
  memory: {
    stops: { bite: 'bite-4' },
    range: { brakeMicros: 1000, neutralMicros: 1500, forwardMicros: 2000 },
  },
  seen: [{ itemId: 'bite', stopId: 'bite-4', basis: 'countedBack' }],
};

afterEach(() => vi.unstubAllGlobals());

describe('what was seen on the bench, sent to the server', () => {
  it.each([
    [200, 'kept'],
    [400, 'refused'],
    [404, 'refused'],
    [500, 'away'],
    [503, 'away'],
  ])('answered by %d is %s', async (status, sent) => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('{}', { status })));
    expect(await sendBenchRecord('rig', record)).toBe(sent);
  });

  it('is away where nobody answers', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    expect(await sendBenchRecord('rig', record)).toBe('away');
  });

  it('goes to its rig, whole', async () => {
    const asked = vi.fn(() => Promise.resolve(new Response('{}')));
    vi.stubGlobal('fetch', asked);
    await sendBenchRecord('a-rig', record);
    const [address, { body }] = asked.mock.calls[0] as unknown as [string, { body: string }];
    expect(address).toBe('/rigs/a-rig/bench-record');
    expect(JSON.parse(body)).toEqual(record);
  });
});
