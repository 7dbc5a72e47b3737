import { hasStop, type EscProfile, type WantedStops } from '../esc/profile';

/** Wanted stops from unchecked data. @returns undefined where they name anything but stops of this ESC */
export function readIntents(profile: EscProfile, stops: unknown): WantedStops | undefined {
  if (typeof stops !== 'object' || stops === null || Array.isArray(stops)) return undefined;
  const real = Object.entries(stops).every(([itemId, stopId]) =>
    profile.items.some((item) => item.id === itemId && typeof stopId === 'string' && hasStop(item, stopId)),
  );
  return real ? (stops as WantedStops) : undefined;
}
