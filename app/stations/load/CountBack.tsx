import type { ProfileItem } from '#core/esc/profile';

interface Props {
  item: ProfileItem;
  lamp: string;
  onCount: (flashes: number) => void;
}

/** Asks how often the ESC flashes. The expected number is not said: counting must not be guessing. */
export function CountBack({ item, lamp, onCount }: Props) {
  return (
    <fieldset>
      <legend className="font-display text-4xl leading-tight font-bold lg:text-5xl" data-testid="instruction">
        How many {lamp} flashes?
      </legend>
      <p className="mt-4 text-xl">
        They show what “{item.label}” holds now. Count them on the lamp, then say the number.
      </p>
      <div className="mt-5 flex max-w-xl flex-wrap gap-3">
        {item.stops.map((stop) => (
          <button
            key={stop.id}
            type="button"
            onClick={() => onCount(stop.number)}
            className="size-14 rounded-full border-3 border-ink font-display text-xl font-bold hover:bg-sheet"
          >
            {stop.number}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
