import { SCALES, scalesOf, type Scale } from '#core/esc/scale';
import { falseFriendsIn } from '#core/settings/falseFriends';
import { MOMENTS, type MomentId } from '#core/settings/moments';
import { isNamed, VOCABULARY, type SettingId } from '#core/settings/vocabulary';
import type { SketchItem } from '#core/workshop/sketch';
import { lineOfStops, withLine } from '#core/workshop/stopsLine';
import { answered } from '#core/workshop/answer';
import type { MadeFor } from '#core/workshop/madeFor';
import { suggested, withSetting } from '#core/workshop/suggest';
import { turnedRound } from '#core/workshop/turnRound';
import type { ProfileItem } from '#core/esc/profile';
import { ArrowDown, ArrowUp, Check, Trash2, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Term } from '../../ui/Term';
import { INPUT } from '../rig/formParts';
import { Field, SelectField, TextField } from './fields';
import { NumberPart } from './NumberPart';
import { QuestionBox } from './QuestionBox';
import { StopRow } from './StopRow';
import { TiesEditor } from './TiesEditor';
import { TypedPart } from './TypedPart';
import type { SketchBench } from './useSketch';

interface Props {
  bench: SketchBench;
  place: number;
  /** The same item of the profile as it would be, where the sketch is sound. */
  read: ProfileItem | undefined;
}

/** One item: what is printed, which setting it is, and its stops on one line or one by one. */
export function ItemEditor({ bench, place, read }: Props) {
  const { sketch, problemAt, setItem, removeItem, moveItem } = bench;
  const item = sketch.items[place]!;
  const path = `items.${place}`;
  const change = (part: Partial<SketchItem>): void => setItem(place, { ...item, ...part });
  // What is being typed is only read when it is left: half a line is not a list of stops.
  const [line, setLine] = useState<string>();
  const takeLine = (): void => {
    if (line === undefined) return;
    const next = withLine(item, line);
    setItem(place, readAnew(next, bench.madeFor));
    setLine(undefined);
  };
  const chooseSetting = (setting: SettingId | ''): void => {
    setItem(
      place,
      setting === '' ? { ...item, setting, suggestion: '', asked: [] } : withSetting(item, setting),
    );
  };
  const [turned, setTurned] = useState<string[]>([]);
  const turn = (sense: SketchItem['sense']): void => {
    const next = turnedRound(item, sense);
    setItem(place, { ...next.item, asked: item.asked.filter(({ about }) => about !== 'direction') });
    setTurned(next.changed);
  };
  const setting = item.setting === '' ? undefined : VOCABULARY[item.setting];
  const pad = sketch.media.find(({ family }) => family === 'keyPad');
  // The many stops of a number mean what is printed: only its first is shown.
  const isShown = (n: number): boolean => !item.number || n <= item.number.first || n > item.number.last;
  const warnings = falseFriendsIn(item.label);
  return (
    <li className="border-b border-rule py-4" data-item={place + 1}>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <p className="w-7 pt-7 text-right font-display text-xl font-bold">{place + 1}</p>
        <div className="w-48">
          <TextField
            label="Printed name"
            value={item.label}
            problem={problemAt(`${path}.label`)}
            onChange={(label) => change({ label })}
          />
        </div>
        <div className="min-w-56 flex-1">
          <Field
            label="Stops in its order; a star after the factory stop"
            problem={problemAt(`${path}.stops`) ?? problemAt(`${path}.factory`)}
          >
            {(id) => (
              <input
                id={id}
                value={line ?? lineOfStops(item)}
                onChange={(event) => setLine(event.target.value)}
                onBlur={takeLine}
                onKeyDown={(event) => event.key === 'Enter' && takeLine()}
                placeholder="25 % / 50 %* / 75 % / 100 %"
                autoComplete="off"
                aria-invalid={problemAt(`${path}.factory`) !== undefined}
                className={`${INPUT} w-full`}
              />
            )}
          </Field>
        </div>
        <div className="flex gap-1 pt-6">
          <IconButton
            label={`Item ${place + 1} up`}
            icon={ArrowUp}
            onClick={() => moveItem(place, -1)}
            disabled={place === 0}
          />
          <IconButton
            label={`Item ${place + 1} down`}
            icon={ArrowDown}
            onClick={() => moveItem(place, 1)}
            disabled={place === sketch.items.length - 1}
          />
          <IconButton label={`Remove item ${place + 1}`} icon={Trash2} onClick={() => removeItem(place)} />
        </div>
      </div>
      <div className="mt-2 flex flex-wrap items-start gap-x-4 gap-y-2 sm:pl-11">
        <div className="flex items-start">
          <SettingChoice
            value={item.setting}
            problem={
              item.suggestion === '' && item.asked.length === 0 ? problemAt(`${path}.setting`) : undefined
            }
            onChange={chooseSetting}
          />
          {setting && (
            <span className="pt-6">
              <Term setting={setting.id} />
            </span>
          )}
        </div>
        {setting && (
          <SelectField
            label="Its stops are written in"
            value={item.scale}
            problem={problemAt(`${path}.scale`)}
            options={scalesOf(setting).map((scale) => [scale, SCALES[scale]])}
            onChange={(scale) =>
              change({ scale: scale as Scale, asked: item.asked.filter(({ about }) => about !== 'scale') })
            }
          />
        )}
        {setting && !isNamed(setting) && setting.id !== 'other' && (
          <SelectField
            label="Higher numbers mean"
            value={item.sense}
            options={[
              ['direct', setting.higher || 'more'],
              ['inverted', setting.lower || 'less'],
            ]}
            onChange={(sense) => turn(sense as SketchItem['sense'])}
          />
        )}
      </div>
      {(item.setting === 'throttleCurve' || item.setting === 'brakeCurve') && (
        <div className="mt-2 sm:ml-11">
          <TextField
            label="Curve points that the owner sets"
            hint="2 to 11, both ends included. Leave empty if only its stops can be chosen."
            value={item.curvePoints}
            problem={problemAt(`${path}.curvePoints`)}
            width="w-24"
            onChange={(curvePoints) => change({ curvePoints })}
          />
        </div>
      )}
      <NumberPart item={item} onChange={(next) => setItem(place, next)} />
      {pad && item.stops.length > 0 && (
        <TypedPart
          item={item}
          hasOwnKeys={pad.values.chosenBy === 'ownKey'}
          problemAt={(what) => problemAt(`${path}.${what}`)}
          onChange={(next) => setItem(place, next)}
        />
      )}
      {turned.length > 0 && (
        <p role="status" className="mt-2 text-sm sm:ml-11">
          Their assumed sizes changed too: {turned.map((label) => `“${label}”`).join(', ')}. Stated and
          measured sizes stay.
        </p>
      )}
      {item.asked.map((question) => (
        <QuestionBox
          key={question.words}
          question={question}
          problem={problemAt(`${path}.${question.about === 'setting' ? 'setting' : 'asked'}`)}
          onAnswer={(answer) => setItem(place, answered(item, question, answer))}
        />
      ))}
      {item.suggestion !== '' && setting && (
        <div className="mt-2 flex flex-wrap items-center gap-3 border-l-4 border-advised bg-sheet p-2 sm:ml-11">
          <p className="min-w-0 flex-1 basis-64 text-sm">{item.suggestion}</p>
          <Button onClick={() => change({ suggestion: '' })}>
            <Check className="size-5" aria-hidden="true" />
            It is {setting.name.toLowerCase()}
          </Button>
        </div>
      )}
      {item.suggestion !== '' &&
        warnings.map(({ id, title, sentence }) => (
          <p key={id} className="mt-1 flex gap-2 bg-caution-wash p-2 text-sm sm:ml-11">
            <TriangleAlert className="mt-0.5 size-4 shrink-0 text-caution" aria-hidden="true" />
            <span>
              <strong>{title}.</strong> {sentence}
            </span>
          </p>
        ))}
      {setting && item.stops.length > 0 && (
        <details
          className="sm:ml-11"
          open={item.stops.some((_, n) => problemAt(`${path}.stops.${n}.meaning`)) || undefined}
        >
          <summary className="min-h-11 cursor-pointer py-2 text-sm underline underline-offset-4">
            Stop by stop: what each means
          </summary>
          {!isNamed(setting) && setting.id !== 'other' && (
            <p className="mb-2 text-sm">
              If a stop leaves its size to another item (“custom”), type <strong>another item</strong>. Then
              show that item in the menu only while this stop is chosen.
            </p>
          )}
          {setting.id === 'cutoff' && (
            <p className="mb-2 text-sm">
              For a stop that counts the whole pack, type volts and “pack”: <strong>9.6 pack</strong>.
            </p>
          )}
          <ol className="grid gap-2">
            {item.stops.map(
              (stop, n) =>
                isShown(n) && (
                  <StopRow
                    key={n}
                    stop={stop}
                    item={item}
                    number={n + 1}
                    read={read?.stops[n]}
                    path={`${path}.stops.${n}`}
                    problemAt={problemAt}
                    isTyped={pad !== undefined}
                    onChange={(next) => change({ stops: item.stops.map((old, m) => (m === n ? next : old)) })}
                  />
                ),
            )}
          </ol>
        </details>
      )}
      {item.stops.length > 0 && <TiesEditor bench={bench} place={place} />}
    </li>
  );
}

