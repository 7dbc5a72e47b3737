import { LOOK_COOKIE, lookFrom, type Look } from './preferences';

const A_YEAR_S = 365 * 24 * 3600;

/** The look that was chosen in this browser. */
export const lookNow = (): Look => lookFrom(document.cookie);

/** Changes the look on the spot, and for every page that the server draws from now on. */
export function chooseLook(look: Look): void {
  const age = look === 'auto' ? 0 : A_YEAR_S;
  document.cookie = `${LOOK_COOKIE}=${look}; path=/; max-age=${age}; samesite=strict`;
  if (look === 'auto') delete document.documentElement.dataset.look;
  else document.documentElement.dataset.look = look;
}
