import { isTypingOpen } from '#core/workshop/keyPadCodes';
import type { SketchItem, TypedAs } from '#core/workshop/sketch';
import { SelectField, TextField } from './fields';

interface Props {
  item: SketchItem;
  hasOwnKeys: boolean;
  problemAt: (what: 'typed' | 'typedAs') => string | undefined;
  onChange: (item: SketchItem) => void;
}

/** What is typed on a key pad for an item, or printed on its key, and what is typed for its stops. */
export function TypedPart({ item, hasOwnKeys, problemAt, onChange }: Props) {
  const isOpen = isTypingOpen({ ...item, typedAs: '' });
  return (
    <div className="mt-2 flex flex-wrap items-start gap-x-6 gap-y-2 sm:ml-11">
      <TextField
        label={hasOwnKeys ? 'Printed on its key' : 'Typed code, if not its number'}
        value={item.typed}
        problem={problemAt('typed')}
        width="w-40"
        onChange={(typed) => onChange({ ...item, typed })}
      />
      {isOpen && (
        <SelectField
          label="Typed codes of its stops"
          value={item.typedAs}
          problem={problemAt('typedAs')}
          options={[
            ['', 'choose …'],
            ['stopNumber', 'the number of the stop'],
            ['printedNumber', 'the printed number, no point'],
          ]}
          onChange={(typedAs) => onChange({ ...item, typedAs: typedAs as TypedAs })}
        />
      )}
    </div>
  );
}
