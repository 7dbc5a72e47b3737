import type { Step } from '#core/setUps/setUp';

/** What one set changed of another, a line each. */
export function Steps({ steps, from }: { steps: readonly Step[]; from: string }) {
  if (steps.length === 0) return <p className="text-sm text-muted">Same values as “{from}”.</p>;
  return (
    <ul className="mt-1 text-sm" aria-label={`Changed from ${from}`}>
      {steps.map(({ key, name, from: was, to, reason }) => (
        <li key={key}>
          {name} <span className="text-muted">{was ?? 'not said'} →</span> <strong>{to ?? 'not said'}</strong>
          {reason && <span className="text-muted"> · {reason}</span>}
        </li>
      ))}
    </ul>
  );
}
