import type { SketchItem } from '#core/workshop/sketch';
import { TickBox } from '../../ui/TickBox';
import { SelectField } from './fields';

/** How the ESC opens the number of an item: where it stands then, and whether a key must be held first. */
export function NumberPart({ item, onChange }: { item: SketchItem; onChange: (item: SketchItem) => void }) {
  const { number, stops } = item;
  if (!number) return null;
  const places = stops.flatMap((_, place) => (place >= number.first && place <= number.last ? [place] : []));
  return (
    <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2 sm:ml-11">
      <p className="w-full text-sm">
        A number: from “{stops[number.first]!.label}” to “{stops[number.last]!.label}”, {places.length} stops.
      </p>
      <SelectField
        label="It opens at"
        value={String(number.begins)}
        options={places.map((place) => [String(place), stops[place]!.label])}
        onChange={(begins) => onChange({ ...item, number: { ...number, begins: Number(begins) } })}
      />
      <TickBox
        on={number.unlockedByHold}
        onChange={(unlockedByHold) => onChange({ ...item, number: { ...number, unlockedByHold } })}
      >
        a held key unlocks it
      </TickBox>
    </div>
  );
}
