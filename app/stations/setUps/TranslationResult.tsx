import { nameOf, stopById, type EscProfile, type StopByItem } from '#core/esc/profile';
import type { Side } from '#core/setUps/compare';
import { OUTCOMES, type Translated, type TranslatedRow } from '#core/setUps/translate';
import { LONGEST_REASON } from '#core/sheet/intents';
import { LONGEST_NAME } from '#core/units/text';
import { useState } from 'react';
import { Form, Link } from 'react-router';
import { Button } from '../../ui/Button';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Scrollable } from '../../ui/Scrollable';
import { INPUT } from '../rig/formParts';
import type { Target } from './translationTarget.server';

const NOT_TAKEN = '';

interface ResultProps {
  from: Side;
  fromKey: string;
  target: Target;
  result: Translated;
}

/** A translation: a row for each value, each with why, and what is kept of it. */
export function TranslationResult({ from, fromKey, target, result }: ResultProps) {
  const { rows, untouched } = result;
  /** Where the user chose another stop, by the item that it came from. */
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({});
  const taken = rows.map((row) => ({
    row,
    stopId: chosen[row.from.item.id] ?? row.to?.stop.id ?? NOT_TAKEN,
  }));
  const wanted = taken.filter(
    ({ row, stopId }) => row.outcome !== 'along' && row.target && stopId !== NOT_TAKEN,
  );
  const values = {
    stops: Object.fromEntries(wanted.map(({ row, stopId }) => [row.target!.id, stopId])),
    reasons: Object.fromEntries(
      wanted.map(({ row, stopId }) => [
        row.target!.id,
        (row.to?.stop.id === stopId ? row.sentence : 'Chosen by hand.').slice(0, LONGEST_REASON),
      ]),
    ),
  };
  const left = rows
    .filter(({ to }) => to === null)
    .map(({ from: { item, stop } }) => `${nameOf(item)} ${stop.label}`);
  return (
    <>
      <h2 className="mt-4 text-xl">
        {from.title} ({from.profile.name}) onto {target.name} ({target.profile.name})
      </h2>
      <Scrollable label="Translated values">
        <table className="mt-2 w-full max-w-6xl text-left [&_td]:py-1.5 [&_td]:pr-4 [&_td]:align-top">
          <thead className="text-sm text-muted max-md:hidden">
            <tr>
              {[from.profile.name, 'value', target.profile.name, 'stop', 'why'].map((head, place) => (
                <th key={place} scope="col" className="py-1 pr-4 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {taken.map(({ row, stopId }) => (
              <Row
                key={row.from.item.id}
                row={row}
                stopId={stopId}
                onChoose={(next) => setChosen({ ...chosen, [row.from.item.id]: next })}
              />
            ))}
          </tbody>
        </table>
      </Scrollable>
      {untouched.length > 0 && (
        <p className="mt-3 max-w-3xl">
          Not mentioned: {untouched.map((item) => `${item.number} ${item.label}`).join(', ')}. They stay as
          they are
          {target.rigId === null ? ', as from the factory' : ''}.
        </p>
      )}
      {target.rigId === null ? (
        <OwnersOnly>
          <MakeRig profile={target.profile} fromKey={fromKey} />
        </OwnersOnly>
      ) : (
        <OwnersOnly>
          <KeepForm from={from} rigId={target.rigId} values={values} left={left} />
        </OwnersOnly>
      )}
    </>
  );
}

interface RowProps {
  row: TranslatedRow;
  stopId: string;
  onChoose: (stopId: string) => void;
}

function Row({ row, stopId, onChoose }: RowProps) {
  const { from, to, target, outcome, sentence, friends } = row;
  const item = target ?? to?.item;
  const stop = item && stopId !== NOT_TAKEN ? stopById(item, stopId) : undefined;
  return (
    <tr className="border-t border-rule max-md:grid max-md:grid-cols-2">
      <td>
        {from.item.number} {from.item.label}
      </td>
      <td className="font-bold">{from.stop.label}</td>
      <td>{item ? `${item.number} ${item.label}` : '–'}</td>
      <td className="font-bold">
        {target && outcome !== 'along' ? (
          <>
            <select
              aria-label={`Stop for ${from.item.label}`}
              value={stopId}
              onChange={(event) => onChoose(event.target.value)}
              className={`${INPUT} print:hidden`}
            >
              <option value={NOT_TAKEN}>leave it</option>
              {target.stops
                .filter(({ id }) => !target.commandStopIds.includes(id))
                .map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.label}
                  </option>
                ))}
            </select>
            <span className="hidden print:inline">{stop?.label ?? 'leave it'}</span>
          </>
        ) : (
          (stop?.label ?? '')
        )}
      </td>
      <td className="max-w-md text-sm max-md:col-span-2">
        <span className={TELLS[outcome] ? 'font-bold text-caution' : 'text-muted'}>
          {OUTCOMES[outcome]}.{' '}
        </span>
        {sentence}
        {friends.map(({ id, title, sentence: tells }) => (
          <span key={id} className="mt-1 block text-caution">
            {title}: <span className="text-ink">{tells}</span>
          </span>
        ))}
      </td>
    </tr>
  );
}

/** Outcomes that want a second look. */
const TELLS: Readonly<Record<TranslatedRow['outcome'], boolean>> = {
  same: false,
  near: false,
  byEffect: false,
  along: false,
  asked: true,
  cannot: true,
  leftOut: true,
};

function MakeRig({ profile, fromKey }: { profile: EscProfile; fromKey: string }) {
  return (
    <Form method="post" className="mt-4 print:hidden">
      <input type="hidden" name="profileId" value={profile.id} />
      <input type="hidden" name="from" value={fromKey} />
      <p>To keep it, you need a rig with this ESC.</p>
      <Button type="submit" look="main" name="intent" value="makeRig">
        Make a rig like this one with it
      </Button>
    </Form>
  );
}

interface KeepProps {
  from: Side;
  rigId: string;
  values: { stops: StopByItem; reasons: Readonly<Record<string, string>> };
  /** What could not be said. */
  left: readonly string[];
}

function KeepForm({ from, rigId, values, left }: KeepProps) {
  const note = left.length === 0 ? '' : `Not taken over: ${left.join(', ')}.`;
  return (
    <Form method="post" className="mt-4 flex flex-wrap items-center gap-3 print:hidden">
      <input type="hidden" name="target" value={rigId} />
      <input type="hidden" name="values" value={JSON.stringify(values)} />
      <input type="hidden" name="note" value={note} />
      <label className="flex items-center gap-2">
        Name
        <input
          name="name"
          required
          maxLength={LONGEST_NAME}
          defaultValue={`${from.title}, translated`.slice(0, LONGEST_NAME)}
          className={`${INPUT} w-72`}
        />
      </label>
      <Button type="submit" look="main" name="intent" value="keep">
        Keep {Object.keys(values.stops).length} values as a set-up
      </Button>
      <Link to={`/rigs/${rigId}/set-ups`} className="underline underline-offset-4">
        Set-ups there
      </Link>
    </Form>
  );
}
