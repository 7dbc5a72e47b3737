/** A lap or a flight as a stint repeats it: pieces, each with a trigger and a time. */

/** What a piece is for the car: a corner scrubs speed off, a climb goes uphill; the others are told apart for the reader. */
export const PIECE_KINDS = {
  straight: 'straight',
  corner: 'corner',
  climb: 'climb',
  stop: 'stop',
} as const;
export type PieceKind = keyof typeof PIECE_KINDS;

/** One piece of a lap: how far the trigger is pulled (above 0) or pushed (below), and for how long. */
export interface LapPiece {
  kind: PieceKind;
  triggerPercent: number;
  seconds: number;
}

export interface Lap {
  pieces: readonly LapPiece[];
  /** How hard it is driven: every pull of the trigger is so much of what its piece says, %. */
  howHardPercent: number;
}

/** Scrub and slip of driving round a corner, as a share of what the tyres can carry. From memory: makes a race use what races use. */
const CORNER_OF_GRIP = 0.75;
/** How steep a climb is, as a share of the weight: 30°. Assumed. */
const CLIMB_SHARE = 0.5;

/** What a piece asks for on top of rolling and air, as a share of the weight. @param grip of tyre on ground */
export const extraShareOf = (kind: PieceKind, grip: number): number =>
  kind === 'corner' ? CORNER_OF_GRIP * grip : kind === 'climb' ? CLIMB_SHARE : 0;

/** The trigger of a piece as it is driven, −1 to 1. */
export const triggerOf = ({ triggerPercent }: LapPiece, { howHardPercent }: Lap): number =>
  triggerPercent > 0 ? Math.min(1, (triggerPercent * howHardPercent) / 10_000) : triggerPercent / 100;

/** How far from a piece's trigger a finger may be and still be in it, of full travel. Assumed. */
const SAME_PIECE = 0.08;

/**
 * What a lap's ground asks for where the trigger is so, as a share of the weight: a log tells the trigger and no corner, so the
 * pieces that are driven with about that trigger count, each for its time.
 * @param trigger −1 to 1
 */
export function extraShareAt(lap: Lap, grip: number, trigger: number): number {
  let weights = 0;
  let sum = 0;
  for (const piece of lap.pieces) {
    const off = (triggerOf(piece, lap) - trigger) / SAME_PIECE;
    // The nearest piece counts even where none is near.
    const weight = piece.seconds * (Math.exp(-0.5 * off * off) + 1e-9 / (1 + off * off));
    weights += weight;
    sum += weight * extraShareOf(piece.kind, grip);
  }
  return sum / weights;
}

/** How far every pull of a lap goes on average, by time, 0 to 1. */
function meanPull(lap: Lap): number {
  const pulled = lap.pieces.filter(({ triggerPercent }) => triggerPercent > 0);
  const seconds = pulled.reduce((sum, piece) => sum + piece.seconds, 0);
  return (
    pulled.reduce((sum, piece) => sum + piece.seconds * triggerOf(piece, lap), 0) / Math.max(seconds, 1e-9)
  );
}

/**
 * How hard a lap was driven, from how far its pulls went on average: as a share of how hard it says that it is driven.
 * @param mean of the trigger while it was pulled, 0 to 1
 */
export function hardnessOf(lap: Lap, mean: number): number {
  let low = 0.2;
  let high = 3;
  for (let n = 0; n < 30; n += 1) {
    const middle = (low + high) / 2;
    if (meanPull({ ...lap, howHardPercent: middle * lap.howHardPercent }) < mean) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** How long a lap takes, s. */
export const lapSeconds = ({ pieces }: Lap): number => pieces.reduce((sum, { seconds }) => sum + seconds, 0);
