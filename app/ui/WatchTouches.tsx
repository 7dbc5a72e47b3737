declare global {
  interface Window {
    /** Ends the watch that `WatchTouches` began. @returns the fields that were touched; missing where the page was made by script */
    takeTouched?: () => Set<EventTarget>;
  }
}

/** Runs in the page by itself, so it knows nothing of what stands here. */
function watchTouches(): void {
  const touched = new Set<EventTarget>();
  const note = ({ target }: Event): void => void (target && touched.add(target));
  document.addEventListener('input', note, true);
  window.takeTouched = () => {
    document.removeEventListener('input', note, true);
    return touched;
  };
}

/**
 * Notes which fields are touched before the page answers, see `touchedEarly`. By their values alone they could not be told from
 * what the browser fills in by itself when somebody comes back, and that nobody has done.
 */
export const WatchTouches = ({ nonce }: { nonce: string | undefined }) => (
  <script
    nonce={nonce}
    suppressHydrationWarning
    dangerouslySetInnerHTML={{ __html: `(${watchTouches.toString()})()` }}
  />
);
