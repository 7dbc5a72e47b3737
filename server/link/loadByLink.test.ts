import { usualGoals } from '#core/advice/goals';
import { factoryStops } from '#core/esc/profile';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { factoryMemory } from '#core/device/simulatedEsc';
import { FACTORY_PASS_CODE, replyLine, requestLine } from '#core/link/protocol';
import { defaultRig } from '#core/rig/defaults';
import { assumeFactory, holdingsOf, type Observation } from '#core/sheet/evidence';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo, Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { StandInBench } from '../../stand-in/bench';
import type { Fault } from '../../stand-in/faults';
import { linkServer } from '../../stand-in/linkServer';
import { loadByLink, type LinkPhase, type LoadedByLink } from './loadByLink';
import { openTcpLink } from './tcpEscLink';

const profile = smallProfile();
const SERIAL = 'esc-on-the-bench';
const AT = '2026-01-01T00:00:00.000Z';
const INTENTS = { bite: 'bite-5', leap: 'leap-3' };

let folder: string;
let bench: StandInBench;
let server: Server;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'stand-in-'));
  bench = new StandInBench(folder);
  bench.place(profile, SERIAL, { memory: factoryMemory(profile), writes: 0 });
  server = linkServer(bench);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});
afterEach(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

interface Outcome {
  result: LoadedByLink | undefined;
  error: { code: string; message: string } | undefined;
  history: Observation[];
  sheets: string[];
}

/** One load, with everything that it would have written down. */
async function load(
  intents: Record<string, string>,
  isCancelled: (phase: LinkPhase) => boolean = () => false,
  { cells = 2, passCode = FACTORY_PASS_CODE } = {},
): Promise<Outcome> {
  const { port } = server.address() as AddressInfo;
  const history = assumeFactory(profile, AT);
  const rig = defaultRig('tenthBuggy');
  const sheets: string[] = [];
  let phase: LinkPhase = 'connecting';
  const outcome: Outcome = { result: undefined, error: undefined, history, sheets };
  try {
    outcome.result = await loadByLink({
      rig: { ...rig, name: 'Test', pack: { ...rig.pack, cells } },
      profile,
      range: profile.factoryRange,
      rules: undefined,
      goals: usualGoals('tenthBuggy'),
      serial: SERIAL,
      passCode,
      observations: [...history],
      intents,
      open: () => openTcpLink(port, { connectMs: 5000, replyMs: 400, tries: 3 }),
      report: (progress) => {
        phase = progress.phase;
      },
      isCancelled: () => isCancelled(phase),
      note: (observations) => {
        history.push(...observations);
        return Promise.resolve();
      },
      keepSheet: (origin) => Promise.resolve(sheets.push(origin)),
      now: () => AT,
    });
  } catch (error) {
    outcome.error = error as { code: string; message: string };
  }
  return outcome;
}

/** What is believed must be what the ESC keeps, or be called unknown. @returns the items called unknown */
function honest(history: Observation[]): string[] {
  const holdings = holdingsOf(profile, history);
  const unknown: string[] = [];
  for (const { id } of profile.items) {
    const { stopId } = holdings[id]!;
    if (stopId === null) unknown.push(id);
    else expect([id, stopId]).toEqual([id, bench.esc!.kept.stops[id]]);
  }
  return unknown;
}

describe('a load by link', () => {
  it('reads, backs up, writes, saves, restarts and reads back', async () => {
    const { result, history, sheets } = await load(INTENTS);
    expect(result).toEqual({ surprises: [], changed: ['leap', 'bite'], sheetNumber: 2 });
    expect(sheets).toEqual(['backup', 'loaded']);
    expect(bench.esc!.kept.stops).toEqual({ ...factoryStops(profile), ...INTENTS });
    expect(holdingsOf(profile, history).bite).toMatchObject({ stopId: 'bite-5', basis: 'readBack' });
    expect(honest(history)).toEqual([]);
  });

  it('only reads where nothing is wanted, and says what is other than believed', async () => {
    bench.leave({
      ...bench.esc!,
      kept: { ...bench.esc!.kept, stops: { ...factoryStops(profile), bite: 'bite-1' } },
    });
    const { result, sheets } = await load({});
    expect(result!.surprises).toEqual([{ itemId: 'bite', believedStopId: 'bite-2', foundStopId: 'bite-1' }]);
    expect(sheets).toEqual([]);
  });

  it.each<[string, Fault, string]>([
    ['an ESC that says nothing', { kind: 'silent' }, 'silent'],
    ['a line that garbles everything', { kind: 'garbled' }, 'silent'],
    ['another ESC than the rig’s', { kind: 'wrongIdentity' }, 'wrongEsc'],
  ])('gives up on %s and writes nothing', async (_what, fault, code) => {
    bench.fault = fault;
    const { error, sheets } = await load(INTENTS);
    expect(error?.code).toBe(code);
    expect(sheets).toEqual([]);
    expect(bench.esc!.kept.stops).toEqual(factoryStops(profile));
  });

  it('is let in only with the pass code, which outlives the adapter', async () => {
    const { port } = server.address() as AddressInfo;
    const link = await openTcpLink(port);
    await expect(link.read(3)).rejects.toMatchObject({ code: 'locked' });
    await link.pair(FACTORY_PASS_CODE);
    await link.setPassCode(2468);
    link.close();
    bench = new StandInBench(folder);
    bench.place(profile, SERIAL, { memory: factoryMemory(profile), writes: 0 });
    server.close();
    server = linkServer(bench);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));

    const stranger = await load(INTENTS);
    expect(stranger.error).toMatchObject({ code: 'locked' });
    expect(stranger.sheets).toEqual([]);
    expect(bench.esc!.kept.stops).toEqual(factoryStops(profile));
    expect((await load(INTENTS, undefined, { passCode: 2468 })).result?.changed).toEqual(['leap', 'bite']);
  });

  it('is patient with a slow line: late replies are not taken for others', async () => {
    // Each reply comes after the client has asked again, until the line is well.
    bench.fault = { kind: 'slow', ms: 500 };
    const slowly = load({});
    setTimeout(() => (bench.fault = { kind: 'none' }), 600);
    expect((await slowly).result).toBeDefined();
  });

  it('stops between two values when asked, and nothing is saved', async () => {
    const { error, history } = await load(INTENTS, (phase) => phase === 'writing');
    expect(error?.code).toBe('cancelled');
    expect(bench.esc!.kept.stops).toEqual(factoryStops(profile));
    expect(honest(history)).toEqual([]);
  });

  it('lets nobody else on the line meanwhile', async () => {
    const { port } = server.address() as AddressInfo;
    const first = await openTcpLink(port);
    await first.identify();
    expect((await load({})).error?.message).toContain('another computer is on the line');
    first.close();
  });

  it('writes nothing where what it read opens a hazard', async () => {
    // 6.4 V for the pack is 1.6 V for each of four cells.
    const { error } = await load({ floor: 'floor-4' }, undefined, { cells: 4 });
    expect(error?.code).toBe('mismatch');
    expect(bench.esc!.kept.stops.floor).toBe('floor-2');
  });

  it('after power lost while saving: what was kept by halves is unknown, or read back', async () => {
    bench.fault = { kind: 'powerLostWhileSaving', after: 1, staysAway: true };
    const dead = await load(INTENTS);
    expect(honest(dead.history)).toEqual(['leap', 'bite']);
    bench.lineDead = false;
    bench.place(profile, SERIAL, { memory: factoryMemory(profile), writes: 99 });
    bench.fault = { kind: 'powerLostWhileSaving', after: 1, staysAway: false };
    const looked = await load(INTENTS);
    expect(looked.error?.message).toBe('The link was cut.');
    expect(honest(looked.history)).toEqual([]);
    expect(holdingsOf(profile, looked.history).leap?.stopId).toBe('leap-3');
  });
});

