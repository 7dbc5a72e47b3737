import type { Request, Response } from 'express';
import { describe, expect, it, vi } from 'vitest';
import { isOneOf, LOOPBACK_HOSTS, onlyOwnPagesChange } from './sameOrigin';

const passes = (method: string, headers: Record<string, string>): boolean => {
  const next = vi.fn();
  const response = { status: () => response, type: () => response, send: () => response };
  void onlyOwnPagesChange(
    { method, headers, socket: {} } as unknown as Request,
    response as unknown as Response,
    next,
  );
  return next.mock.calls.length === 1;
};

describe('who may ask', () => {
  it.each(['127.0.0.1:4180', 'localhost:4180', '[::1]:4180', 'localhost'])('%s is this machine', (host) => {
    expect(isOneOf(LOOPBACK_HOSTS, host)).toBe(true);
  });

  it.each(['evil.example', '127.0.0.1.evil.example:4180', undefined])('%s is not', (host) => {
    expect(isOneOf(LOOPBACK_HOSTS, host)).toBe(false);
  });

  it('reads pass, changes only from our own pages', () => {
    const host = '127.0.0.1:4180';
    expect(passes('GET', { host })).toBe(true);
    expect(passes('POST', { host, origin: 'http://127.0.0.1:4180' })).toBe(true);
    expect(passes('POST', { host, origin: 'http://127.0.0.1:9999' })).toBe(false);
    expect(passes('POST', { host, origin: 'https://127.0.0.1:4180' })).toBe(false);
    expect(passes('POST', { host, origin: 'null' })).toBe(false);
    expect(passes('POST', { host })).toBe(false);
  });
});
