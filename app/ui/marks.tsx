/** The shapes of the three values. Each differs in outline, not only in colour. */
import { isVerified, type Holding } from '#core/sheet/evidence';

interface MarkProps {
  className?: string;
}

/** How well a value on the ESC is known: a filled disc, a ring, a broken ring. */
export type EscMarkKind = 'verified' | 'believed' | 'unknown';

/** The mark of a holding. */
export function escMarkOf(holding: Pick<Holding, 'stopId' | 'basis'> | undefined): EscMarkKind {
  if (!holding || holding.stopId === null) return 'unknown';
  return isVerified(holding.basis) ? 'verified' : 'believed';
}

/** On the ESC: a filled disc when verified, a ring when only believed, a broken ring when nobody knows. */
export function EscMark({ mark, className = 'size-3.5' }: MarkProps & { mark: EscMarkKind }) {
  return (
    <svg viewBox="0 0 14 14" className={`shrink-0 ${className}`} aria-hidden="true">
      <circle
        cx="7"
        cy="7"
        r="5.5"
        className={mark === 'verified' ? 'fill-ink' : 'fill-film'}
        stroke="var(--ink)"
        strokeWidth="2"
        strokeDasharray={mark === 'unknown' ? '3.6 3.3' : undefined}
      />
    </svg>
  );
}

/** Draft: an outlined draft mark. */
export function DraftMark({ className = 'size-4' }: MarkProps) {
  return (
    <svg viewBox="0 0 16 16" className={className} aria-hidden="true">
      <path d="M8 1.5L14.5 8 8 14.5 1.5 8z" className="fill-sheet stroke-draft" strokeWidth="2" />
    </svg>
  );
}

/** Advised: a bracket that opens upward. */
export function AdvisedMark({ className = 'h-3 w-5' }: MarkProps) {
  return (
    <svg viewBox="0 0 20 12" className={className} aria-hidden="true">
      <path d="M2 2v7h16V2" className="stroke-advised" fill="none" strokeWidth="2.5" />
    </svg>
  );
}
