import { expect, it } from 'vitest';
import { CODE_LASTS_MS, Invitations } from './pairing';

const helper = { garageId: 'g', role: 'helper', name: 'Phone', sees: undefined } as const;

it('a code is accepted as it is typed, once', () => {
  const invitations = new Invitations();
  const code = invitations.invite(helper);
  expect(code).toMatch(/^[A-HJKMNP-RT-Z234679]{4}-[A-HJKMNP-RT-Z234679]{4}$/);
  expect(invitations.accept(` ${code.toLowerCase().replace('-', ' ')} `)).toEqual(helper);
  expect(invitations.accept(code)).toBeUndefined();
});

it('a code is over after ten minutes, and at a restart', () => {
  let now = 0;
  const invitations = new Invitations(() => now);
  const code = invitations.invite(helper);
  now = CODE_LASTS_MS;
  expect(invitations.accept(code)).toBeUndefined();
  expect(new Invitations(() => now).accept(invitations.invite(helper))).toBeUndefined();
});

it('of one garage the newest ten are open, and all can be taken back', () => {
  const invitations = new Invitations();
  const other = invitations.invite({ ...helper, garageId: 'other' });
  const codes = Array.from({ length: 12 }, () => invitations.invite(helper));
  expect(invitations.accept(codes[0]!)).toBeUndefined();
  expect(invitations.accept(codes[1]!)).toBeUndefined();
  expect(invitations.accept(codes[2]!)).toEqual(helper);
  invitations.forget('g');
  expect(invitations.accept(codes[11]!)).toBeUndefined();
  expect(invitations.accept(other)).toBeDefined();
});
