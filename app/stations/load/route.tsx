import { isByHand, MEDIA, type MediumFamily } from '#core/esc/media';
import { handChangesOf, handChangeTitle } from '#core/rig/handValues';
import type { WantedStops } from '#core/esc/profile';
import { changesOf, type Change } from '#core/sheet/draft';
import { holdingsOf } from '#core/sheet/evidence';
import { intentsForOther } from '#core/sheet/severalEscs';
import { readForm } from '#server/readBody';
import { keepSheet } from '#server/repositories/bench';
import type { Bench } from '#server/repositories/rigs';
import { isUuid } from '#server/repositories/ids';
import { stopsAtSheet } from '#server/repositories/observations';
import { addNote, newestOwnSheets } from '#server/repositories/sheets';
import { useState, type ReactNode } from 'react';
import { data, redirect, useLoaderData } from 'react-router';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { BenchOfEsc, useBench } from '../bench/BenchContext';
import { benchAtEsc, benchOf } from '../bench/benchData.server';
import type { Route } from './+types/route';
import { BeforeLoad, type Beginning } from './BeforeLoad';
import { FormLoad } from './FormLoad';
import { LinkLoad } from './LinkLoad';
import type { LoadAnswer } from './loadAnswer';
import { LoadFinished } from './LoadFinished';
import { endLoad, openLoadsOf } from '#server/repositories/openLoads';
import { OwnLoad, UnderWay } from './OwnLoad';
import { HandSteps } from './HandSteps';
import { keepHandStep } from './handStep.server';
import { PutBackDue } from './PutBackDue';
import { SimulatedDeck } from './SimulatedDeck';
import { useTopOfPage } from '../../simulated/useTopOfPage';

/** What is under way beside the ESCs of this rig. */
export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return { openLoads: await openLoadsOf(rigId) };
}

/** Keeps a step that hands have done, the sheet of a finished load, or a note on it. */
export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const form = await readForm(request);
  const answer = await answerTo(bench, form);
  return data(answer, { status: answer.sentence === undefined ? 200 : 400 });
}

async function answerTo(bench: Bench, form: FormData): Promise<LoadAnswer> {
  const byHand = form.get('byHand');
  if (typeof byHand === 'string')
    return { sentence: await keepHandStep(bench.rigId, bench.rig, byHand, Number(form.get('value'))) };
  const sheetNumber = form.get('sheet');
  if (typeof sheetNumber !== 'string') return keepLoaded(bench, form);
  const note = form.get('note');
  if (typeof note === 'string' && note.trim() !== '')
    await addNote(bench.rigId, Number(sheetNumber), note.trim().slice(0, LONGEST_NOTE));
  throw redirect(`/rigs/${bench.rigId}/sheets`);
}

const LONGEST_NOTE = 2000;

/** Keeps the sheet of a load, once however often it is asked. Refused while something is still drafted but not done. */
async function keepLoaded(bench: Bench, form: FormData): Promise<LoadAnswer> {
  const worked = benchAtEsc(bench, form.get('esc'));
  const left = leftToLoad(bench, worked);
  if (left > 0)
    return { sentence: `${left === 1 ? 'One value is' : `${left} values are`} not on the ESC yet.` };
  const [undone] = handChangesOf(bench.rig, bench.draft.byHand);
  if (undone) return { sentence: `${handChangeTitle(undone)}: not done yet.` };
  const [loadId, medium] = [form.get('load'), form.get('medium')];
  if (
    typeof loadId !== 'string' ||
    !isUuid(loadId) ||
    typeof medium !== 'string' ||
    (medium !== '' && !Object.hasOwn(MEDIA, medium))
  )
    return { sentence: 'That request was incomplete. Reload the page.' };
  const said = new Set(form.getAll('changed'));
  const changedBefore = await changedSinceLastSheet(worked);
  // Also what was stored at another device, before the load was left half-way.
  const changedItemIds = bench.profile.items
    .map(({ id }) => id)
    .filter((id) => said.has(id) || changedBefore.includes(id));
  const kept = await keepSheet(worked, {
    id: loadId,
    origin: 'loaded',
    medium: medium === '' ? null : (medium as MediumFamily),
    simulated: medium === '' ? null : form.get('where') === 'simulated',
    changedItemIds,
    note: '',
  });
  await endLoad({ rigId: worked.rigId, escNumber: worked.escNumber }, loadId);
  return { sentence: undefined, kept };
}

