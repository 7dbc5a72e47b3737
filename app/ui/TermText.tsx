import type { GlossaryEntry } from '#core/settings/glossary';
import { TriangleAlert } from 'lucide-react';

/** What a setting is, what lower and higher do, what it is called elsewhere, and what it is mixed up with. */
export function TermText({ entry: { setting, falseFriends } }: { entry: GlossaryEntry }) {
  const { summary, lower, higher, unit, choices, alsoCalled } = setting;
  return (
    <>
      <p className="mt-1">{summary}</p>
      {lower !== '' && (
        <p className="mt-2 text-sm">
          Lower: <strong>{lower}</strong>. Higher: <strong>{higher}</strong>.{unit !== '' && ` In ${unit}.`}
        </p>
      )}
      {choices && Object.keys(choices).length > 0 && (
        <p className="mt-2 text-sm">One of: {Object.values(choices).join('; ')}.</p>
      )}
      {alsoCalled.length > 0 && (
        <p className="mt-2 text-sm text-muted">In manuals: {alsoCalled.join(', ')}.</p>
      )}
      {falseFriends.map(({ id, title, sentence }) => (
        <p key={id} className="mt-3 flex gap-2 border-l-4 border-caution bg-caution-wash p-2 text-sm">
          <TriangleAlert className="mt-0.5 size-4 shrink-0 text-caution" aria-hidden="true" />
          <span>
            <strong>{title}.</strong> {sentence}
          </span>
        </p>
      ))}
    </>
  );
}
