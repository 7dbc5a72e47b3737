import { itemById, labelIn } from '#core/esc/profile';
import type { Lesson } from '#core/rehearsal/lesson';

interface Props {
  lesson: Lesson;
  told: Readonly<Record<string, string>>;
  onTell: (itemId: string, stopId: string) => void;
}

/** A number with a hundred stops is chosen from a list. */
const MOST_BUTTONS = 14;

/** What the learner says that items are set to. */
export function TellPanel({ lesson: { profile, tell }, told, onTell }: Props) {
  return (
    <section aria-labelledby="tell" className="mt-6 border-t border-rule pt-3">
      <h2 id="tell" className="text-xl">
        What is it set to?
      </h2>
      <div className="mt-1 grid gap-3">
        {tell.map((itemId) => {
          const item = itemById(profile, itemId);
          return (
            <fieldset key={itemId} className="min-w-0 wrap-anywhere">
              <legend className="font-bold">
                {item.number} {labelIn(profile, item)}
              </legend>
              {item.stops.length > MOST_BUTTONS ? (
                <select
                  aria-label={labelIn(profile, item)}
                  value={told[itemId] ?? ''}
                  onChange={(event) => onTell(itemId, event.target.value)}
                  className="mt-1 min-h-11 rounded-sm border border-ink bg-sheet px-2"
                >
                  <option value="" disabled>
                    choose
                  </option>
                  {item.stops.map(({ id, label }) => (
                    <option key={id} value={id}>
                      {label}
                    </option>
                  ))}
                </select>
              ) : (
                <div className="mt-1 flex flex-wrap gap-2">
                  {item.stops.map(({ id, number, label }) => (
                    <button
                      key={id}
                      type="button"
                      aria-pressed={told[itemId] === id}
                      onClick={() => onTell(itemId, id)}
                      className="min-h-11 rounded-sm border border-ink px-3 hover:bg-sheet aria-pressed:bg-ink aria-pressed:text-film"
                    >
                      <strong>{number}</strong> {label}
                    </button>
                  ))}
                </div>
              )}
            </fieldset>
          );
        })}
      </div>
    </section>
  );
}
