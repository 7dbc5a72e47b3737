import { noAnswerCauses } from '#core/plan/noAnswer';
import type { MediumFamily } from '#core/esc/media';
import type { EscProfile } from '#core/esc/profile';

/** What to look at when nothing comes back at all, one after the other. */
export function NoAnswer({ profile, family }: { profile: EscProfile; family: MediumFamily }) {
  return (
    <details className="mt-4 border-t border-rule pt-3">
      <summary className="min-h-11 cursor-pointer py-2 underline">It does not answer at all</summary>
      <p className="text-sm text-muted">The likeliest first. Switch off before you touch a plug.</p>
      <ol className="mt-2 list-decimal pl-6">
        {noAnswerCauses(profile, family).map(({ look, remedy }) => (
          <li key={look} className="py-1.5">
            <strong>{look}</strong> {remedy}
          </li>
        ))}
      </ol>
    </details>
  );
}
