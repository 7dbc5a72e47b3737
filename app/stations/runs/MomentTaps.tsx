import { feltMoments, type Felt, type RunNote } from '#core/runs/run';
import { momentName } from '#core/settings/moments';
import { useBench } from '../bench/BenchContext';

const CHOICES: readonly Felt[] = ['less', 'right', 'more'];

interface Props {
  felt: RunNote['felt'];
  onChange: (felt: RunNote['felt']) => void;
}

/** What is wanted at each moment of the drive, one tap each; a second tap on the same takes it back. */
export function MomentTaps({ felt, onChange }: Props) {
  const { kind } = useBench().rig.vehicle;
  return (
    <fieldset>
      <legend className="font-bold">What do you want there?</legend>
      {feltMoments(kind).map((moment) => (
        <div
          key={moment}
          role="group"
          aria-label={momentName(moment, kind)}
          className="flex items-center gap-2 border-b border-rule"
        >
          <span className="w-24 shrink-0">{momentName(moment, kind)}</span>
          {CHOICES.map((choice) => {
            const isOn = felt[moment] === choice;
            const { [moment]: _, ...others } = felt;
            return (
              <button
                key={choice}
                type="button"
                aria-pressed={isOn}
                onClick={() => onChange(isOn ? others : { ...others, [moment]: choice })}
                className="my-1 min-h-11 flex-1 rounded-sm border border-muted px-2 aria-pressed:border-draft aria-pressed:bg-draft aria-pressed:font-bold aria-pressed:text-on-draft"
              >
                {choice}
              </button>
            );
          })}
        </div>
      ))}
    </fieldset>
  );
}
