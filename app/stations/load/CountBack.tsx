import type { HandMedium } from '#core/esc/media';
import type { ProfileItem } from '#core/esc/profile';
import { countQuestion } from '#core/plan/instruction';

interface Props {
  item: ProfileItem;
  medium: HandMedium;
  onCount: (flashes: number) => void;
}

/** Asks what the ESC shows. The expected number is not said: counting must not be guessing. */
export function CountBack({ item, medium, onCount }: Props) {
  const inText = medium.family === 'textBox' || medium.family === 'transmitterMenu';
  return (
    <fieldset>
      <legend className="font-display text-4xl leading-tight font-bold lg:text-5xl" data-testid="instruction">
        {countQuestion(medium)}
      </legend>
      <p className="mt-4 text-xl">
        It shows what “{item.label}” holds now.{' '}
        {inText ? 'Say what stands there.' : 'Count on the lamps, then say the number.'}
      </p>
      <div className="mt-5 flex max-w-xl flex-wrap gap-3">
        {item.stops.map((stop) => (
          <button
            key={stop.id}
            type="button"
            onClick={() => onCount(stop.number)}
            className="h-14 min-w-14 rounded-full border-3 border-ink px-3 font-display text-xl font-bold hover:bg-sheet"
          >
            {inText ? stop.label : stop.number}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
