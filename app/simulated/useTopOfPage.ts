import { useEffect } from 'react';

/** Brings a guide's first line into view when it takes the place of a longer page. */
export function useTopOfPage(): void {
  useEffect(() => {
    // In braces, since newer browsers return a promise from scrollTo, which React would take for a clean-up.
    window.scrollTo(0, 0);
  }, []);
}
