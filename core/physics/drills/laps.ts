/** A lap as parts of a run, over and over. */
import type { EscBehaviour } from '../escChain';
import { extraShareOf, triggerOf, type Lap } from '../lap';
import type { RunPart } from '../powerTrain';
import { brakeStrengthOf, dutyOf } from '../triggerChain';

/** Who repeats a lap: told where it is, and asked how it goes on. */
export interface LapKeeper {
  /** How many laps like it the next one stands for; undefined where it is over. */
  lapBegins: () => number | undefined;
  /** Told after each piece, with what it took, s. */
  pieceEnds: (seconds: number) => void;
  /** What is left of the power, 0 to 1. */
  powerLeft: () => number;
}

/** What a lap finds outside the trigger. */
export interface Ground {
  /** Strength of the brake with the trigger let go, 0 to 1. */
  dragBrake: number;
  /** Of tyre on ground; zero in the air. */
  grip: number;
  /** What corners and climbs ask for, as a share of what is usual. */
  corners: number;
}

/**
 * The parts of so many laps; a trigger below zero brakes.
 */
export function* lapParts(
  lap: Lap,
  esc: EscBehaviour,
  { dragBrake, grip, corners }: Ground,
  keeper: LapKeeper,
): Generator<RunPart> {
  let duty = 0;
  for (;;) {
    const standsFor = keeper.lapBegins();
    if (standsFor === undefined) return;
    for (const piece of lap.pieces) {
      const trigger = triggerOf(piece, lap);
      const shared = {
        lengthS: piece.seconds,
        extraShare: corners * extraShareOf(piece.kind, grip),
        standsFor,
      };
      if (trigger > 0) {
        const signal = trigger * esc.forwardSignal;
        const to = keeper.powerLeft() * dutyOf(esc, signal);
        const from = to > duty ? Math.max(duty, esc.startDuty * esc.forwardPower) : to;
        const perSecond = Number.isFinite(esc.rampPerSecond) ? esc.rampPerSecond : 0;
        yield { ...shared, kind: 'drive', from: Math.min(from, to), to, perSecond, signal };
        duty = to;
      } else {
        const strength = trigger < 0 ? brakeStrengthOf(esc, -trigger * esc.brakeSignal) : dragBrake;
        yield {
          ...shared,
          kind: 'brake',
          from: strength,
          to: strength,
          perSecond: 0,
          signal: Math.min(0, trigger),
        };
        duty = 0;
      }
      keeper.pieceEnds(piece.seconds);
    }
  }
}
