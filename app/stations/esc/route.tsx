import { hasLink, itemById, labelIn, stopById, type EscProfile } from '#core/esc/profile';
import { downgrade, type Loss } from '#core/sheet/downgrade';
import { EVIDENCE, unknownItems, type Observation } from '#core/sheet/evidence';
import { readForm } from '#server/readBody';
import { addObservations } from '#server/repositories/observations';
import { useState } from 'react';
import { data, Form, Link } from 'react-router';
import { SafetyGate } from '../../simulated/SafetyGate';
import { DataTable } from '../../ui/DataTable';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { keepTyped } from '../../ui/keepTyped';
import { escMarkOf, EscMark } from '../../ui/marks';
import { Notice } from '../../ui/Notice';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { Term } from '../../ui/Term';
import { useYou } from '../../ui/useYou';
import { Time } from '../../ui/Time';
import { useAnswer } from '../../ui/useAnswer';
import { BenchOfEsc, useBench } from '../bench/BenchContext';
import { benchAtEsc, benchOf } from '../bench/benchData.server';
import { EscChoice } from '../load/EscChoice';
import { LinkLoad } from '../load/LinkLoad';
import { MeasureStop } from './MeasureStop';
import type { Route } from './+types/route';

const DO_NOT_KNOW = 'unknown';
/** Reading changes nothing. */
const NO_INTENTS = {};
const MISHAPS: Record<'reset' | 'firmwareUpdate', { happened: string; means: string }> = {
  reset: {
    happened: 'I reset it to factory values',
    means: 'All values then count as factory values: assumed, not verified.',
  },
  firmwareUpdate: {
    happened: 'I updated its firmware',
    means: 'All values then count as unknown until you read or load them again.',
  },
};

/** Adds the user's word, or what happened to the ESC, to the history. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const { profile } = bench;
  const form = await readForm(request);
  const at = new Date().toISOString();
  const mishap = form.get('mishap');
  const observations =
    mishap === 'reset' || mishap === 'firmwareUpdate'
      ? downgrade(profile, { kind: mishap } satisfies Loss, at)
      : wordsIn(form, profile, at);
  if (observations.length === 0)
    return data({ sentence: 'Nothing is chosen. Choose at least one value.' }, { status: 400 });
  await addObservations(benchAtEsc(bench, form.get('esc')), observations);
  return {
    sentence: `Noted: ${observations.length === 1 ? 'one value' : `${observations.length} values`}.`,
  };
}

function wordsIn(form: FormData, profile: EscProfile, at: string): Observation[] {
  return profile.items.flatMap((item): Observation[] => {
    const word = form.get(`word.${item.id}`);
    if (word === DO_NOT_KNOW) return [{ itemId: item.id, stopId: null, basis: 'userWord', at }];
    const stop = item.stops.find(({ id }) => id === word);
    return stop ? [{ itemId: item.id, stopId: stop.id, basis: 'userWord', at }] : [];
  });
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

/** What the ESC holds: item by item, how it is known and since when; a place to say what you know better. */
export default function EscRoute(props: Route.ComponentProps) {
  const [escNumber, setEscNumber] = useState(1);
  return (
    <BenchOfEsc escNumber={escNumber}>
      <OneEsc {...props} onEsc={setEscNumber} />
    </BenchOfEsc>
  );
}