describe.each([
  ['stays away', true],
  ['comes back', false],
])('a line that is cut and %s', (_what, staysAway) => {
  // The longest number that these loads reach has two digits.
  const writeBytes = requestLine({ number: 10, body: { verb: 'WRITE', item: 3, stop: 5 } }).length;
  const saveBytes = requestLine({ number: 10, body: { verb: 'SAVE' } }).length;
  const replyBytes = replyLine({ number: 10, body: { ok: true, words: ['3', '5'] } }).length;

  it.each([
    ['WRITE', writeBytes + replyBytes],
    ['SAVE', saveBytes + replyBytes],
  ] as const)('at every byte of a %s leaves no wrong belief', async (verb, bytes) => {
    for (let byte = 0; byte < bytes; byte += 1) {
      bench.lineDead = false;
      bench.fault = { kind: 'none' };
      bench.place(profile, SERIAL, { memory: factoryMemory(profile), writes: byte * 100 + 100 });
      bench.fault = { kind: 'cut', verb, byte, staysAway };
      const { error, history } = await load({ bite: 'bite-5' });
      const unknown = honest(history);
      // A cut behind the last byte of the reply is none.
      if (!error) expect(byte).toBeGreaterThan(requestLine({ number: 10, body: { verb: 'SAVE' } }).length);
      else expect(unknown).toEqual(staysAway ? ['bite'] : []);
    }
  });
});
