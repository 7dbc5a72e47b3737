import type { HandMedium } from '#core/esc/media';
import { numbersOf } from '#core/esc/numberField';
import type { ProfileItem, Stop } from '#core/esc/profile';
import { readOff } from '#core/plan/formLoad';
import { countQuestion } from '#core/plan/instruction';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { INPUT } from '../rig/formParts';

interface Props {
  item: ProfileItem;
  medium: HandMedium;
  onCount: (flashes: number) => void;
}

/** A number that is shown is typed, not looked for among a hundred buttons. */
function NumberShown({
  item,
  numbers,
  onCount,
}: {
  item: ProfileItem;
  numbers: readonly Stop[];
  onCount: (flashes: number) => void;
}) {
  const [typed, setTyped] = useState('');
  const [refused, setRefused] = useState('');
  const [first, last] = [numbers[0]!, numbers.at(-1)!];
  const say = (): void => {
    const read = readOff(item, typed, numbers);
    if (read.kind === 'stop') onCount(read.stop.number);
    else setRefused(`“${typed}” is none of its numbers: “${first.label}” to “${last.label}”.`);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        say();
      }}
      className="mt-5 flex max-w-xl flex-wrap items-end gap-3"
    >
      <label className="grid gap-1">
        Or the number that it shows
        <input
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setRefused('');
          }}
          inputMode="decimal"
          autoComplete="off"
          aria-invalid={refused !== ''}
          className={`${INPUT} w-40`}
        />
      </label>
      <Button type="submit" disabled={typed.trim() === ''}>
        It shows that
      </Button>
      {refused && (
        <p role="alert" className="w-full font-bold text-hazard">
          {refused}
        </p>
      )}
    </form>
  );
}

/** Asks what the ESC shows. The expected number is not said: counting must not be guessing. */
export function CountBack({ item, medium, onCount }: Props) {
  const inText = medium.family === 'textBox' || medium.family === 'transmitterMenu';
  const numbers = numbersOf(item);
  const named = item.stops.filter((stop) => !numbers.includes(stop));
  return (
    <fieldset>
      <legend className="font-display text-4xl leading-tight font-bold lg:text-5xl" data-testid="instruction">
        {countQuestion(medium)}
      </legend>
      <p className="mt-4 text-xl">
        It shows what “{item.label}” holds now.{' '}
        {inText ? 'Enter what it shows.' : 'Count the flashes, then enter the number.'}
      </p>
      <div className="mt-5 flex max-w-xl flex-wrap gap-3">
        {named.map((stop) => (
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
      {numbers.length > 0 && <NumberShown item={item} numbers={numbers} onCount={onCount} />}
    </fieldset>
  );
}
