import type { ProfileItem } from '#core/esc/profile';
import { statesSize } from '#core/esc/scale';
import { curveOfValue } from '#core/physics/triggerChain';
import type { SettingValue } from '#core/settings/setting';
import { describeValue } from '#core/settings/value';
import { isNamed, VOCABULARY } from '#core/settings/vocabulary';
import type { SketchItem, SketchStop } from '#core/workshop/sketch';
import { INPUT } from '../rig/formParts';

interface Props {
  stop: SketchStop;
  item: SketchItem;
  number: number;
  read: ProfileItem['stops'][number] | undefined;
  path: string;
  problemAt: (path: string) => string | undefined;
  isTyped: boolean;
  onChange: (stop: SketchStop) => void;
}

/** One stop of an item: what it means, where that comes from, and what is typed for it. */
export function StopRow({ stop, item, number, read, path, problemAt, isTyped, onChange }: Props) {
  const setting = VOCABULARY[item.setting === '' ? 'other' : item.setting];
  const problem = problemAt(`${path}.meaning`) ?? problemAt(`${path}.label`) ?? problemAt(`${path}.typed`);
  const label = `What stop ${number} “${stop.label}” means`;
  const says = read && `${read.basis === 'assumed' ? 'assumed ' : ''}${describeValue(setting, read.value)}`;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="w-6 text-right text-muted">{number}</span>
      <span className="w-32 truncate font-bold">{stop.label}</span>
      {isNamed(setting) ? (
        <select
          value={stop.meaning}
          aria-label={label}
          onChange={(event) => onChange({ ...stop, meaning: event.target.value })}
          className={`${INPUT} text-base`}
        >
          <option value="">as the name says</option>
          {Object.entries(setting.choices ?? {}).map(([choice, words]) => (
            <option key={choice} value={choice}>
              {words}
            </option>
          ))}
        </select>
      ) : (
        setting.id !== 'other' && (
          <input
            value={stop.meaning}
            aria-label={label}
            onChange={(event) => onChange({ ...stop, meaning: event.target.value })}
            placeholder={statesSize(item.scale) ? 'as printed' : `in ${setting.unit || 'its unit'}`}
            autoComplete="off"
            aria-invalid={problem !== undefined}
            className={`${INPUT} w-32 text-base`}
          />
        )
      )}
      {stop.meaning !== '' && !isNamed(setting) && (
        <select
          value={stop.basis}
          aria-label={`Where the meaning of stop ${number} comes from`}
          onChange={(event) => onChange({ ...stop, basis: event.target.value as SketchStop['basis'] })}
          className={`${INPUT} text-base`}
        >
          <option value="stated">stated in the manual</option>
          <option value="assumed">assumed</option>
          <option value="measured">measured</option>
        </select>
      )}
      {isTyped && (
        <label className="flex items-center gap-2 text-sm">
          typed
          <input
            value={stop.typed}
            onChange={(event) => onChange({ ...stop, typed: event.target.value })}
            placeholder={String(number)}
            aria-label={`What is typed for stop ${number}`}
            className={`${INPUT} w-20 text-base`}
          />
        </label>
      )}
      {read?.value.kind === 'curve' && <SmallCurve value={read.value} />}
      {says && (
        <span className={`text-sm ${read.basis === 'assumed' ? 'text-caution' : 'text-muted'}`}>{says}</span>
      )}
      {problem && <span className="w-full text-sm font-bold text-hazard sm:pl-9">{problem}</span>}
    </li>
  );
}

/** What a curve looks like: trigger across, output up. */
function SmallCurve({ value }: { value: SettingValue }) {
  const line = curveOfValue(value).map(([x, y]) => `${x * 100} ${100 - y * 100}`);
  return (
    <svg
      viewBox="0 0 100 100"
      preserveAspectRatio="none"
      className="h-10 w-16 border border-rule bg-sheet"
      aria-hidden="true"
    >
      <path
        d={`M${line.join('L')}`}
        fill="none"
        className="stroke-ink"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
