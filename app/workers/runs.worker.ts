import type { DiagnosisFacts } from '#core/calibration/diagnosis';
import type { Situation } from '#core/advice/verdicts/verdict';
import { nextChanges, type NextChange } from '#core/runs/nextChange';
import { predictedReadings, type Driven, type OnRig } from '#core/runs/predicted';
import type { ReadingId } from '#core/runs/readings';
import type { RunNote } from '#core/runs/run';
import type { StopByItem } from '#core/esc/profile';
import { look } from '#core/triage/seen';
import { expose } from 'comlink';

const worker = {
  /** The model's numbers beside those of a run; none where the rig's own lead nowhere. */
  predicted(
    on: OnRig,
    run: Driven,
    kinds: readonly ReadingId[],
    stops?: StopByItem,
  ): Partial<Record<ReadingId, number>> {
    try {
      return predictedReadings(on, run, kinds, stops);
    } catch {
      return {};
    }
  },
  nextChanges: (note: RunNote, situation: Situation, endpoints: DiagnosisFacts): NextChange[] =>
    nextChanges(note, look(situation, endpoints)),
};

export type RunsWorker = typeof worker;

expose(worker);
