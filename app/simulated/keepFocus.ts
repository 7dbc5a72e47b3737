import type { PointerEvent, TouchEvent } from 'react';

/**
 * Keeps a tap from becoming a click as well: what the tap showed may have moved another control under the finger by then.
 * React listens to the end of a touch actively, so that it can be prevented.
 */
export const noClickAfter = (event: TouchEvent): void => event.preventDefault();

/** A click on a button must not take the space bar away from what it does on the page; Tab still reaches every button. */
export function keepFocus(event: PointerEvent): void {
  if (event.target instanceof HTMLElement && event.target.closest('button')) event.preventDefault();
}