/** An item whose stops were typed again: what nobody has settled is read again, what was asked of other stops is asked again. */
function readAnew(item: SketchItem, madeFor: MadeFor): SketchItem {
  if (item.setting === '' || item.suggestion !== '') return suggested(item, madeFor);
  return item.asked.length > 0 ? withSetting(item, item.setting) : item;
}

function SettingChoice({
  value,
  problem,
  onChange,
}: {
  value: SettingId | '';
  problem: string | undefined;
  onChange: (setting: SettingId | '') => void;
}) {
  return (
    <Field label="It is" problem={problem}>
      {(id) => (
        <select
          id={id}
          value={value}
          onChange={(event) => onChange(event.target.value as SettingId | '')}
          aria-invalid={problem !== undefined}
          className={`${INPUT} max-w-full`}
        >
          <option value="">choose …</option>
          {(Object.keys(MOMENTS) as MomentId[]).map((moment) => (
            <optgroup key={moment} label={MOMENTS[moment]}>
              {Object.values(VOCABULARY)
                .filter((setting) => setting.moment === moment)
                .map((setting) => (
                  <option key={setting.id} value={setting.id}>
                    {setting.name}
                  </option>
                ))}
            </optgroup>
          ))}
        </select>
      )}
    </Field>
  );
}

interface IconButtonProps {
  label: string;
  icon: typeof Trash2;
  onClick: () => void;
  disabled?: boolean;
}

const IconButton = ({ label, icon: Icon, onClick, disabled = false }: IconButtonProps) => (
  <button
    type="button"
    aria-label={label}
    onClick={onClick}
    disabled={disabled}
    className="flex size-11 items-center justify-center rounded-sm hover:bg-sheet disabled:opacity-40"
  >
    <Icon className="size-5" aria-hidden="true" />
  </button>
);
