/** How scripts and their preloads are marked that wait until the page was painted: no browser knows it. */
export const AFTER_PAINT = 'after-paint';

/** So many files are asked for in one step. */
const AT_ONCE = 8;
/** A page that is behind others is not painted: it starts after this, ms. */
const AT_THE_LATEST_MS = 1000;

/** Runs in the page by itself, so it knows nothing but what it is handed. */
function startAfterPaint(mark: string, atOnce: number, atTheLatestMs: number): void {
  // In steps: a tap comes between.
  const preload = (): void => {
    const links = [...document.querySelectorAll<HTMLLinkElement>(`link[rel="${mark}"]`)].slice(0, atOnce);
    for (const link of links) link.rel = 'modulepreload';
    setTimeout(links.length > 0 ? preload : run);
  };
  const run = (): void => {
    for (const waiting of document.querySelectorAll<HTMLScriptElement>(`script[type="${mark}"]`)) {
      const script = document.createElement('script');
      script.type = 'module';
      script.nonce = waiting.nonce;
      script.textContent = waiting.textContent;
      waiting.replaceWith(script);
    }
  };
  // The second frame begins once the first was painted.
  requestAnimationFrame(() => requestAnimationFrame(preload));
  setTimeout(preload, atTheLatestMs);
}

const START = `(${startAfterPaint.toString()})(${JSON.stringify(AFTER_PAINT)},${AT_ONCE},${AT_THE_LATEST_MS})`;

/**
 * Loads and starts the page once it was painted: what is read comes before what answers. In the pit the scripts would be there as
 * soon as the style sheet is, and the first look would wait until all of them were evaluated.
 */
export const AfterPaint = ({ nonce }: { nonce: string | undefined }) => (
  <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: START }} />
);
