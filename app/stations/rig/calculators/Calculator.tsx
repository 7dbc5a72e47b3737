import type { Result } from '#core/units/problem';
import { useState, type ReactNode } from 'react';
import { Button } from '../../../ui/Button';
import { INPUT } from '../formParts';
import { readNumber } from '#core/units/readNumber';

export interface Asked<K extends string> {
  key: K;
  label: string;
  unit: string;
  /** What stands there before anything is typed. */
  start?: string;
}

interface Props<K extends string, T> {
  title: string;
  how: string;
  asked: readonly Asked<K>[];
  /** Works it out once every number is there. */
  compute: (numbers: Record<K, number>) => Result<T>;
  show: (value: T) => ReactNode;
  use?: { label: (value: T) => string; take: (value: T) => void };
}

/** A small sum beside the field that needs it: numbers in, an answer, and a button that takes it over. */
export function Calculator<K extends string, T>({ title, how, asked, compute, show, use }: Props<K, T>) {
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(asked.map(({ key, start }) => [key, start ?? ''])),
  );
  const unread = asked.filter(({ key }) => typed[key] !== '' && readNumber(typed[key]!) === undefined);
  const complete = asked.every(({ key }) => readNumber(typed[key]!) !== undefined);
  const answer = complete
    ? compute(
        Object.fromEntries(asked.map(({ key }) => [key, readNumber(typed[key]!)!])) as Record<K, number>,
      )
    : undefined;
  return (
    <fieldset className="mt-3 rounded-sm border border-rule p-3">
      <legend className="px-1 font-bold">{title}</legend>
      <p className="text-sm text-muted">{how}</p>
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-2">
        {asked.map(({ key, label, unit }) => (
          <label key={key} className="flex items-center gap-2">
            <span className="text-sm">{label}</span>
            <input
              value={typed[key]}
              onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
              inputMode="decimal"
              autoComplete="off"
              aria-label={`${title}: ${label}`}
              className={`${INPUT} w-24 text-right`}
            />
            <span className="text-sm">{unit}</span>
          </label>
        ))}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3 empty:mt-0" role="status">
        {unread.map(({ key, label }) => (
          <p key={key} className="text-sm font-bold text-hazard">
            {label}: “{typed[key]}” is not a number.
          </p>
        ))}
        {answer && !answer.ok && (
          <p className="text-sm font-bold text-hazard">{answer.problems[0]!.sentence}</p>
        )}
        {answer?.ok && (
          <>
            <p>{show(answer.value)}</p>
            {use && <Button onClick={() => use.take(answer.value)}>{use.label(answer.value)}</Button>}
          </>
        )}
      </div>
    </fieldset>
  );
}
