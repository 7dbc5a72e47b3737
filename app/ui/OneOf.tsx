import type { ReactNode } from 'react';

interface Props<Id extends string> {
  legend: ReactNode;
  /** The group's name among those of the page. */
  name: string;
  of: readonly (readonly [id: Id, words: ReactNode])[];
  value: Id | undefined;
  onChoose: (id: Id) => void;
}

/** One of some lines, each as large as a thumb. */
export function OneOf<Id extends string>({ legend, name, of, value, onChoose }: Props<Id>) {
  return (
    <fieldset>
      <legend className="font-bold">{legend}</legend>
      {of.map(([id, words]) => (
        <label key={id} className="flex min-h-11 items-center gap-3 border-b border-rule py-1.5">
          <input
            type="radio"
            autoComplete="off"
            name={name}
            className="size-5 shrink-0 accent-draft"
            checked={value === id}
            onChange={() => onChoose(id)}
          />
          {words}
        </label>
      ))}
    </fieldset>
  );
}
