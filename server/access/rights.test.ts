import { describe, expect, it } from 'vitest';
import { ADDRESSES } from '../../e2e/addresses';
import { judge, pathnameOf, placeOf, RIGHTS, type Verdict } from './rights';
import type { Principal } from './who';

const GARAGE = 'g';
const RIG = '11111111-1111-4111-8111-111111111111';
const OTHER = '22222222-2222-4222-8222-222222222222';
const as = (role: Principal['role'], sees?: Principal['sees']): Principal => ({
  garageId: GARAGE,
  role,
  name: role,
  deviceId: 'd',
  sees,
});
const visitor = as('visitor', { rigId: RIG, setUpId: undefined });
const ofSetUp = as('visitor', { rigId: RIG, setUpId: 's' });

const verdicts = (who: Principal | undefined, ...asked: [method: string, path: string][]): Verdict[] =>
  asked.map(([method, path]) => judge(who, pathnameOf(path), method === 'GET'));

/** What is served beside the routes of the pages. */
const BESIDE = ['/archive', '/archive/:token', '/healthz', '/live'];

describe('the table of rights', () => {
  it('has a line for every address, and none for an address that is not', () => {
    expect(Object.keys(RIGHTS).toSorted()).toEqual([...new Set([...ADDRESSES, ...BESIDE])].toSorted());
  });

  it('finds the line of an address, whatever stands for its parameters', () => {
    for (const address of Object.keys(RIGHTS)) {
      const asked = address.replaceAll(/:\w+/g, RIG);
      expect(placeOf(asked)?.address).toBe(address);
    }
  });

  it('shows a stranger the doorstep and nothing else', () => {
    const open = Object.keys(RIGHTS).filter((address) => judge(undefined, address, true) === 'allowed');
    expect(open).toEqual(['/pair', '/sign-in', '/trust', '/trust/authority.crt']);
  });

  it('lets nobody but the owner come to what nobody has heard of', () => {
    expect(verdicts(undefined, ['GET', '/nowhere'])).toEqual(['stranger']);
    expect(verdicts(as('helper'), ['GET', '/nowhere'])).toEqual(['refused']);
    expect(verdicts(as('owner'), ['GET', '/nowhere'])).toEqual(['allowed']);
  });
});

describe('a helper', () => {
  it('reads, ticks steps and notes runs', () => {
    expect(
      verdicts(
        as('helper'),
        ['GET', '/'],
        ['GET', `/rigs/${RIG}/tune`],
        ['POST', `/rigs/${RIG}/load`],
        ['POST', `/rigs/${RIG}/bench-record`],
        ['POST', `/rigs/${RIG}/keep-run`],
        ['POST', `/days/${OTHER}`],
      ),
    ).toEqual(Array.from({ length: 6 }, () => 'allowed'));
  });

  it('changes nothing else: no draft, no link to an ESC, no rig, no device', () => {
    expect(
      verdicts(
        as('helper'),
        ['POST', `/rigs/${RIG}/draft`],
        ['POST', `/rigs/${RIG}/link`],
        ['POST', `/rigs/${RIG}/rig`],
        ['POST', '/'],
        ['GET', '/pit'],
        ['GET', '/archive'],
        ['POST', '/archive'],
        ['GET', '/copies'],
      ),
    ).toEqual(Array.from({ length: 8 }, () => 'refused'));
  });
});

describe('a visitor', () => {
  it('reads the rig that is shown, and no other', () => {
    expect(
      verdicts(
        visitor,
        ['GET', `/rigs/${RIG}/rig`],
        ['GET', `/rigs/${RIG}/set-ups/s/card`],
        ['GET', `/rigs/${OTHER}/rig`],
        ['GET', '/'],
        ['GET', '/days'],
        ['POST', `/rigs/${RIG}/keep-run`],
        ['GET', `/rigs/${RIG}/runs`],
      ),
    ).toEqual(['allowed', 'allowed', 'refused', 'refused', 'refused', 'refused', 'refused']);
  });

  it('of a set-up reads that alone, not its rig', () => {
    expect(
      verdicts(ofSetUp, ['GET', '/set-up'], ['GET', `/rigs/${RIG}/rig`], ['GET', `/rigs/${RIG}/set-ups/s`]),
    ).toEqual(['allowed', 'refused', 'refused']);
  });
});

describe('an address', () => {
  it.each([
    ['/rigs/x/tune.data', '/rigs/x/tune'],
    ['/_root.data?index', '/'],
    ['/rigs/x/tune/', '/rigs/x/tune'],
    ['/days/../pit', '/pit'],
    ['/days/%2e%2e/pit', '/pit'],
    ['//pit', '//pit'],
    ['/', '/'],
  ])('%s is read as %s, as the application reads it', (asked, read) => {
    expect(pathnameOf(asked)).toBe(read);
  });

  it.each(['/PIT', '/pit/', '/%70it', '/pit.data', '//pit', '/pit//', '/pit.data.data', '/days/../pit.data'])(
    'however it is written, %s is the owner’s',
    (asked) => {
      expect(judge(as('helper'), pathnameOf(asked), true)).toBe('refused');
    },
  );
});
