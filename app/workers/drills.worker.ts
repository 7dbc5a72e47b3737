import type { EscBehaviour } from '#core/physics/escChain';
import { bandOf, type DrillBand } from '#core/physics/drills/band';
import type { Drill } from '#core/physics/drills/drill';
import { runDrill, type DrillId } from '#core/physics/drills/runDrill';
import { expose } from 'comlink';
import type { ResolvedRig } from '#core/physics/resolved';

/** One drill on one rig, as the ESC is and as it is drafted. */
export interface DrillRequest {
  drill: DrillId;
  rig: ResolvedRig;
  /** With what is drafted for the model. */
  draftedRig: ResolvedRig;
  now: EscBehaviour;
  /** What the ESC may be instead, as far as its values are unknown. */
  nowInstead: EscBehaviour[];
  draft: EscBehaviour;
}

export interface WarmRequest {
  drill: DrillId;
  rig: ResolvedRig;
  likely: EscBehaviour[];
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
/** How long each drill took when it was last computed, ms. */
const tookMs = new Map<DrillId, number>();

/** What was computed once stays: the ESC as it is, and a draft that goes back and forth. */
function kept(drill: DrillId, rig: ResolvedRig, esc: EscBehaviour): Drill {
  const key = JSON.stringify([drill, rig, esc]);
  const known = runs.get(key);
  if (known) return known;
  const started = performance.now();
  const run = runDrill(drill, rig, esc);
  tookMs.set(drill, performance.now() - started);
  if (runs.size > MOST_KEPT) runs.clear();
  runs.set(key, run);
  return run;
}

/** A drill that takes less than this is not worth computing before it is asked for, ms. */
const WORTH_WARMING_MS = 10;
/** Counts what was asked, so that warming up stops when something is. */
let asked = 0;

const worker = {
  /** Computes what may be asked for next, one after the other, while nothing is. */
  async warm({ drill, rig, likely }: WarmRequest): Promise<void> {
    const since = asked;
    for (const esc of likely) {
      // Whatever was asked meanwhile comes first.
      await new Promise((resolve) => setTimeout(resolve, 0));
      if (asked !== since || (tookMs.get(drill) ?? 0) < WORTH_WARMING_MS) return;
      kept(drill, rig, esc);
    }
  },
  run({ drill, rig, draftedRig, now, nowInstead, draft }: DrillRequest): DrillAnswer {
    asked += 1;
    try {
      const asIs = kept(drill, rig, now);
      const drafted = kept(drill, draftedRig, draft);
      const instead = nowInstead.map((behaviour) => kept(drill, rig, behaviour));
      return {
        ok: true,
        pair: {
          now: asIs,
          band: instead.length > 0 ? bandOf([asIs, ...instead]) : undefined,
          draft: drafted,
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
