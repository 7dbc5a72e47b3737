import { whoAsks } from '#server/access/who';
import { findBench } from '#server/repositories/rigs';
import { findSetUp } from '#server/repositories/setUps';
import { data } from 'react-router';
import { Logo } from '../../ui/Logo';
import { cardOf } from '../setUps/card.server';
import { SetUpCard } from '../setUps/SetUpCard';
import type { Route } from './+types/setUp';

export const meta: Route.MetaFunction = () => [{ title: 'A set-up · Live Tune' }];

/** The one set-up that a visitor was shown; nothing else of its rig is sent. */
export async function loader() {
  const { garageId, sees } = whoAsks();
  const bench = sees && (await findBench(garageId, sees.rigId));
  const stored = sees?.setUpId === undefined ? undefined : await findSetUp(sees.rigId, sees.setUpId);
  if (!bench || !stored) throw data(null, { status: 404 });
  return cardOf(bench, stored.setUp);
}

export default function VisitedSetUpRoute({ loaderData }: Route.ComponentProps) {
  return (
    <main className="mx-auto max-w-4xl px-5 py-6">
      <Logo />
      <SetUpCard {...loaderData} />
    </main>
  );
}
