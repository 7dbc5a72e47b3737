import { PIECE_KINDS, type Lap, type LapPiece } from '../physics/lap';
import { CHEMISTRIES, type Chemistry } from '../physics/pack';
import { chargesFor, LAPS, MOST_PIECES, USE_BOUNDS, type Use } from './use';

/** What a page sent as a use; undefined where it is none. */
export function readUse(sent: unknown): Use | undefined {
  const { lapId, lap, raceMinutes = null, chargedVoltsPerCell = null } = (sent ?? {}) as Partial<Use>;
  if (typeof lapId !== 'string' || !Object.hasOwn(LAPS, lapId) || !isLap(lap)) return undefined;
  if (raceMinutes !== null && !within(raceMinutes, ...USE_BOUNDS.raceMinutes)) return undefined;
  if (chargedVoltsPerCell !== null && !isACharge(chargedVoltsPerCell)) return undefined;
  const pieces = lap.pieces.map(({ kind, triggerPercent, seconds }) => ({ kind, triggerPercent, seconds }));
  return { lapId, lap: { pieces, howHardPercent: lap.howHardPercent }, raceMinutes, chargedVoltsPerCell };
}

const within = (value: unknown, least: number, most: number): boolean =>
  typeof value === 'number' && value >= least && value <= most;

const isACharge = (volts: unknown): boolean =>
  (Object.keys(CHEMISTRIES) as Chemistry[]).some((chemistry) =>
    chargesFor(chemistry).includes(volts as number),
  );

function isLap(sent: unknown): sent is Lap {
  const { pieces, howHardPercent } = (sent ?? {}) as Partial<Lap>;
  return (
    within(howHardPercent, ...USE_BOUNDS.howHardPercent) &&
    Array.isArray(pieces) &&
    pieces.length > 0 &&
    pieces.length <= MOST_PIECES &&
    pieces.every(isPiece)
  );
}

function isPiece(sent: unknown): boolean {
  const { kind, triggerPercent, seconds } = (sent ?? {}) as Partial<LapPiece>;
  return (
    typeof kind === 'string' &&
    Object.hasOwn(PIECE_KINDS, kind) &&
    within(triggerPercent, ...USE_BOUNDS.triggerPercent) &&
    within(seconds, ...USE_BOUNDS.seconds)
  );
}
