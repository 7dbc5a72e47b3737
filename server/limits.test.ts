import type { Request, Response } from 'express';
import { describe, expect, it } from 'vitest';
import { onlyFittingBodies, onlyKnownMethods } from './limits';

/** @returns the number that a request is refused with, or “on” where it goes on */
function answerTo(
  by: typeof onlyFittingBodies,
  request: { method?: string; headers?: Record<string, string> },
) {
  let answer: number | 'on' | undefined;
  const response = {
    status: (number: number) => {
      answer = number;
      return response;
    },
    set: () => response,
    type: () => response,
    send: () => response,
  };
  void by({ headers: {}, ...request } as unknown as Request, response as unknown as Response, () => {
    answer = 'on';
  });
  return answer;
}
const body = (type: string, length: number, more: Record<string, string> = {}) =>
  answerTo(onlyFittingBodies, {
    headers: { 'content-type': type, 'content-length': String(length), ...more },
  });

describe('what may be sent', () => {
  it.each([
    ['application/json', 1_000_000],
    ['application/x-www-form-urlencoded', 1_000_000],
    ['multipart/form-data; boundary=x', 16_000_000],
  ])('of %s as much as %i bytes, and not one more', (type, most) => {
    expect([body(type, most), body(type, most + 1)]).toEqual(['on', 413]);
  });

  it('is of a type that something takes, and of a length that is said', () => {
    expect(body('text/plain', 1)).toBe(415);
    expect(body('constructor', 1)).toBe(415);
    expect(body('', 1)).toBe(415);
    expect(body('application/json', 10, { 'transfer-encoding': 'chunked' })).toBe(411);
    expect(body('text/plain', 0)).toBe('on');
    expect(answerTo(onlyFittingBodies, {})).toBe('on');
  });

  it('comes by a method that there is', () => {
    for (const method of ['GET', 'HEAD', 'POST', 'DELETE'])
      expect(answerTo(onlyKnownMethods, { method })).toBe('on');
    for (const method of ['PUT', 'PATCH', 'OPTIONS', 'PROPFIND', 'get'])
      expect(answerTo(onlyKnownMethods, { method })).toBe(405);
  });
});
