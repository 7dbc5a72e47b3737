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
        note: 'Kept before a firmware update.',
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
      return { sentence: 'Written down: every value is unknown until somebody looks.' };
    default:
      return data({ sentence: 'The page did not say what to do. Reload it.' }, { status: 400 });
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
        Before the settings work, never in the middle of it. An update may wipe values and renumber items:
        what is saved first is put back afterwards, and nothing else.
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
            Read the notes that come with it. Does the menu change? Then make a revision of the profile of it
            in the{' '}
            <Link className="underline" to="/profiles">
              workshop
            </Link>
            ; before anything moves, this rig shows{' '}
            <Link className="underline" to={`/rigs/${rigId}/rig`}>
              what became of each number
            </Link>
            .
          </p>
        </Step>
        <Step number={3} title="Update">
          <Update canSave={saved !== null} />
        </Step>
        <Step number={4} title="Compare, and put back only what was lost">
          {saved ? (
            <Compare sheet={saved.sheet} number={saved.number} />
          ) : (
            <p>Nothing was saved to compare with.</p>
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
          {unknown === 1 ? 'One value is' : `${unknown} values are`} unknown, and cannot be saved.{' '}
          <Link className="underline" to={`/rigs/${rigId}/esc`}>
            {hasLink(profile) ? 'Read them by the link' : 'Say what you know'}
          </Link>{' '}
          first.
        </p>
      )}
      <p>
        {saved ? (
          <>
            Sheet {saved.number} of <Time iso={saved.sheet.keptAt} /> is what an update is held against.
          </>
        ) : (
          'No sheet was kept yet.'
        )}
      </p>
      <Form method="post">
        <Button type="submit" name="do" value="save" disabled={busy || unknown === profile.items.length}>
          Keep a sheet of it now
        </Button>
      </Form>
    </>
  );
}

function Update({ canSave }: { canSave: boolean }) {
  const busy = useNavigation().state !== 'idle';
  return (
    <>
      <Notice grade="hazard" title="An update that is cut off can leave an ESC dead">
        <ul className="mt-1 list-disc pl-5">
          {UPDATE_CAUTIONS.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </Notice>
      {!canSave && (
        <p className="font-bold text-caution">Nothing is saved yet: what is lost will stay lost.</p>
      )}
      <div className="flex flex-wrap gap-3">
        <Confirm
          trigger={<Button disabled={busy}>Update the simulated ESC</Button>}
          title="Give the simulated ESC new firmware?"
          text="It loses some of its values, and two items change places in its menu. Its profile gets a revision of that."
          method="post"
          fields={{ do: 'simulated' }}
          yes="Yes, update it"
          no="No"
        />
        <Confirm
          trigger={<Button disabled={busy}>My own ESC is updated</Button>}
          title="Is your own ESC updated?"
          text="Every value counts as unknown then, until it is read or loaded again."
          method="post"
          fields={{ do: 'own' }}
          yes="Yes, write it down"
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
      Other numbers than on the sheet:{' '}
      {renumbered
        .map(({ itemId, before, now }) => `“${itemById(profile, itemId).label}” was ${before}, is ${now}`)
        .join('; ')}
      . The plan counts by the new ones.
    </p>
  );
  if (count === 0) {
    return (
      <>
        <p>Everything is as on sheet {number}, or as it was loaded since.</p>
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
            Read everything by the link
          </Link>{' '}
          first: then only what was really lost is put back, and not all {unknown} that nobody has looked at.
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
