import { VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import type { SketchItem } from '#core/workshop/sketch';
import { INPUT } from '../rig/formParts';

interface Props {
  item: SketchItem;
  onChange: (alsoSets: SketchItem['ties']['alsoSets']) => void;
}

/** A second setting that the stops of an item decide along: what each of them makes of it. Only settings with named choices. */
export function AlsoSets({ item, onChange }: Props) {
  const { alsoSets } = item.ties;
  const named = Object.values(VOCABULARY).filter(({ id, choices }) => choices && id !== item.setting);
  const choices = alsoSets && VOCABULARY[alsoSets.setting].choices;
  const chosen = (stopId: string): string => {
    const value = alsoSets?.values.find((one) => one.stopId === stopId)?.value;
    return value?.kind === 'choice' ? value.choice : '';
  };
  const choose = (stopId: string, choice: string): void => {
    if (!alsoSets) return;
    const others = alsoSets.values.filter((one) => one.stopId !== stopId);
    const values =
      choice === '' ? others : [...others, { stopId, value: { kind: 'choice' as const, choice } }];
    onChange({ ...alsoSets, values });
  };
  return (
    <fieldset>
      <legend className="text-muted">Its stops also set something else (“brushless, forward only”)</legend>
      <select
        aria-label="The other setting"
        value={alsoSets?.setting ?? ''}
        onChange={(event) =>
          onChange(
            event.target.value === '' ? null : { setting: event.target.value as SettingId, values: [] },
          )
        }
        className={`${INPUT} text-base`}
      >
        <option value="">none</option>
        {named.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      {choices &&
        item.stops.map(({ id, label }) => (
          <label key={id} className="mt-1 flex items-center gap-2">
            <span className="w-40 truncate">{label}</span>
            <select
              value={chosen(id)}
              onChange={(event) => choose(id, event.target.value)}
              className={`${INPUT} text-base`}
            >
              <option value="">does not set it</option>
              {Object.entries(choices).map(([choice, words]) => (
                <option key={choice} value={choice}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        ))}
    </fieldset>
  );
}
