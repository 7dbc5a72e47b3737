import { afterEach, describe, expect, it, vi } from 'vitest';
import { keepTyped } from './keepTyped';

afterEach(() => vi.unstubAllGlobals());
const healthIs = (answer: () => Promise<Response>) => vi.stubGlobal('fetch', answer);
const well = () => Promise.resolve(new Response('{}'));
const unwell = () => Promise.resolve(new Response('{}', { status: 503 }));
const full = () => Promise.resolve(new Response('{}', { status: 507 }));
const nobody = () => Promise.reject(new TypeError('no network'));
const failing = (error: unknown) => keepTyped(() => Promise.reject(error as Error));
const answered500 = { status: 500, statusText: '', internal: false, data: null };

describe('a form that does not get through', () => {
  it.each(['Failed to fetch', 'NetworkError when attempting to fetch resource.', 'Load failed'])(
    'keeps its page where it was not sent: %s',
    async (message) => {
      healthIs(well);
      expect(await failing(new TypeError(message))).toEqual({ notKept: 'away' });
    },
  );

  it('keeps its page where the database is away', async () => {
    healthIs(unwell);
    expect(await failing(answered500)).toEqual({ notKept: 'away' });
  });

  it('keeps its page where the server failed, which the router tells without a status', async () => {
    healthIs(unwell);
    expect(await failing(new Error('Unexpected Server Error'))).toEqual({ notKept: 'away' });
  });

  it('keeps its page where there is no room, and says which', async () => {
    healthIs(full);
    expect(await failing(answered500)).toEqual({ notKept: 'full' });
  });

  it('is an error where the server is well: a mistake of ours is never called away', async () => {
    healthIs(well);
    const mistake = new TypeError('x is not a function');
    await expect(failing(mistake)).rejects.toBe(mistake);
    await expect(failing(answered500)).rejects.toBe(answered500);
  });

  it('is an error at once where it was refused', async () => {
    healthIs(nobody);
    const refused = { ...answered500, status: 404 };
    await expect(failing(refused)).rejects.toBe(refused);
  });
});
