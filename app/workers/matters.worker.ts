import { whatNumbersRestOn, type RestsOn } from '#core/sensitivity/assumptions';
import type { DrillId } from '#core/physics/drills/runDrill';
import type { EscBehaviour } from '#core/physics/escChain';
import { whatMatters, type MattersRequest, type Mover } from '#core/sensitivity/matters';
import type { EscProfile } from '#core/esc/profile';
import type { Rig } from '#core/rig/rig';
import type { Use } from '#core/rig/use';
import { expose } from 'comlink';

/** Failures travel as data: a thrown error loses its fields on the way to the page. */
export type MattersAnswer = { ok: true; movers: Mover[] } | { ok: false; sentence: string };

export interface RestsOnRequest {
  drill: DrillId;
  rig: Rig;
  profile: EscProfile;
  esc: EscBehaviour;
  use: Use;
}
export type RestsOnAnswer = { ok: true; numbers: RestsOn[] } | { ok: false; sentence: string };

const cannot = (error: unknown): { ok: false; sentence: string } => ({
  ok: false,
  sentence: `This cannot be computed for this rig: ${(error as Error).message}.`,
});

const worker = {
  restsOn({ drill, rig, profile, esc, use }: RestsOnRequest): RestsOnAnswer {
    try {
      return { ok: true, numbers: whatNumbersRestOn(drill, rig, profile, esc, use) };
    } catch (error) {
      return cannot(error);
    }
  },
  /** Ended from outside by ending the thread. */
  run(request: MattersRequest, tell: (done: number, of: number) => void): MattersAnswer {
    try {
      const going = whatMatters(request);
      for (;;) {
        const step = going.next();
        if (step.done) return { ok: true, movers: step.value };
        tell(step.value.done, step.value.of);
      }
    } catch (error) {
      return cannot(error);
    }
  },
};

export type MattersWorker = typeof worker;

expose(worker);
