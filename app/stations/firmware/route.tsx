import { compareWithSheet, renumberedSince, toPutBack } from '#core/firmware/compare';
import { UPDATE_CAUTIONS } from '#core/firmware/cautions';
import { hasLink, itemById } from '#core/esc/profile';
import { downgrade } from '#core/sheet/downgrade';
import { heldStops, unknownItems } from '#core/sheet/evidence';
import type { Sheet } from '#core/sheet/sheet';
import { readForm } from '#server/readBody';
import { keepSheet } from '#server/repositories/bench';
import { updateSimulated } from '#server/repositories/firmware';
import { currentGarage } from '#server/repositories/garages';
import { addObservations } from '#server/repositories/observations';
import { sheetBeforeUpdate } from '#server/repositories/sheets';
import type { ReactNode } from 'react';
import { data, Form, Link, useNavigate, useNavigation } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { Button } from '../../ui/Button';
import { Confirm } from '../../ui/Confirm';
import { keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { Time } from '../../ui/Time';
import { useAnswer } from '../../ui/useAnswer';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import type { Route } from './+types/route';
import { ComparedTable } from './ComparedTable';

export async function loader({ params }: Route.LoaderArgs) {
  const { rigId } = await benchOf(params.rigId);
  return { saved: (await sheetBeforeUpdate(rigId)) ?? null };
}

export async function action({ params, request }: Route.ActionArgs) {
  const bench = await benchOf(params.rigId);
  const { rigId, profile } = bench;
  const form = await readForm(request);
  switch (form.get('do')) {
    case 'save': {
      const number = await keepSheet(bench, {
        origin: 'backup',
        medium: null,
        simulated: null,
        changedItemIds: [],
        note: 'Saved before a firmware update.',
      });
      return { sentence: `Kept as sheet ${number}.` };
    }
    case 'simulated':
      await updateSimulated((await currentGarage()).id, bench);
      return { sentence: 'The simulated ESC has new firmware.' };
    case 'own':
      for (const { escNumber } of bench.escs)
        await addObservations(
          { rigId, escNumber },
          downgrade(profile, { kind: 'firmwareUpdate' }, new Date().toISOString()),
        );
      return { sentence: 'Noted: all values are unknown until you check them.' };
    default:
      return data({ sentence: 'That request was incomplete. Reload the page.' }, { status: 400 });
  }
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** The firmware guard: save, see what changes, update, compare, and plan only what was lost. */
export default function FirmwareRoute({ loaderData: { saved }, actionData }: Route.ComponentProps) {
  const { answer } = useAnswer(actionData);
  const { rigId } = useBench();
  return (
    <div className="max-w-4xl px-5 py-6">
      <h1 className="text-3xl">New firmware</h1>
      <p className="mt-2 max-w-3xl text-lg">
        Update before you tune, never half-way through. An update may wipe values and renumber items. Live
        Tune saves all values first and puts back only what was lost.
      </p>
      <p className="mt-2 min-h-6 font-bold" role="status">
        {answer?.sentence}
      </p>
      <AwayNotice answer={actionData} />
      <ol className="mt-2 grid gap-6">
        <Step number={1} title="Save what it holds">
          <SaveFirst saved={saved} />
        </Step>
        <Step number={2} title="See what changes">
          <p>
            Read the notes that come with it. If the menu changes, make a new profile revision in the{' '}
            <Link className="underline" to="/profiles">
              workshop
            </Link>
            . Before it moves, this rig shows{' '}
            <Link className="underline" to={`/rigs/${rigId}/rig`}>
              what became of each item
            </Link>
            .
          </p>
        </Step>
        <Step number={3} title="Update">
          <Update canSave={saved !== null} />
        </Step>
        <Step number={4} title="Compare, and put back what was lost">
          {saved ? (
            <Compare sheet={saved.sheet} number={saved.number} />
          ) : (
            <p>Nothing was saved before, so there is nothing to compare.</p>
          )}
        </Step>
      </ol>
    </div>
  );
}

function Step({ number, title, children }: { number: number; title: string; children: ReactNode }) {
  return (
    <li className="border-t border-ink pt-3">
      <h2 className="text-xl">
        {number}. {title}
      </h2>
      <div className="mt-2 grid gap-3">{children}</div>
    </li>
  );
}

type Saved = Route.ComponentProps['loaderData']['saved'];

function SaveFirst({ saved }: { saved: Saved }) {
  const { rigId, profile, holdings } = useBench();
  const busy = useNavigation().state !== 'idle';
  const unknown = unknownItems(profile, holdings).length;
  return (
    <>
      {unknown > 0 && (
        <p>
          {unknown === 1 ? 'One value is' : `${unknown} values are`} unknown and cannot be saved.{' '}
          <Link className="underline" to={`/rigs/${rigId}/esc`}>
            {hasLink(profile) ? 'Read them by the link' : 'Say what you know'}
          </Link>{' '}
          first.
        </p>
      )}
      <p>
        {saved ? (
          <>
            Sheet {saved.number} of <Time iso={saved.sheet.keptAt} /> will be compared with the ESC after the
            update.
          </>
        ) : (
          'No sheet was kept yet.'
        )}
      </p>
      <Form method="post">
        <Button type="submit" name="do" value="save" disabled={busy || unknown === profile.items.length}>
          Save a sheet now
        </Button>
      </Form>
    </>
  );
}

function Update({ canSave }: { canSave: boolean }) {
  const busy = useNavigation().state !== 'idle';
  return (
    <>
      <Notice grade="hazard" title="An interrupted update can kill an ESC">
        <ul className="mt-1 list-disc pl-5">
          {UPDATE_CAUTIONS.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </Notice>
      {!canSave && (
        <p className="font-bold text-caution">Nothing is saved yet. Lost values cannot be put back.</p>
      )}
      <div className="flex flex-wrap gap-3">
        <Confirm
          trigger={<Button disabled={busy}>Update the simulated ESC</Button>}
          title="Give the simulated ESC new firmware?"
          text="It loses some values, and two items swap places in its menu. Its profile gets a new revision."
          method="post"
          fields={{ do: 'simulated' }}
          yes="Yes, update it"
          no="No"
        />
        <Confirm
          trigger={<Button disabled={busy}>I updated my own ESC</Button>}
          title="Did you update your own ESC?"
          text="All values then count as unknown until you read or load them again."
          method="post"
          fields={{ do: 'own' }}
          yes="Yes, note it"
          no="No"
        />
      </div>
    </>
  );
}

function Compare({ sheet, number }: { sheet: Sheet; number: number }) {
  const { rigId, profile, holdings, moveAll } = useBench();
  const navigate = useNavigate();
  const compared = compareWithSheet(profile, sheet, heldStops(profile, holdings));
  const back = toPutBack(compared);
  const count = Object.keys(back).length;
  const unknown = compared.filter(({ outcome }) => outcome === 'unknown').length;
  const renumbered = renumberedSince(profile, sheet);
  const numbers = renumbered.length > 0 && (
    <p>
      Item numbers that changed:{' '}
      {renumbered
        .map(({ itemId, before, now }) => `“${itemById(profile, itemId).label}” was ${before}, is ${now}`)
        .join('; ')}
      . The plan uses the new numbers.
    </p>
  );
  if (count === 0) {
    return (
      <>
        <p>All values match sheet {number} or were loaded since.</p>
        {numbers}
      </>
    );
  }
  return (
    <>
      {numbers}
      {unknown > 0 && hasLink(profile) && (
        <p>
          <Link className="underline" to={`/rigs/${rigId}/esc`}>
            Read everything by link
          </Link>{' '}
          first. Then you put back only what was lost, not all {unknown} unchecked values.
        </p>
      )}
      <ComparedTable compared={compared} />
      <p>
        <Button
          look="main"
          onClick={() => {
            moveAll(back);
            void navigate(`/rigs/${rigId}/load`);
          }}
        >
          Plan {count === 1 ? 'this one value' : `these ${count} values`}
        </Button>
      </p>
    </>
  );
}
