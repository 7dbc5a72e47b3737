import { factoryStops } from '#core/esc/profile';
import { FACTORY_PASS_CODE } from '#core/link/protocol';
import { holdingsOf } from '#core/sheet/evidence';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Fault } from '#core/device/control';
import { LinkBench, profile } from './loadByLink.fixture';
import { openTcpLink } from './tcpEscLink';

const INTENTS = { bite: 'bite-5', leap: 'leap-3' };

let line: LinkBench;
beforeEach(async () => {
  line = new LinkBench();
  await line.open();
});
afterEach(() => line.close());

describe('a load by link', () => {
  it('reads, backs up, writes, saves, restarts and reads back', async () => {
    const { result, history, sheets } = await line.load(INTENTS);
    expect(result).toEqual({ surprises: [], changed: ['leap', 'bite'], sheetNumber: 2 });
    expect(sheets).toEqual(['backup', 'loaded']);
    expect(line.bench.esc!.kept.stops).toEqual({ ...factoryStops(profile), ...INTENTS });
    expect(holdingsOf(profile, history).bite).toMatchObject({ stopId: 'bite-5', basis: 'readBack' });
    expect(line.honest(history)).toEqual([]);
  });

  it('only reads where nothing is wanted, and says what is other than believed', async () => {
    line.bench.leave({
      ...line.bench.esc!,
      kept: { ...line.bench.esc!.kept, stops: { ...factoryStops(profile), bite: 'bite-1' } },
    });
    const { result, sheets } = await line.load({});
    expect(result!.surprises).toEqual([{ itemId: 'bite', believedStopId: 'bite-2', foundStopId: 'bite-1' }]);
    expect(sheets).toEqual([]);
  });

  it.each<[string, Fault, string]>([
    ['an ESC that says nothing', { kind: 'silent' }, 'silent'],
    ['a line that garbles everything', { kind: 'garbled' }, 'silent'],
    ['another ESC than the rig’s', { kind: 'wrongIdentity' }, 'wrongEsc'],
  ])('gives up on %s and writes nothing', async (_what, fault, code) => {
    line.bench.fault = fault;
    const { error, sheets } = await line.load(INTENTS);
    expect(error?.code).toBe(code);
    expect(sheets).toEqual([]);
    expect(line.bench.esc!.kept.stops).toEqual(factoryStops(profile));
  });

  it('is let in only with the pass code, which outlives the adapter', async () => {
    const link = await openTcpLink(line.port);
    await expect(link.read(3)).rejects.toMatchObject({ code: 'locked' });
    await link.pair(FACTORY_PASS_CODE);
    await link.setPassCode(2468);
    link.close();
    await line.restart();

    const stranger = await line.load(INTENTS);
    expect(stranger.error).toMatchObject({ code: 'locked' });
    expect(stranger.sheets).toEqual([]);
    expect(line.bench.esc!.kept.stops).toEqual(factoryStops(profile));
    expect((await line.load(INTENTS, undefined, { passCode: 2468 })).result?.changed).toEqual([
      'leap',
      'bite',
    ]);
  });

  it('is patient with a slow line: late replies are not taken for others', async () => {
    // Each reply comes after the client has asked again, until the line is well.
    line.bench.fault = { kind: 'slow', ms: 500 };
    const slowly = line.load({});
    setTimeout(() => (line.bench.fault = { kind: 'none' }), 600);
    expect((await slowly).result).toBeDefined();
  });

  it('stops between two values when asked, and nothing is saved', async () => {
    const { error, history } = await line.load(INTENTS, (phase) => phase === 'writing');
    expect(error?.code).toBe('cancelled');
    expect(line.bench.esc!.kept.stops).toEqual(factoryStops(profile));
    expect(line.honest(history)).toEqual([]);
  });

  it('lets nobody else on the line meanwhile', async () => {
    const first = await openTcpLink(line.port);
    await first.identify();
    expect((await line.load({})).error?.message).toContain('another computer is on the line');
    first.close();
  });

  it('writes nothing where what it read opens a hazard', async () => {
    // 6.4 V for the pack is 1.6 V for each of four cells.
    const { error } = await line.load({ floor: 'floor-4' }, undefined, { cells: 4 });
    expect(error?.code).toBe('mismatch');
    expect(line.bench.esc!.kept.stops.floor).toBe('floor-2');
  });

  it('waits for a save that takes longer than any other reply', async () => {
    // Other replies are waited for 400 ms here.
    line.bench.fault = { kind: 'slow', ms: 800, verb: 'SAVE' };
    expect((await line.load(INTENTS)).result?.changed).toEqual(['leap', 'bite']);
  });

  it('looks again where an ESC took what was written and did not say so', async () => {
    line.bench.fault = { kind: 'silent', verb: 'WRITE' };
    const { error, history } = await line.load(INTENTS);
    expect(error?.code).toBe('silent');
    expect(line.honest(history)).toEqual([]);
    expect(line.bench.esc!.kept.stops).toEqual(factoryStops(profile));
  });

  it('after power lost while saving: what was kept by halves is unknown, or read back', async () => {
    line.bench.fault = { kind: 'powerLostWhileSaving', after: 1, staysAway: true };
    const dead = await line.load(INTENTS);
    expect(line.honest(dead.history)).toEqual(['leap', 'bite']);
    line.bench.lineDead = false;
    line.place(99);
    line.bench.fault = { kind: 'powerLostWhileSaving', after: 1, staysAway: false };
    const looked = await line.load(INTENTS);
    expect(looked.error?.message).toBe('The link was cut.');
    expect(line.honest(looked.history)).toEqual([]);
    expect(holdingsOf(profile, looked.history).leap?.stopId).toBe('leap-3');
  });
});
