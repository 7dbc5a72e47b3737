import { HAND_VALUE_KEYS, HAND_VALUES, readHandValues, type HandValueKey } from '#core/rig/handValues';
import { readNumber } from '#core/units/readNumber';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { DraftMark } from '../../ui/marks';
import { useBench, useNewestDraft } from '../bench/BenchContext';
import { INPUT } from '../rig/formParts';

/** What is drafted beside the ESC's own values: pinion, pack and the radio's end points. */
export function OffTheEsc() {
  const { rig } = useBench();
  const keys = HAND_VALUE_KEYS.filter((key) => HAND_VALUES[key].read(rig) !== undefined);
  return (
    <section id="off-the-esc" aria-labelledby="off-the-esc-title" className="scroll-mt-4 pt-5">
      <h2 id="off-the-esc-title" className="pb-1 text-xl">
        On the model and its radio
      </h2>
      <p className="pb-2 text-sm text-muted">
        Part of the draft: traces and verdicts use it, and Load says when to do it.
      </p>
      <ul>
        {keys.map((key) => (
          <HandRow key={key} handKey={key} />
        ))}
      </ul>
    </section>
  );
}

function HandRow({ handKey }: { handKey: HandValueKey }) {
  const { rig, moveAll } = useBench();
  const { name, unit, least, most, step, decimals, lower, higher, read } = HAND_VALUES[handKey];
  const now = read(rig)!;
  const wanted = useNewestDraft().byHand[handKey] ?? now;
  // As it stands in the field while it is being typed: the draft comes a moment later.
  const [typed, setTyped] = useState<string>();
  const differs = wanted !== now;
  const move = (value: number): void => moveAll({}, { [handKey]: value });
  const go = (value: number): void => {
    setTyped(undefined);
    move(Math.max(least, Math.min(most, value)));
  };
  const fits = (text: string): boolean => {
    const value = readNumber(text);
    return value !== undefined && readHandValues({ [handKey]: value }) !== undefined;
  };
  const onTyped = (text: string): void => {
    setTyped(text);
    if (fits(text)) move(readNumber(text)!);
  };
  const isWrong = typed !== undefined && typed !== '' && !fits(typed);
  const id = `byHand-${handKey}`;
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-5 gap-y-1 border-t border-rule py-3 sm:grid-cols-[9.5rem_1fr_8rem]">
      <label htmlFor={id} className="leading-tight font-bold">
        {name}
      </label>
      <div className="order-last col-span-2 sm:order-none sm:col-span-1">
        <span className="flex items-center gap-2">
          <Button aria-label={`${name}: less`} onClick={() => go(wanted - step)}>
            <Minus className="size-5" aria-hidden="true" />
          </Button>
          <input
            id={id}
            inputMode={decimals === 0 ? 'numeric' : 'decimal'}
            value={typed ?? String(wanted)}
            onChange={(event) => onTyped(event.target.value.trim())}
            onBlur={() => setTyped(undefined)}
            onKeyDown={(event) => {
              if (event.key === 'ArrowUp') go(wanted + step);
              else if (event.key === 'ArrowDown') go(wanted - step);
              else return;
              event.preventDefault();
            }}
            aria-invalid={isWrong}
            aria-describedby={`${id}-words`}
            className={`${INPUT} w-24 text-right ${differs ? 'font-bold text-draft' : ''}`}
          />
          <Button aria-label={`${name}: more`} onClick={() => go(wanted + step)}>
            <Plus className="size-5" aria-hidden="true" />
          </Button>
          <span>{unit}</span>
        </span>
        <p id={`${id}-words`} className="mt-1 text-sm text-muted">
          {isWrong ? (
            <span className="text-hazard">
              Type a {decimals === 0 ? 'whole ' : ''}number from {least} to {most}. Until then it stays{' '}
              {wanted}.
            </span>
          ) : (
            `less: ${lower}; more: ${higher}`
          )}
        </p>
      </div>
      <div className="text-right">
        {differs ? (
          <>
            <p className="flex items-center justify-end gap-2 font-display text-xl font-bold text-draft">
              <DraftMark className="size-4" /> {wanted}
            </p>
            <p className="text-sm text-muted">now {now}</p>
            <Button look="quiet" className="text-sm" onClick={() => go(now)}>
              put back<span className="sr-only">: {name}</span>
            </Button>
          </>
        ) : (
          <p className="text-sm text-muted">as it is</p>
        )}
      </div>
    </li>
  );
}
