import { usualGoals } from '#core/advice/goals';
import { smallProfile } from '#core/esc/smallProfile.fixture';
import { factoryMemory } from '#core/device/simulatedEsc';
import { FACTORY_PASS_CODE } from '#core/link/protocol';
import { defaultRig } from '#core/rig/defaults';
import { assumeFactory, holdingsOf, type Observation } from '#core/sheet/evidence';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo, Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'vitest';
import { StandInBench } from '../../stand-in/bench';
import { linkServer } from '../../stand-in/linkServer';
import { loadByLink, type LinkPhase, type LoadedByLink } from './loadByLink';
import { openTcpLink } from './tcpEscLink';

export const profile = smallProfile();
const SERIAL = 'esc-on-the-bench';
const AT = '2026-01-01T00:00:00.000Z';

export interface Outcome {
  result: LoadedByLink | undefined;
  error: { code: string; message: string } | undefined;
  history: Observation[];
  sheets: string[];
}

/** A simulated ESC on a real socket, in a folder of its own. */
export class LinkBench {
  bench: StandInBench;
  readonly #folder = mkdtempSync(join(tmpdir(), 'stand-in-'));
  #server: Server | undefined;

  constructor() {
    this.bench = new StandInBench(this.#folder);
  }

  /** Puts an ESC on the bench as the factory made it. @param writes how many its memory has seen; the newer one counts */
  place(writes = 0): void {
    this.bench.place(profile, SERIAL, { memory: factoryMemory(profile), writes });
  }

  async open(): Promise<void> {
    this.place();
    this.#server = linkServer(this.bench);
    await new Promise<void>((resolve) => this.#server!.listen(0, '127.0.0.1', resolve));
  }

  /** What the adapter does that is switched off and on again. */
  async restart(): Promise<void> {
    this.bench = new StandInBench(this.#folder);
    this.#server?.close();
    await this.open();
  }

  close(): void {
    this.#server?.close();
    rmSync(this.#folder, { recursive: true });
  }

  get port(): number {
    return (this.#server!.address() as AddressInfo).port;
  }

  /** One load, with everything that it would have written down. */
  async load(
    intents: Record<string, string>,
    isCancelled: (phase: LinkPhase) => boolean = () => false,
    { cells = 2, passCode = FACTORY_PASS_CODE } = {},
  ): Promise<Outcome> {
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
        open: () => openTcpLink(this.port, { connectMs: 5000, replyMs: 400, tries: 3 }),
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
  honest(history: Observation[]): string[] {
    const holdings = holdingsOf(profile, history);
    const unknown: string[] = [];
    for (const { id } of profile.items) {
      const { stopId } = holdings[id]!;
      if (stopId === null) unknown.push(id);
      else expect([id, stopId]).toEqual([id, this.bench.esc!.kept.stops[id]]);
    }
    return unknown;
  }
}
