import { useEffect, useLayoutEffect, useRef } from 'react';
import { tellTouched, touchedEarly, type Touched } from './touchedEarly';

/** Takes in what was touched before, and says that the page answers: whoever works it by script must not click before. */
export function usePageAnswers(): void {
  const touched = useRef<Touched[]>([]);
  // As the page was written: what comes of effects is not there yet.
  useLayoutEffect(() => {
    if (!('answers' in document.documentElement.dataset)) touched.current = touchedEarly();
  }, []);
  useEffect(() => {
    // Behind this commit: nothing that is told is shown within it.
    queueMicrotask(() => {
      tellTouched(touched.current);
      document.documentElement.dataset.answers = '';
    });
  }, []);
}
