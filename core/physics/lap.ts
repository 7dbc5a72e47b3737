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

/** How long a lap takes, s. */
export const lapSeconds = ({ pieces }: Lap): number => pieces.reduce((sum, { seconds }) => sum + seconds, 0);
