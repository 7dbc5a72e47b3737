import { whatMatters, type MattersRequest, type Mover } from '#core/physics/matters';
import { expose } from 'comlink';

/** Failures travel as data: a thrown error loses its fields on the way to the page. */
export type MattersAnswer = { ok: true; movers: Mover[] } | { ok: false; sentence: string };

const worker = {
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
      return { ok: false, sentence: `This cannot be computed for this rig: ${(error as Error).message}.` };
    }
  },
};

export type MattersWorker = typeof worker;

expose(worker);
