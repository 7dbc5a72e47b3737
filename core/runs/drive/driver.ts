/** A driver: follows a lap, never twice alike. */
import { extraShareOf, triggerOf, type Lap } from '../../physics/lap';
import type { TriggerTrace } from '../../physics/drills/alongTrigger';
import { normalNumbers } from '../../units/seeded';

export interface DrivenTrace extends TriggerTrace {
  seconds: Float64Array;
  trigger: Float32Array;
  /** What the ground asks for at a second, as a share of the weight. */
  extraShare: (second: number) => number;
}

/** How often a finger is looked at, s. */
const EVERY_S = 0.05;
/** A piece is driven this much longer or shorter, and with so much more or less trigger, as shares. From memory. */
const TIME_SCATTER = 0.08;
const TRIGGER_SCATTER = 0.03;

/** What the ground is to a driver. */
export interface GroundToDrive {
  grip: number;
  /** What corners and climbs ask for, as a share of what is usual. */
  corners: number;
}

/** Drives a lap for so many minutes. @param random numbers from 0 to 1 */
export function driveLap(
  lap: Lap,
  minutes: number,
  { grip, corners }: GroundToDrive,
  random: () => number,
): DrivenTrace {
  const normal = normalNumbers(random);
  const count = Math.round((60 * minutes) / EVERY_S) + 1;
  const trigger = new Float32Array(count);
  const ground = new Float32Array(count);
  let at = 0;
  for (let n = 0; at < count; n += 1) {
    const piece = lap.pieces[n % lap.pieces.length]!;
    const meant = triggerOf(piece, lap);
    // Full is full, and let go is let go.
    const pulled = Math.abs(meant) >= 1 || meant === 0 ? meant : meant * (1 + TRIGGER_SCATTER * normal());
    const samples = Math.max(1, Math.round((piece.seconds * (1 + TIME_SCATTER * normal())) / EVERY_S));
    const share = corners * extraShareOf(piece.kind, grip) * (1 + 0.1 * normal());
    trigger.fill(Math.max(-1, Math.min(1, pulled)), at, at + samples);
    ground.fill(Math.max(0, share), at, at + samples);
    at += samples;
  }
  return {
    seconds: Float64Array.from({ length: count }, (_, n) => n * EVERY_S),
    trigger,
    extraShare: (second) => ground[Math.min(count - 1, Math.round(second / EVERY_S))]!,
  };
}
