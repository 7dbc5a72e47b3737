/** How the two curves of a drill are drawn, for legends. */

export const NowLine = () => (
  <svg viewBox="0 0 28 8" className="h-2 w-7" aria-hidden="true">
    <path d="M0 4H28" className="stroke-ink" strokeWidth="2" strokeDasharray="5 4" />
  </svg>
);

export const DraftLine = () => (
  <svg viewBox="0 0 28 8" className="h-2 w-7" aria-hidden="true">
    <path d="M0 4H28" className="stroke-draft" strokeWidth="3" />
  </svg>
);
