import { afterEach, expect, it, vi } from 'vitest';
import { sendPractice } from './sendPractice';

afterEach(() => vi.unstubAllGlobals());

const answering = (status: number) => {
  const fetch = vi.fn(() => Promise.resolve(new Response(null, { status })));
  vi.stubGlobal('fetch', fetch);
  return fetch;
};

it.each([
  [200, 'kept'],
  [403, 'notYours'],
  [404, 'refused'],
] as const)('says what became of what was practised: %s is %s', async (status, said) => {
  const fetch = answering(status);
  expect(await sendPractice('an-esc', {})).toBe(said);
  expect(fetch).toHaveBeenCalledTimes(1);
});

it('keeps what the server could not take, and sends it with the next', async () => {
  answering(503);
  expect(await sendPractice('an-esc', { lesson: 1 })).toBe('away');
  const fetch = answering(200);
  expect(await sendPractice('an-esc', { lesson: 2 })).toBe('kept');
  expect(fetch).toHaveBeenCalledTimes(2);
});
