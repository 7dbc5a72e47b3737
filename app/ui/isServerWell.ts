/** No answer by then is none. */
const WITHIN_MS = 3000;

/** Whether the server and its database answer. */
export const isServerWell = (): Promise<boolean> =>
  fetch('/healthz', { signal: AbortSignal.timeout(WITHIN_MS) }).then(
    ({ ok }) => ok,
    () => false,
  );
