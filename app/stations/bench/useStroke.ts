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
    // Before the rail hears of it: what is touched moves at once.
    window.addEventListener('pointerdown', begin, true);
    window.addEventListener('pointerup', end);
    window.addEventListener('pointercancel', end);
    return () => {
      window.removeEventListener('pointerdown', begin, true);
      window.removeEventListener('pointerup', end);
      window.removeEventListener('pointercancel', end);
    };
  }, []);
  return useCallback((): boolean => {
    const begins = stroke.current !== 'counted';
    if (stroke.current === 'begun') stroke.current = 'counted';
    return begins;
  }, []);
}
