import type { EscBehaviour } from '#core/physics/escChain';
import type { Drill } from '#core/physics/drills/drill';
import { runDrill, type DrillId } from '#core/physics/drills/runDrill';
import type { ResolvedRig } from '#core/rig/resolve';
import { expose } from 'comlink';

/** One drill on one rig, as the ESC is and as it is drafted. */
export interface DrillRequest {
  drill: DrillId;
  rig: ResolvedRig;
  now: EscBehaviour;
  draft: EscBehaviour;
}

export interface DrillPair {
  now: Drill;
  draft: Drill;
}

/** Failures travel as data: a thrown error loses its fields on the way to the page. */
export type DrillAnswer = { ok: true; pair: DrillPair } | { ok: false; sentence: string };

const worker = {
  run({ drill, rig, now, draft }: DrillRequest): DrillAnswer {
    try {
      return { ok: true, pair: { now: runDrill(drill, rig, now), draft: runDrill(drill, rig, draft) } };
    } catch (error) {
      return {
        ok: false,
        sentence: `This drill cannot be computed for this rig: ${(error as Error).message}.`,
      };
    }
  },
};

export type DrillWorker = typeof worker;

expose(worker);
