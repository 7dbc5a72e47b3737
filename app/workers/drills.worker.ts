import type { EscBehaviour } from '#core/physics/escChain';
import { bandOf, type DrillBand } from '#core/physics/drills/band';
import type { Drill } from '#core/physics/drills/drill';
import { runDrill, type DrillId } from '#core/physics/drills/runDrill';
import type { ResolvedRig } from '#core/rig/resolve';
import { expose } from 'comlink';

/** One drill on one rig, as the ESC is and as it is drafted. */
export interface DrillRequest {
  drill: DrillId;
  rig: ResolvedRig;
  now: EscBehaviour;
  /** What the ESC may be instead, as far as its values are unknown. */
  nowInstead: EscBehaviour[];
  draft: EscBehaviour;
}

export interface DrillPair {
  now: Drill;
  /** Undefined where everything that matters is known. */
  band: DrillBand | undefined;
  draft: Drill;
}

/** Failures travel as data: a thrown error loses its fields on the way to the page. */
export type DrillAnswer = { ok: true; pair: DrillPair } | { ok: false; sentence: string };

/** More runs than a band has; then all are forgotten. */
const MOST_KEPT = 200;
const runs = new Map<string, Drill>();

/** What the ESC does as it is stays while the draft moves. */
function kept(drill: DrillId, rig: ResolvedRig, esc: EscBehaviour): Drill {
  const key = JSON.stringify([drill, rig, esc]);
  const known = runs.get(key) ?? runDrill(drill, rig, esc);
  if (runs.size > MOST_KEPT) runs.clear();
  runs.set(key, known);
  return known;
}

const worker = {
  run({ drill, rig, now, nowInstead, draft }: DrillRequest): DrillAnswer {
    try {
      const asIs = kept(drill, rig, now);
      const instead = nowInstead.map((behaviour) => kept(drill, rig, behaviour));
      return {
        ok: true,
        pair: {
          now: asIs,
          band: instead.length > 0 ? bandOf([asIs, ...instead]) : undefined,
          draft: runDrill(drill, rig, draft),
        },
      };
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
