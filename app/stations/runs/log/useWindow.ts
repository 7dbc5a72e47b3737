import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';

/** The part of a log that is seen, s. */
export interface Window {
  from: number;
  to: number;
}

/** Nothing shorter is looked at, s. */
const SHORTEST_S = 0.02;
const ZOOM_STEP = 1.4;
const PAN_SHARE = 0.25;

/** The window moved by a share of itself, kept within the log. */
const panned = ({ from, to }: Window, by: number, whole: number): Window => {
  const shift = Math.max(-from, Math.min(whole - to, by));
  return { from: from + shift, to: to + shift };
};

/** The window made longer or shorter about a time of it. */
function zoomed({ from, to }: Window, factor: number, about: number, whole: number): Window {
  const length = Math.max(SHORTEST_S, Math.min(whole, (to - from) * factor));
  const start = about - ((about - from) / (to - from)) * length;
  return panned({ from: start, to: start + length }, Math.max(0, -start), whole);
}

/** Zooms and pans by wheel, keys and two fingers; a finger or the mouse dragged pans. */
export function useWindow(whole: number, box: RefObject<HTMLDivElement | null>) {
  const [seen, setSeen] = useState<Window>({ from: 0, to: whole });
  const show = useCallback(
    (next: Window): void =>
      setSeen({
        from: Math.max(0, next.from),
        to: Math.min(whole, Math.max(next.to, next.from + SHORTEST_S)),
      }),
    [whole],
  );
  const fingers = useRef(new Map<number, number>());
  useEffect(() => {
    const element = box.current;
    if (!element) return undefined;
    const timeAt = (clientX: number, { from, to }: Window): number => {
      const { left, width } = element.getBoundingClientRect();
      return from + ((clientX - left) / width) * (to - from);
    };
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      setSeen((before) =>
        event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY)
          ? panned(before, Math.sign(event.deltaX || event.deltaY) * 0.1 * (before.to - before.from), whole)
          : zoomed(
              before,
              event.deltaY > 0 ? ZOOM_STEP : 1 / ZOOM_STEP,
              timeAt(event.clientX, before),
              whole,
            ),
      );
    };
    const { current: down } = fingers;
    const press = (event: PointerEvent): void => {
      down.set(event.pointerId, event.clientX);
    };
    const release = (event: PointerEvent): void => {
      down.delete(event.pointerId);
    };
    const drag = (event: PointerEvent): void => {
      const was = down.get(event.pointerId);
      if (was === undefined) return;
      const { width } = element.getBoundingClientRect();
      const [other] = [...down].filter(([id]) => id !== event.pointerId).map(([, x]) => x);
      setSeen((before) => {
        if (other === undefined)
          return panned(before, ((was - event.clientX) / width) * (before.to - before.from), whole);
        const [apartBefore, apart] = [Math.abs(was - other), Math.max(10, Math.abs(event.clientX - other))];
        return zoomed(before, apartBefore / apart, timeAt((event.clientX + other) / 2, before), whole);
      });
      down.set(event.pointerId, event.clientX);
    };
    element.addEventListener('wheel', wheel, { passive: false });
    element.addEventListener('pointerdown', press);
    element.addEventListener('pointermove', drag);
    for (const name of ['pointerup', 'pointercancel', 'pointerleave'] as const)
      element.addEventListener(name, release);
    return () => {
      element.removeEventListener('wheel', wheel);
      element.removeEventListener('pointerdown', press);
      element.removeEventListener('pointermove', drag);
      for (const name of ['pointerup', 'pointercancel', 'pointerleave'] as const)
        element.removeEventListener(name, release);
    };
  }, [box, whole]);
  /** @returns whether the key meant something here */
  const key = (name: string): boolean => {
    const { from, to } = seen;
    const moves: Record<string, () => Window> = {
      '+': () => zoomed(seen, 1 / ZOOM_STEP, (from + to) / 2, whole),
      '=': () => zoomed(seen, 1 / ZOOM_STEP, (from + to) / 2, whole),
      '-': () => zoomed(seen, ZOOM_STEP, (from + to) / 2, whole),
      ArrowLeft: () => panned(seen, -PAN_SHARE * (to - from), whole),
      ArrowRight: () => panned(seen, PAN_SHARE * (to - from), whole),
      Home: () => ({ from: 0, to: whole }),
    };
    const move = moves[name];
    if (move) setSeen(move());
    return move !== undefined;
  };
  return { seen, show, key };
}
