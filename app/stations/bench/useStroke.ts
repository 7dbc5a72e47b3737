import { useCallback, useEffect, useRef } from 'react';

/**
 * For an undo that takes back what a hand did in one go: all that a finger or a mouse passes until it is lifted.
 * @returns asked at each change, says whether it begins a step of its own
 */
export function useStroke(): () => boolean {
  const stroke = useRef<'none' | 'begun' | 'counted'>('none');
  useEffect(() => {
    const begin = (): void => {
      stroke.current = 'begun';
    };
    const end = (): void => {
      stroke.current = 'none';
    };
    // Before anything on the page hears of it: what is touched moves at once, and nobody can keep the end to himself.
    window.addEventListener('pointerdown', begin, true);
    window.addEventListener('pointerup', end, true);
    window.addEventListener('pointercancel', end, true);
    // A finger that was lifted outside of the window is not heard of; a key is no part of its stroke.
    window.addEventListener('keydown', end, true);
    return () => {
      window.removeEventListener('pointerdown', begin, true);
      window.removeEventListener('pointerup', end, true);
      window.removeEventListener('pointercancel', end, true);
      window.removeEventListener('keydown', end, true);
    };
  }, []);
  return useCallback((): boolean => {
    const begins = stroke.current !== 'counted';
    if (stroke.current === 'begun') stroke.current = 'counted';
    return begins;
  }, []);
}
