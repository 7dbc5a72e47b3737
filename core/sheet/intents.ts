import { hasStop, type EscProfile, type WantedStops } from '../esc/profile';
import { HAND_VALUES, readHandValues } from '../rig/handValues';
import type { Draft, Reasons } from './draft';

/** A draft from unchecked data. @returns undefined where it names anything but what this ESC and a model have */
export function readDraft(profile: EscProfile, sent: Record<string, unknown>): Draft | undefined {
  const { setUpId = null } = sent;
  const stops = readIntents(profile, sent.stops);
  const byHand = readHandValues(sent.byHand);
  const known = new Set([...profile.items.map(({ id }) => id), ...Object.keys(HAND_VALUES)]);
  const reasons = readReasons(sent.reasons ?? {});
  const isFit = stops && byHand && reasons && Object.keys(reasons).every((key) => known.has(key));
  if (!isFit || (setUpId !== null && !isId(setUpId))) return undefined;
  return { stops, byHand, reasons, setUpId };
}

/** Wanted stops from unchecked data. @returns undefined where they name anything but stops of this ESC */
export function readIntents(profile: EscProfile, stops: unknown): WantedStops | undefined {
  if (typeof stops !== 'object' || stops === null || Array.isArray(stops)) return undefined;
  const real = Object.entries(stops).every(([itemId, stopId]) =>
    profile.items.some((item) => item.id === itemId && typeof stopId === 'string' && hasStop(item, stopId)),
  );
  return real ? (stops as WantedStops) : undefined;
}

/** As long as a reason may be. */
export const LONGEST_REASON = 300;

/** Reasons from unchecked data. @returns undefined where they are anything but short texts */
export function readReasons(sent: unknown): Reasons | undefined {
  if (typeof sent !== 'object' || sent === null || Array.isArray(sent)) return undefined;
  const fits = (reason: unknown): boolean => typeof reason === 'string' && reason.length <= LONGEST_REASON;
  return Object.values(sent).every(fits) ? (sent as Reasons) : undefined;
}

const isId = (sent: unknown): sent is string =>
  typeof sent === 'string' && /^[A-Za-z0-9._-]{1,80}$/.test(sent);
