import { FAMILY_WORDS, MEDIA, type EndPointFamily, type MediumFamily } from '#core/esc/media';
import { CALIBRATION_FIELDS, MEDIUM_FIELDS, usualPart, type PartField } from '#core/workshop/partFields';
import type { SketchPart } from '#core/workshop/sketch';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from './fields';
import { PresetMark } from './PresetMark';
import type { SketchBench } from './useSketch';

/** How it is set and how it learns end points, with the times and names that its manual states. */
export function MediaPart({ bench }: { bench: SketchBench }) {
  const { sketch, set, problemAt } = bench;
  const free = (Object.keys(MEDIA) as MediumFamily[]).filter(
    (family) => !sketch.media.some((medium) => medium.family === family),
  );
  const setMedium = (place: number, medium: SketchPart<MediumFamily>): void =>
    set({ media: sketch.media.map((old, n) => (n === place ? medium : old)) });
  return (
    <section aria-labelledby="how" className="mt-8">
      <h2 id="how" className="border-b border-ink pb-1 text-2xl">
        How it is set
      </h2>
      <PresetMark bench={bench} id="media" />
      {problemAt('media') && <p className="mt-2 font-bold text-hazard">{problemAt('media')}</p>}
      {sketch.media.map((medium, place) => (
        <div key={medium.family} className="border-b border-rule py-3">
          <div className="flex flex-wrap items-end justify-between gap-3">
            <SelectField
              label={place === 0 ? 'By' : 'Also by'}
              value={medium.family}
              problem={problemAt(`media.${place}`)}
              options={[medium.family, ...free].map((family) => [family, MEDIA[family].words])}
              onChange={(family) =>
                setMedium(place, usualPart(family as MediumFamily, MEDIUM_FIELDS[family as MediumFamily]))
              }
            />
            {sketch.media.length > 1 && (
              <Button look="quiet" onClick={() => set({ media: sketch.media.filter((_, n) => n !== place) })}>
                Remove
              </Button>
            )}
          </div>
          <PartFields
            part={medium}
            fields={MEDIUM_FIELDS[medium.family]}
            path={`media.${place}`}
            problemAt={problemAt}
            onChange={(values) => setMedium(place, { ...medium, values })}
          />
        </div>
      ))}
      {free.length > 0 && (
        <Button
          look="quiet"
          className="mt-2"
          onClick={() => set({ media: [...sketch.media, usualPart(free[0]!, MEDIUM_FIELDS[free[0]!])] })}
        >
          It can also be set another way
        </Button>
      )}
      <h3 className="mt-5 text-xl">How it learns end points</h3>
      <PresetMark bench={bench} id="calibration" />
      <SelectField
        label="By"
        value={sketch.calibration.family}
        problem={problemAt('calibration')}
        options={Object.entries(FAMILY_WORDS)}
        onChange={(family) => {
          const chosen = family as EndPointFamily['family'];
          set({ calibration: usualPart(chosen, CALIBRATION_FIELDS[chosen]) });
        }}
      />
      <PartFields
        part={sketch.calibration}
        fields={CALIBRATION_FIELDS[sketch.calibration.family]}
        path="calibration"
        problemAt={problemAt}
        onChange={(values) => set({ calibration: { ...sketch.calibration, values } })}
      />
    </section>
  );
}

interface PartFieldsProps {
  part: SketchPart<string>;
  fields: readonly PartField[];
  path: string;
  problemAt: (path: string) => string | undefined;
  onChange: (values: SketchPart<string>['values']) => void;
}

function PartFields({ part, fields, path, problemAt, onChange }: PartFieldsProps) {
  return (
    <div className="mt-2 flex flex-wrap gap-x-6 gap-y-3">
      {fields.map(({ key, label, unit, choices }) => {
        const value = part.values[key] ?? '';
        const problem = problemAt(`${path}.values.${key}`);
        const change = (text: string): void => onChange({ ...part.values, [key]: text });
        if (choices)
          return (
            <SelectField
              key={key}
              label={label}
              value={value}
              problem={problem}
              options={Object.entries(choices)}
              onChange={change}
            />
          );
        const isNumber = unit === 'ms' || unit === 'µs' || unit === '';
        return (
          <TextField
            key={key}
            label={label}
            value={value}
            problem={problem}
            onChange={change}
            unit={isNumber ? unit : ''}
            width={isNumber ? 'w-24' : unit === 'text' && key !== 'plug' ? 'w-40' : 'w-80 max-w-full'}
            hint={HINTS[unit]}
          />
        );
      })}
    </div>
  );
}

const HINTS: Partial<Record<PartField['unit'], string>> = {
  notes: 'l h are short notes, L H long; low and high. Put a space between groups. Empty: counted notes.',
  items: 'Item numbers, a space between.',
  pages: 'In order: title, item numbers, semicolon. “Drive: 1 2 5; Brake: 3 4”. Empty: one page.',
};
