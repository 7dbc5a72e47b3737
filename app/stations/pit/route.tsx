import { whoAsks } from '#server/access/who';
import { readForm } from '#server/readBody';
import { deedsOf } from '#server/repositories/deeds';
import { devicesOf } from '#server/repositories/devices';
import { allGarages, garageById } from '#server/repositories/garages';
import { findRigs } from '#server/repositories/rigs';
import { namedSetUps } from '#server/repositories/setUps';
import { howShared } from '#server/share/shared';
import { data, Link } from 'react-router';
import { AwayNotice } from '../../ui/AwayNotice';
import { answered, keepTyped, unlessAway } from '../../ui/keepTyped';
import { Notice } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Deeds } from './Deeds';
import { Devices } from './Devices';
import { Invite } from './Invite';
import { GarageName, OwnerPassword } from './Owner';
import { pitAnswer } from './pitActions.server';
import type { Route } from './+types/route';

export const meta: Route.MetaFunction = () => [{ title: 'Pit · Live Tune' }];

const DEEDS_SHOWN = 40;

export async function loader() {
  const { garageId, deviceId } = whoAsks();
  const [garage, garages, devices, deeds, rigs] = await Promise.all([
    garageById(garageId),
    allGarages(),
    devicesOf(garageId),
    deedsOf(garageId, DEEDS_SHOWN),
    findRigs(garageId),
  ]);
  const setUps = await namedSetUps(rigs.map(({ rigId }) => rigId));
  const named = rigs.map(({ rigId, rig }) => ({
    rigId,
    name: rig.name,
    setUps: setUps.filter((setUp) => setUp.rigId === rigId),
  }));
  return { garage, garageCount: garages.length, devices, deeds, rigs: named, deviceId, shared: howShared() };
}

export async function action({ request }: Route.ActionArgs) {
  const answer = await pitAnswer(await readForm(request));
  return data(answer, { status: answer.fault === '' ? 200 : 400 });
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => keepTyped(serverAction);
export const shouldRevalidate = unlessAway;

/** Who may see this bench from the track, and what each did. */
export default function PitRoute({ loaderData, actionData }: Route.ComponentProps) {
  const { garage, garageCount, devices, deeds, rigs, deviceId, shared } = loaderData;
  const answer = answered(actionData);
  return (
    <Page>
      <h1 className="text-4xl">Pit</h1>
      <p className="mt-2 max-w-2xl text-muted">
        Show this bench to phones at the track: your own, a helper’s, a visitor’s. They reach it in the same
        network only.
      </p>
      <div className="mt-3 min-h-6" role="status">
        {answer?.sentence && <p className="font-bold text-ok">{answer.sentence}</p>}
      </div>
      <div role="alert">{answer?.fault && <Notice grade="caution" title={answer.fault} />}</div>
      <AwayNotice answer={actionData} />
      {!shared ? (
        <NotShared />
      ) : garage.hasPassword ? (
        <Invite rigs={rigs} addresses={shared.addresses} count={devices.length} invited={answer?.invited} />
      ) : (
        <section className="mt-4" aria-labelledby="first">
          <h2 id="first" className="text-2xl">
            First: your password
          </h2>
          <OwnerPassword hasPassword={false} asksBefore={false} />
        </section>
      )}
      <Devices devices={devices} rigs={rigs} thisDevice={deviceId} />
      <Deeds deeds={deeds} rigs={rigs} />
      <section className="mt-10" aria-labelledby="garage">
        <h2 id="garage" className="text-2xl">
          This garage
        </h2>
        <GarageName name={garage.name} />
        {(garage.hasPassword || !shared) && (
          <OwnerPassword hasPassword={garage.hasPassword} asksBefore={deviceId !== undefined} />
        )}
        <p className="mt-4">
          <Link to="/garages" className="inline-flex min-h-11 items-center underline underline-offset-4">
            {garageCount === 1
              ? 'Several people share this computer'
              : `All ${garageCount} garages of this computer`}
          </Link>
        </p>
        {shared && (
          <p>
            <Link to="/trust" className="inline-flex min-h-11 items-center underline underline-offset-4">
              The certificate of this bench, and what its warning means
            </Link>
          </p>
        )}
      </section>
    </Page>
  );
}

function NotShared() {
  return (
    <Notice grade="note" title="Nothing but this computer sees the bench now.">
      <p>
        To share it, stop Live Tune and start it again with <code className="font-mono">./start --share</code>
      </p>
    </Notice>
  );
}
