/** Parts that the plans on paper share. */
import type { HandStep } from '#core/plan/handStep';

/** What is done on the model or its radio, before the ESC has power or after it holds everything. */
export function ByHand({ steps, isCard }: { steps: readonly HandStep[]; isCard: boolean }) {
  return (
    <ul className="mt-3">
      {steps.map(({ line, detail }) => (
        <li key={line} className="break-inside-avoid border-t border-rule py-2">
          ☐ <strong>{line}</strong> {!isCard && detail}
        </li>
      ))}
    </ul>
  );
}