function OneEsc({ actionData, onEsc }: Route.ComponentProps & { onEsc: (escNumber: number) => void }) {
  const { answer, busy } = useAnswer(actionData);
  const { isOwner } = useYou();
  const { rigId, escNumber, rig, profile, holdings } = useBench();
  const [reading, setReading] = useState<'no' | 'makingSafe' | 'yes'>('no');
  const [precaution, setPrecaution] = useState<string>();
  const unknown = unknownItems(profile, holdings).length;
  if (reading === 'yes') return <LinkLoad intents={NO_INTENTS} onAgain={() => setReading('no')} />;
  return (
    <div className="max-w-5xl px-5 py-6">
      <h1 className="text-3xl">What the ESC holds</h1>
      <p className="mt-2 max-w-3xl text-muted">
        As far as known. A value is verified only when the ESC itself showed it. What you tell Live Tune
        counts as your word.
      </p>
      <EscChoice onEsc={onEsc} />
      {unknown > 0 && (
        <div className="mt-3 max-w-3xl">
          <Notice grade="caution" title={`${unknown} ${unknown === 1 ? 'value is' : 'values are'} unknown.`}>
            {isOwner && (
              <p>
                {hasLink(profile)
                  ? 'Read them by link, or enter what you know.'
                  : 'Enter what you know, or draft the values you want and load them.'}
              </p>
            )}
          </Notice>
        </div>
      )}
      <OwnersOnly>
        <div className="mt-4 flex flex-wrap gap-3">
          {hasLink(profile) && (
            <Button look="main" onClick={() => setReading('makingSafe')}>
              Read everything by link
            </Button>
          )}
          {(Object.keys(MISHAPS) as (keyof typeof MISHAPS)[]).map((kind) => (
            <Confirm
              key={kind}
              trigger={<Button disabled={busy}>{MISHAPS[kind].happened}</Button>}
              title={`${MISHAPS[kind].happened}?`}
              text={MISHAPS[kind].means}
              method="post"
              fields={{ mishap: kind, esc: String(escNumber) }}
              yes="Yes, note it"
              no="No"
            />
          ))}
        </div>
        <p className="mt-2">
          Updating its firmware?{' '}
          <Link className="underline underline-offset-4" to={`/rigs/${rigId}/firmware`}>
            Save before, compare after
          </Link>
          .
        </p>
      </OwnersOnly>
      {reading === 'makingSafe' && (
        <div className="mt-4 max-w-3xl">
          <SafetyGate kind={rig.vehicle.kind} chosen={precaution} onChoose={setPrecaution} />
          <Button
            look="main"
            className="mt-3"
            disabled={precaution === undefined}
            onClick={() => setReading('yes')}
          >
            It is safe: read
          </Button>
        </div>
      )}
      <p className="mt-3 min-h-6 font-bold" role="status">
        {answer?.sentence}
      </p>
      <AwayNotice answer={actionData} />
      <OwnersOnly>
        <MeasureStop />
      </OwnersOnly>
      <Form method="post" key={escNumber}>
        <input type="hidden" name="esc" value={escNumber} />
        <DataTable
          label="What the ESC holds, item by item"
          heads={['item', 'holds', 'known by', 'since', ...(isOwner ? ['I say'] : [])]}
          className="min-w-160"
        >
          {profile.items.map(({ id }) => (
            <ItemRow key={id} itemId={id} />
          ))}
        </DataTable>
        <OwnersOnly>
          <div className="sticky bottom-16 border-t border-ink bg-film py-3 md:bottom-0">
            <Button type="submit" disabled={busy}>
              Save what I say
            </Button>
          </div>
        </OwnersOnly>
      </Form>
    </div>
  );
}

function ItemRow({ itemId }: { itemId: string }) {
  const { profile, holdings } = useBench();
  const item = itemById(profile, itemId);
  const holding = holdings[itemId];
  const held = holding?.stopId ? stopById(item, holding.stopId) : undefined;
  const last = holding?.lastStopId ? stopById(item, holding.lastStopId) : undefined;
  return (
    <tr className="border-t border-rule">
      <td className="py-1 pr-3">
        <span className="flex items-center gap-1">
          {item.number} {labelIn(profile, item)}
          <Term setting={item.setting} />
        </span>
      </td>
      <td className="py-1 pr-3 font-bold">
        <span className="flex items-center gap-2">
          <EscMark mark={escMarkOf(holding)} className="size-3.5 shrink-0" />
          {held?.label ?? 'unknown'}
        </span>
        {!held && last && <span className="text-sm font-normal text-muted">before: {last.label}</span>}
      </td>
      <td className="py-1 pr-3 text-sm">{EVIDENCE[holding?.basis ?? 'assumedFactory']}</td>
      <td className="py-1 pr-3 text-sm text-muted">{holding && <Time iso={holding.at} />}</td>
      <OwnersOnly>
        <td className="py-1">
          <select
            name={`word.${item.id}`}
            defaultValue=""
            aria-label={`My word on ${labelIn(profile, item)}`}
            className="min-h-9 rounded-sm border border-muted bg-sheet px-2"
          >
            <option value="">no change</option>
            {item.stops.map((stop) => (
              <option key={stop.id} value={stop.id}>
                it is {stop.label}
              </option>
            ))}
            <option value={DO_NOT_KNOW}>I do not know</option>
          </select>
        </td>
      </OwnersOnly>
    </tr>
  );
}
