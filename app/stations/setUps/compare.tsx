import { factoryStops } from '#core/esc/profile';
import { handValuesOf, NO_HAND_VALUES } from '#core/rig/handValues';
import { conditionsOf } from '#core/setUps/conditions';
import type { Side } from '#core/setUps/compare';
import { heldStops } from '#core/sheet/evidence';
import { readForm } from '#server/readBody';
import { currentGarage } from '#server/repositories/garages';
import { otherRigs } from '#server/repositories/otherSets';
import { setUpsOf } from '#server/repositories/setUps';
import { newestSheets } from '#server/repositories/sheets';
import { sideInForm, sideOf } from '#server/sideOf';
import { useMemo } from 'react';
import { data, useSearchParams } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { OwnersOnly } from '../../ui/OwnersOnly';
import { FilePicker } from '../../ui/FilePicker';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Problems } from '../../ui/Problems';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { INPUT } from '../rig/formParts';
import { ShelfNav } from '../sheets/ShelfNav';
import { Compared } from './Compared';
import type { Route } from './+types/compare';

const SHEETS_OFFERED = 20;

export async function loader({ params, request }: Route.LoaderArgs) {
  const bench = await benchOf(params.rigId);
  const garage = await currentGarage();
  const { searchParams } = new URL(request.url);
  const sideNamed = (name: string) => sideOf(garage.id, bench, searchParams.get(name) ?? '');
  const [setUps, sheets, others, a, b] = await Promise.all([
    setUpsOf(bench.rigId),
    newestSheets(bench.rigId, SHEETS_OFFERED),
    otherRigs(garage.id, bench.rigId),
    sideNamed('a'),
    sideNamed('b'),
  ]);
  const offered = [
    ...setUps.map(({ setUp }) => [`set-up:${setUp.id}`, `Set-up “${setUp.name}”`] as const),
    ...sheets.map(
      ({ number, sheet }) => [`sheet:${number}`, `Sheet ${number}, ${sheet.keptAt.slice(0, 10)}`] as const,
    ),
    ...others.flatMap(({ rigId, name, setUps: its }) => [
      [`rig:${rigId}`, `${name}: on its ESC`] as const,
      ...its.map((one) => [`rig:${rigId}:set-up:${one.id}`, `${name}: “${one.name}”`] as const),
    ]),
  ];
  return { offered, a, b };
}

export async function action({ request }: Route.ActionArgs) {
  const garage = await currentGarage();
  const read = await sideInForm(garage.id, await readForm(request));
  if (read.ok) return { side: read.value, problems: [] };
  return data({ side: undefined, problems: read.problems }, { status: 400 });
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Any two sets of values side by side. */
export default function CompareRoute({ loaderData, actionData }: Route.ComponentProps) {
  const [params, setParams] = useSearchParams();
  const { offered } = loaderData;
  const own = useOwnSides();
  const fromFile = answered(actionData)?.side;
  const aKey = params.get('a') ?? 'draft';
  const bKey = params.get('b') ?? 'esc';
  const left = own[aKey] ?? loaderData.a;
  const right = fromFile ?? own[bKey] ?? loaderData.b;
  const options = [
    ['draft', 'The draft'],
    ['esc', 'On the ESC'],
    ['factory', 'Factory values'],
    ...offered,
  ] as const;
  const choose = (name: string, key: string): void => {
    setParams((before) => {
      before.set(name, key);
      return before;
    });
  };
  return (
    <div className="max-w-6xl px-5 py-6">
      <ShelfNav />
      <h1 className="mt-4 text-3xl">Compare</h1>
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <SideChoice label="This" value={aKey} options={options} onChoose={(key) => choose('a', key)} />
        <SideChoice
          label="with"
          value={fromFile ? 'file' : bKey}
          options={fromFile ? [['file', fromFile.title], ...options] : options}
          onChoose={(key) => choose('b', key)}
        />
      </div>
      <div className="mt-2">
        <OwnersOnly>
          <FilePicker label="or with a file" button="Compare" />
        </OwnersOnly>
        <AwayNotice answer={actionData} />
        <Problems problems={answered(actionData)?.problems ?? []} title="This file cannot be compared." />
      </div>
      {left && right ? (
        <Compared
          key={`${aKey} ${bKey} ${right.title}`}
          left={left}
          right={right}
          rightKey={fromFile ? undefined : bKey}
        />
      ) : (
        <p className="mt-4 text-lg">One of the two is no longer there. Choose another.</p>
      )}
    </div>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  options: readonly (readonly [key: string, words: string])[];
  onChoose: (key: string) => void;
}

const SideChoice = ({ label, value, options, onChoose }: ChoiceProps) => (
  <label className="flex min-w-0 items-center gap-2">
    {label}
    <select value={value} onChange={(event) => onChoose(event.target.value)} className={`${INPUT} max-w-72`}>
      {options.map(([key, words]) => (
        <option key={key} value={key}>
          {words}
        </option>
      ))}
    </select>
  </label>
);

/** What the page itself knows best. */
function useOwnSides(): Partial<Record<string, Side>> {
  const { rig, draftedRig, profile, holdings, drafted, draft, goals } = useBench();
  return useMemo(() => {
    const held = Object.entries(heldStops(profile, holdings)).filter(
      (entry): entry is [string, string] => entry[1] !== null,
    );
    const conditions = conditionsOf(rig, goals);
    const side = { profile, byHand: handValuesOf(rig), reasons: {}, conditions };
    return {
      draft: {
        ...side,
        title: 'Draft',
        stops: drafted,
        byHand: handValuesOf(draftedRig),
        reasons: draft.reasons,
        conditions: conditionsOf(draftedRig, goals),
      },
      esc: { ...side, title: 'On the ESC', stops: Object.fromEntries(held) },
      factory: { ...side, title: 'Factory', stops: factoryStops(profile), byHand: NO_HAND_VALUES },
    };
  }, [rig, draftedRig, profile, holdings, drafted, draft, goals]);
}
