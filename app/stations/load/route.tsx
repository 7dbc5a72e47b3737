import { MEDIUM_WORDS, type MediumFamily } from '#core/esc/media';
import { handChangesOf, handChangeTitle } from '#core/rig/handValues';
import type { WantedStops } from '#core/esc/profile';
import { changesOf } from '#core/sheet/draft';
import { holdingsOf } from '#core/sheet/evidence';
import { readForm } from '#server/readBody';
import { keepSheet } from '#server/repositories/bench';
import type { Bench } from '#server/repositories/rigs';
import { isUuid } from '#server/repositories/ids';
import { stopsAtSheet } from '#server/repositories/observations';
import { addNote, newestOwnSheets } from '#server/repositories/sheets';
import { useState, type ReactNode } from 'react';
import { data, redirect } from 'react-router';
import { keepTyped } from '../../ui/keepTyped';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/route';
import { BeforeLoad, type Beginning } from './BeforeLoad';
import { FormLoad } from './FormLoad';
import { LinkLoad } from './LinkLoad';
import type { LoadAnswer } from './loadAnswer';
import { LoadFinished } from './LoadFinished';
import { OwnDeck } from './OwnDeck';
import { HandSteps } from './HandSteps';
import { keepHandStep } from './handStep.server';
import { SimulatedDeck } from './SimulatedDeck';
import { useTopOfPage } from '../../simulated/useTopOfPage';

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
  const left = changesOf(bench.profile, holdingsOf(bench.profile, bench.observations), bench.draft);
  if (left.length > 0) return { sentence: `${left.length} values are not on the ESC yet.` };
  const [undone] = handChangesOf(bench.rig, bench.draft.setup);
  if (undone) return { sentence: `${handChangeTitle(undone)}: not done yet.` };
  const [loadId, medium] = [form.get('load'), form.get('medium')];
  if (
    typeof loadId !== 'string' ||
    !isUuid(loadId) ||
    typeof medium !== 'string' ||
    (medium !== '' && !Object.hasOwn(MEDIUM_WORDS, medium))
  )
    return { sentence: 'The page did not say by which medium it loaded. Reload it.' };
  const said = new Set(form.getAll('changed'));
  const changedBefore = await changedSinceLastSheet(bench);
  // Also what was stored at another device, before the load was left half-way.
  const changedItemIds = bench.profile.items
    .map(({ id }) => id)
    .filter((id) => said.has(id) || changedBefore.includes(id));
  const kept = await keepSheet(bench, {
    id: loadId,
    origin: 'loaded',
    medium: medium === '' ? null : (medium as MediumFamily),
    simulated: medium === '' ? null : form.get('where') === 'simulated',
    changedItemIds,
    note: '',
  });
  return { sentence: undefined, kept };
}

/** Items that hold something else than when the last sheet was kept, or than they were first known to hold. */
async function changedSinceLastSheet({ rigId, profile, observations }: Bench): Promise<string[]> {
  const [last] = await newestOwnSheets(rigId, 1);
  const holdings = holdingsOf(profile, observations);
  const itemIds = profile.items.map(({ id }) => id);
  const before = await stopsAtSheet(rigId, itemIds, last?.number);
  return itemIds.filter((id) => before[id] !== undefined && holdings[id]?.stopId !== before[id]);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);

/** Load: from the draft to an ESC that has shown every value again. */
export default function LoadRoute() {
  const { draft, rig } = useBench();
  const [begun, setBegun] = useState<Beginning & { intents: WantedStops }>();
  if (!begun) return <BeforeLoad onBegin={(beginning) => setBegun({ ...beginning, intents: draft.stops })} />;
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
        <LoadFinished medium={null} where="own" after={after} changed={[]} ready arms />
      </ByHand>
    );
  if (medium.family === 'link')
    return <LinkLoad intents={begun.intents} onAgain={() => setBegun(undefined)} />;
  if (medium.family === 'programForm')
    return <FormLoad medium={medium} precaution={begun.precaution} intents={begun.intents} after={after} />;
  const Deck = begun.where === 'own' ? OwnDeck : SimulatedDeck;
  return <Deck {...rest} medium={medium} after={after} />;
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
