import type { Request, Response } from 'express';
import { EventEmitter } from 'node:events';
import { afterEach, expect, it } from 'vitest';
import { askedBy, type Principal } from '../access/who';
import { tellOthers } from './changes';
import { closeAllLines, concerns, live } from './liveRoutes';

const OWN = '11111111-1111-4111-8111-111111111111';
const OTHER = '22222222-2222-4222-8222-222222222222';

const phone = (deviceId: string, more: Partial<Principal> = {}): Principal => ({
  garageId: 'garage',
  role: 'helper',
  name: deviceId,
  deviceId,
  sees: undefined,
  ...more,
});
const change = (more = {}) => ({
  garageId: 'garage',
  rigId: OWN,
  deviceId: 'anna',
  name: 'Anna’s phone',
  ...more,
});

it('whoever looks at a garage hears what others changed in it', () => {
  expect(concerns(phone('ben'), change())).toBe(true);
  expect(concerns(phone('ben'), change({ deviceId: undefined }))).toBe(true);
  expect(concerns(phone('anna'), change())).toBe(false);
  expect(concerns(phone('ben', { garageId: 'elsewhere' }), change())).toBe(false);
});

it('a visitor hears of the rig that is shown, and of nothing else', () => {
  const visitor = phone('ben', { role: 'visitor', sees: { rigId: OWN, setUpId: undefined } });
  expect(concerns(visitor, change())).toBe(true);
  expect(concerns(visitor, change({ rigId: OTHER }))).toBe(false);
  expect(concerns(visitor, change({ rigId: null }))).toBe(false);
});

/** A line as the server holds it; writing behind its end is an error that nobody catches. */
class Line extends EventEmitter {
  written = '';
  writableEnded = false;
  writableLength = 0;
  isBroken = false;
  statusCode = 200;
  set = (): this => this;
  status = (code: number): this => {
    this.statusCode = code;
    return this;
  };
  write = (text: string): void => {
    if (this.writableEnded) throw new Error('write after end');
    this.written += text;
  };
  end = (): void => {
    this.writableEnded = true;
  };
  destroy = (): void => {
    this.isBroken = true;
  };
}

function listen(principal: Principal): Line {
  const line = new Line();
  askedBy(principal, () => void live({} as Request, line as unknown as Response, () => undefined));
  return line;
}

afterEach(closeAllLines);

it('says which rig was changed and by whom, and nothing of what', () => {
  const line = listen(phone('ben'));
  tellOthers(change());
  expect(line.written).toContain(`event: change\ndata: {"rigId":"${OWN}","by":"Anna’s phone"}\n\n`);
});

it('writes nothing behind the end of a line that a poor network has not closed yet', () => {
  const line = listen(phone('ben'));
  closeAllLines();
  const before = line.written;
  expect(() => tellOthers(change())).not.toThrow();
  expect(line.written).toBe(before);
});

it('breaks a line off on which nothing is taken any more', () => {
  const line = listen(phone('ben'));
  line.writableLength = 70_000;
  tellOthers(change());
  expect(line.isBroken).toBe(true);
});

it('a device has eight lines: the oldest goes for a ninth', () => {
  const lines = Array.from({ length: 9 }, () => listen(phone('ben')));
  expect(lines.map(({ writableEnded }) => writableEnded)).toEqual([
    true,
    ...Array.from({ length: 8 }, () => false),
  ]);
});

it('of four hundred lines the next is refused', () => {
  for (let n = 0; n < 400; n += 1) listen(phone(`device ${n}`));
  expect(listen(phone('one more')).statusCode).toBe(503);
});
