import { findSetUp } from '#server/repositories/setUps';
import { data } from 'react-router';
import { PrintBar } from '../../ui/PrintBar';
import { useBench } from '../bench/BenchContext';
import { benchOf } from '../bench/benchData.server';
import { cardOf } from './card.server';
import { SetUpCard } from './SetUpCard';
import type { Route } from './+types/card';

export async function loader({ params }: Route.LoaderArgs) {
  const bench = await benchOf(params.rigId);
  const stored = await findSetUp(bench.rigId, params.setUpId);
  if (!stored) throw data(null, { status: 404 });
  return cardOf(bench, stored.setUp);
}

/** A set-up on a page for whoever holds the model: what to set, by what, and a code for another Live Tune. */
export default function CardRoute({ loaderData: card }: Route.ComponentProps) {
  const { rigId } = useBench();
  const address = `/rigs/${rigId}/set-ups/${card.setUp.id}`;
  return (
    <article className="max-w-4xl px-5 py-6 print:max-w-none print:p-0">
      <PrintBar back={[address, 'Back to the set-up']}>
        <a href={`${address}.csv`} download className="underline underline-offset-4">
          As a table
        </a>
      </PrintBar>
      <SetUpCard {...card} />
    </article>
  );
}