/** How many values the worked ESC still has to be given. */
function leftToLoad({ profile, draft, ...first }: Bench, { escNumber, observations }: Bench): number {
  const holdings = holdingsOf(profile, observations);
  if (escNumber === 1) return changesOf(profile, holdings, draft).length;
  const firstHolds = holdingsOf(profile, first.observations);
  return Object.keys(intentsForOther(profile, firstHolds, draft, holdings)).length;
}

/** Items that hold something else than when the last sheet was kept, or than they were first known to hold. */
async function changedSinceLastSheet(worked: Bench): Promise<string[]> {
  const { rigId, profile, observations } = worked;
  const [last] = await newestOwnSheets(rigId, 1);
  const holdings = holdingsOf(profile, observations);
  const itemIds = profile.items.map(({ id }) => id);
  const before = await stopsAtSheet(worked, itemIds, last?.number);
  return itemIds.filter((id) => before[id] !== undefined && holdings[id]?.stopId !== before[id]);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Load: from the draft to an ESC that has shown every value again. */
export default function LoadRoute() {
  const { leftByEsc } = useBench();
  const [escNumber, setEscNumber] = useState(() => nextToLoad(leftByEsc));
  return (
    <BenchOfEsc escNumber={escNumber}>
      <LoadOfOne key={escNumber} onEsc={setEscNumber} />
    </BenchOfEsc>
  );
}

/** The first ESC that still has to be given something; the first of all where none has. */
const nextToLoad = (leftByEsc: readonly number[], loaded?: number): number =>
  leftByEsc.findIndex((count, place) => count > 0 && place + 1 !== loaded) + 1 || 1;

/** What can be given: a draft may also speak of what is not in the menu then. */
const wantedOf = (changes: readonly Change[]): WantedStops =>
  Object.fromEntries(changes.map(({ itemId, toStopId }) => [itemId, toStopId]));

/** One ESC of the model at a time; what hands change is done with the first that is loaded. */
function LoadOfOne({ onEsc }: { onEsc: (escNumber: number) => void }) {
  const { changes, rig, escNumber, leftByEsc } = useBench();
  const { openLoads } = useLoaderData<typeof loader>();
  const openNow = openLoads.find((open) => open.escNumber === escNumber);
  const [begun, setBegun] = useState<Beginning & { intents: WantedStops; id: string }>();
  const [joinedId, join] = useState<string>();
  const onNext = (): void => {
    setBegun(undefined);
    join(undefined);
    onEsc(nextToLoad(leftByEsc, escNumber));
  };
  if (joinedId !== undefined)
    return (
      <OwnLoad
        key={joinedId}
        id={joinedId}
        openNow={openNow?.id === joinedId ? openNow : undefined}
        beginning={undefined}
        onNext={onNext}
      />
    );
  if (!begun)
    return (
      <>
        {openNow && <UnderWay open={openNow} onJoin={() => join(openNow.id)} />}
        <PutBackDue />
        <BeforeLoad
          onBegin={(beginning) =>
            setBegun({ ...beginning, intents: wantedOf(changes), id: crypto.randomUUID() })
          }
          onEsc={onEsc}
        />
      </>
    );
  const { medium, before, after, ...rest } = begun;
  const first = handChangesOf(rig, before);
  if (first.length > 0)
    return (
      <ByHand>
        <HandSteps changes={first} />
      </ByHand>
    );
  if (!medium)
    return (
      <ByHand>
        <LoadFinished medium={null} where="own" after={after} changed={[]} ready arms onNext={onNext} />
      </ByHand>
    );
  if (isByHand(medium)) {
    if (begun.where === 'simulated')
      return <SimulatedDeck {...rest} medium={medium} after={after} onNext={onNext} />;
    return (
      <OwnLoad
        id={begun.id}
        openNow={openNow?.id === begun.id ? openNow : undefined}
        beginning={{ ...begun, medium }}
        onNext={onNext}
      />
    );
  }
  return medium.family === 'link' ? (
    <LinkLoad intents={begun.intents} onAgain={() => setBegun(undefined)} onNext={onNext} />
  ) : (
    <FormLoad
      medium={medium}
      precaution={begun.precaution}
      intents={begun.intents}
      after={after}
      onNext={onNext}
    />
  );
}

/** Where nothing but hands work: the step alone. */
function ByHand({ children }: { children: ReactNode }) {
  useTopOfPage();
  return (
    <div className="max-w-4xl px-5 py-6 lg:px-8">
      <h1 className="sr-only">Loading</h1>
      {children}
    </div>
  );
}
