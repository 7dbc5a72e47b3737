import { usualGoals } from '#core/advice/goals';
import { factoryStops } from '#core/esc/profile';
import { rangeOf } from '#core/radio/pulse';
import type { Side } from '#core/setUps/compare';
import type { Translated, Translation } from '#core/setUps/translate';
import { setUpValues } from '#core/setUps/setUp';
import { readIntents, readReasons } from '#core/sheet/intents';
import { NO_HAND_VALUES } from '#core/rig/handValues';
import { LONGEST_NAME, nameFault } from '#core/units/text';
import { findProfileByKey, listProfiles } from '#server/repositories/escProfiles';
import { currentGarage } from '#server/repositories/garages';
import { otherRigs } from '#server/repositories/otherSets';
import { createRig, findBench } from '#server/repositories/rigs';
import { keepSetUp, setUpsOf } from '#server/repositories/setUps';
import { jsonOf, readForm, textOf } from '#server/readBody';
import { newSetUp } from '#server/setUpFrom';
import { sideInForm, sideOf } from '#server/sideOf';
import { useEffect, useMemo, useState } from 'react';
import { data, redirect, useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { FilePicker } from '../../ui/FilePicker';
import { PrintBar } from '../../ui/PrintBar';
import { Problems } from '../../ui/Problems';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { TranslationResult } from './TranslationResult';
import { targetOf, type Target } from './translationTarget.server';
import { useSetUpsWorker } from './useSetUpsWorker';
import type { Route } from './+types/translate';

export async function loader({ params, request }: Route.LoaderArgs) {
  const bench = await benchOf(params.rigId);
  const garage = await currentGarage();
  const { searchParams } = new URL(request.url);
  const fromKey = searchParams.get('from') ?? 'esc';
  const toKey = searchParams.get('to') ?? (fromKey.startsWith('rig:') ? `rig:${bench.rigId}` : '');
  const [setUps, rigs, profiles, from, target] = await Promise.all([
    setUpsOf(bench.rigId),
    otherRigs(garage.id, bench.rigId),
    listProfiles(garage.id),
    sideOf(garage.id, bench, fromKey),
    targetOf(garage.id, toKey),
  ]);
  return {
    fromKey,
    toKey,
    from,
    target,
    froms: [
      ...setUps.map(({ setUp }) => [`set-up:${setUp.id}`, `Set-up “${setUp.name}”`] as const),
      ...rigs.flatMap(({ rigId, name, setUps: its }) => [
        [`rig:${rigId}`, `${name}: on its ESC`] as const,
        ...its.map((one) => [`rig:${rigId}:set-up:${one.id}`, `${name}: “${one.name}”`] as const),
      ]),
    ],
    tos: [
      [`rig:${bench.rigId}`, `${bench.rig.name} (this rig)`] as const,
      ...rigs.map(({ rigId, name }) => [`rig:${rigId}`, name] as const),
      ...profiles.map(({ profile }) => [`esc:${profile.id}`, `${profile.name}, on no rig yet`] as const),
    ],
  };
}

export async function action({ params, request }: Route.ActionArgs) {
  const { rigId, rig } = await benchOf(params.rigId);
  const garage = await currentGarage();
  const form = await readForm(request);
  const text = (name: string): string => textOf(form, name);
  if (text('intent') === 'makeRig') {
    const stored = await findProfileByKey(garage.id, text('profileId'));
    if (!stored) return refused('That ESC profile no longer exists.');
    const name = `${rig.name} with ${stored.profile.name}`.slice(0, LONGEST_NAME);
    const madeId = await createRig(garage.id, { ...rig, name }, stored);
    throw redirect(`/rigs/${rigId}/translate?from=${encodeURIComponent(text('from'))}&to=rig:${madeId}`);
  }
  if (text('intent') === 'import') {
    const read = await sideInForm(garage.id, form);
    if (read.ok) return { side: read.value, problems: [] };
    return data({ side: undefined, problems: read.problems }, { status: 400 });
  }
  const target = await findBench(garage.id, text('target'));
  if (!target) return refused('The rig that it is for no longer exists.');
  const name = text('name');
  const fault = nameFault(name);
  if (fault !== undefined) return refused(`The set-up ${fault}`);
  const sent = jsonOf(form, 'values') as { stops?: unknown; reasons?: unknown } | undefined;
  const [stops, reasons] = [readIntents(target.profile, sent?.stops), readReasons(sent?.reasons)];
  if (!stops || !reasons || Object.keys(stops).length === 0) return refused('No value was chosen.');
  const setUp = newSetUp(target, {
    name,
    isFor: '',
    by: '',
    note: text('note').slice(0, 2000),
    values: setUpValues(target.profile, stops),
    byHand: NO_HAND_VALUES,
    reasons,
    origin: 'translation',
    parentId: null,
  });
  await keepSetUp(target.rigId, setUp);
  throw redirect(`/rigs/${target.rigId}/set-ups/${setUp.id}`);
}

const refused = (sentence: string) =>
  data({ side: undefined, problems: [{ path: '', sentence }] }, { status: 400 });

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Values for another ESC, by meaning: each with why. */
export default function TranslateRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { fromKey, toKey, froms, tos, target } = loaderData;
  const { rigId } = useBench();
  const [, setParams] = useSearchParams();
  const { answer } = useAnswer(actionData);
  const named = useFrom(fromKey, loaderData.from);
  // It stays while something else is under way.
  const from = answered(actionData)?.side ?? named;
  const change = (name: string, key: string): void =>
    setParams((before) => {
      before.set(name, key);
      return before;
    });
  return (
    <div className="max-w-6xl px-5 py-6 print:max-w-none print:p-0">
      <PrintBar back={[`/rigs/${rigId}/set-ups`, 'All set-ups']} />
      <h1 className="mt-4 text-3xl">For another ESC</h1>
      <p className="mt-1 max-w-2xl text-muted print:hidden">
        Numbers of stops mean something else there. Each value goes to a real stop by its meaning, on the safe
        side.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 print:hidden">
        <Choice label="From" value={fromKey} onChoose={(key) => change('from', key)}>
          {[['esc', 'On the ESC'], ['draft', 'The draft'], ...froms]}
        </Choice>
        <Choice label="onto" value={toKey} onChoose={(key) => change('to', key)}>
          {[['', 'choose an ESC'], ...tos]}
        </Choice>
        <OwnersOnly>
          <FilePicker label="or from a file" button="Read" />
        </OwnersOnly>
      </div>
      <AwayNotice answer={actionData} />
      {answer && <Problems problems={answer.problems} title="Nothing was kept." />}
      {from && target ? (
        <Translate key={`${fromKey} ${toKey} ${from.title}`} from={from} fromKey={fromKey} target={target} />
      ) : (
        <p className="mt-4 text-lg">Choose what to translate, and onto which ESC.</p>
      )}
    </div>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  onChoose: (key: string) => void;
  children: readonly (readonly string[])[];
}

const Choice = ({ label, value, onChoose, children }: ChoiceProps) => (
  <label className="flex min-w-0 items-center gap-2">
    {label}
    <select value={value} onChange={(event) => onChoose(event.target.value)} className={`${INPUT} max-w-80`}>
      {children.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  </label>
);

function useFrom(key: string, named: Side | undefined): Side | undefined {
  const { profile, drafted, believed, draft } = useBench();
  return useMemo(() => {
    const side = { profile, byHand: {}, conditions: null };
    if (key === 'esc') return { ...side, title: 'On the ESC', stops: believed, reasons: {} };
    if (key === 'draft') return { ...side, title: 'Draft', stops: drafted, reasons: draft.reasons };
    return named;
  }, [key, named, profile, drafted, believed, draft]);
}

function Translate({ from, fromKey, target }: { from: Side; fromKey: string; target: Target }) {
  const { draftedRig } = useBench();
  const translation = useMemo((): Translation => {
    const rig = target.rig ?? draftedRig;
    return {
      rig,
      goals: target.goals ?? usualGoals(rig.vehicleClass),
      from: {
        profile: from.profile,
        stops: { ...factoryStops(from.profile), ...from.stops },
        range: rangeOf(rig.channel),
      },
      itemIds: Object.keys(from.stops),
      onto: { profile: target.profile, stops: target.stops, range: target.range ?? rangeOf(rig.channel) },
    };
  }, [from, target, draftedRig]);
  const result = useTranslation(translation);
  if (from.profile.id === target.profile.id)
    return (
      <p className="mt-4 text-lg">
        Both are the same kind of ESC. Nothing needs translating: compare them, and take over what you like.
      </p>
    );
  if (!result) return <p className="mt-4 text-lg">Trying the stops on this rig …</p>;
  if (typeof result === 'string') return <p className="mt-4 text-lg text-caution">{result}</p>;
  return <TranslationResult from={from} fromKey={fromKey} target={target} result={result} />;
}

/** The translation, worked out beside the page; a sentence where it cannot be. */
function useTranslation(translation: Translation): Translated | string | undefined {
  const worker = useSetUpsWorker();
  const [result, setResult] = useState<{ of: Translation; result: Translated | string }>();
  useEffect(() => {
    if (!worker) return;
    worker.translate(translation).then(
      (done) => setResult({ of: translation, result: done }),
      (error: unknown) =>
        setResult({
          of: translation,
          result: `This cannot be worked out for this rig: ${(error as Error).message}.`,
        }),
    );
  }, [worker, translation]);
  return result?.of === translation ? result.result : undefined;
}
