import type { PointerEvent } from 'react';

/** A click on a button must not take the space bar away from what it does on the page; Tab still reaches every button. */
export function keepFocus(event: PointerEvent): void {
  if (event.target instanceof HTMLElement && event.target.closest('button')) event.preventDefault();
}
