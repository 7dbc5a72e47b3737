/**
 * A load of one's own ESC as a row of words: what somebody beside it said that was done or seen. Whoever has the words has the load,
 * at whatever device: each goes through them from the beginning, and stands where the others stand.
 */
import { actAll, placeOnBench, type SimulatedEsc } from '../device/simulatedEsc';
import type { MediumFamily } from '../esc/media';
import { itemById, stopById, type EscProfile, type StopByItem, type WantedStops } from '../esc/profile';
import type { EscMemory, Input } from '../procedure/language';
import type { HandValues } from '../rig/handValues';
import type { HeldStops } from '../sheet/evidence';
import {
  afterAnswer,
  afterCount,
  afterLost,
  afterOther,
  beginProgress,
  type LoadProgress,
} from './loadProgress';
import { beginLoad, stopsToPlanFrom, type Finding } from './loadSession';

/** What a load begins from. */
export interface LoadBeginning {
  family: MediumFamily;
  showsStored: boolean;
  /** What made the model safe. */
  precaution: string;
  /** The stop that each item has to have in the end. */
  intents: WantedStops;
  /** What hands do when all is stored. */
  after: HandValues;
  /** Other ESCs of the model that are loaded along. */
  alongside: readonly number[];
  held: HeldStops;
  /** Items that were stored earlier and never counted back. */
  uncounted: readonly string[];
  memory: EscMemory;
  /** The pulse of the throttle at rest. */
  neutralMicros: number;
}

/** What is said beside the ESC. */
export type LoadWord =
  /** The step that was due is done, and it answered as it should. */
  | { say: 'done'; inputs: readonly Input[] }
  /** On opening an item it shows another stop than was believed. */
  | { say: 'shows'; itemId: string; stopId: string }
  | { say: 'counted'; itemId: string; flashes: number }
  /** It is lost where the ESC is. Null where nothing was stored that nobody saw. */
  | { say: 'lost'; itemId: string | null };

export interface OwnLoad {
  /** Where the ESC must be, by all that was said. */
  esc: SimulatedEsc;
  progress: LoadProgress;
}

export const beginOwnLoad = (profile: EscProfile, from: LoadBeginning): OwnLoad => ({
  esc: placeOnBench(profile, from.memory, from.neutralMicros),
  progress: beginProgress(beginLoad(from.held, from.intents, from.uncounted, from.showsStored)),
});

/** Where a load is after one more word, and what was learned of the ESC by it. */
export function afterWord(
  profile: EscProfile,
  { neutralMicros }: LoadBeginning,
  load: OwnLoad,
  word: LoadWord,
): { load: OwnLoad; findings: Finding[] } {
  const { esc, progress } = load;
  switch (word.say) {
    case 'done': {
      // What it is believed to hold, from which the step was planned.
      const from = holding(esc, stopsToPlanFrom(profile, progress.session));
      const { esc: next, observed } = actAll(from, word.inputs);
      const answer = { observed, esc: next, before: from.config, seesDisplay: false };
      const learned = afterAnswer(profile, progress, answer);
      return { load: { esc: next, progress: learned.progress }, findings: learned.findings };
    }
    case 'shows': {
      const { number } = stopById(itemById(profile, word.itemId), word.stopId);
      const stops = { ...stopsToPlanFrom(profile, progress.session), [word.itemId]: word.stopId };
      const told = holding(esc, stops);
      const shown = { ...told, config: { ...told.config, stopCursor: number - 1 } };
      const learned = afterOther(progress, word.itemId, word.stopId);
      return { load: { esc: shown, progress: learned.progress }, findings: learned.findings };
    }
    case 'counted': {
      const learned = afterCount(profile, progress, word.itemId, word.flashes);
      return { load: { esc, progress: learned.progress }, findings: learned.findings };
    }
    case 'lost': {
      const learned = afterLost(profile, progress, word.itemId ?? undefined);
      const off = placeOnBench(profile, esc.config.memory, neutralMicros);
      return { load: { esc: off, progress: learned.progress }, findings: learned.findings };
    }
  }
}

/** Where a load is after all that was said. */
export const ownLoadAfter = (profile: EscProfile, from: LoadBeginning, words: readonly LoadWord[]): OwnLoad =>
  words.reduce((load, word) => afterWord(profile, from, load, word).load, beginOwnLoad(profile, from));

const holding = (esc: SimulatedEsc, stops: StopByItem): SimulatedEsc => ({
  ...esc,
  config: { ...esc.config, memory: { ...esc.config.memory, stops } },
});
