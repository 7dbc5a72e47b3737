import type { VehicleKind } from '#core/rig/rig';
import { PRECAUTIONS } from '#core/rig/safety';

interface Props {
  kind: VehicleKind;
  chosen: string | undefined;
  onChoose: (precaution: string) => void;
}

/** The gate before the first thing that could start to turn. */
export function SafetyGate({ kind, chosen, onChoose }: Props) {
  return (
    <fieldset className="rounded-sm border border-hazard bg-hazard-wash p-4">
      <legend className="px-1 font-display text-xl font-bold text-hazard">Make it safe first</legend>
      <p>
        The motor may start at any moment. Keep hands, hair and cables clear. What did you do to make it safe?
      </p>
      {PRECAUTIONS[kind].map((precaution) => (
        <label key={precaution} className="mt-2 flex min-h-11 items-center gap-3 text-lg">
          <input
            type="radio"
            name="precaution"
            autoComplete="off"
            className="size-6 shrink-0 accent-draft"
            checked={chosen === precaution}
            onChange={() => onChoose(precaution)}
          />
          {precaution}
        </label>
      ))}
      <p className="mt-2 text-sm">
        Never leave a lithium pack plugged in unwatched. Never use a puffed or dented pack. Club rules, event
        rules and local law come first.
      </p>
    </fieldset>
  );
}
