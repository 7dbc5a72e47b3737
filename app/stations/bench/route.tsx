import { Outlet } from 'react-router';
import { unlessAway } from '../../ui/keepTyped';
import { BenchProvider } from './BenchContext';
import { benchOf, benchView } from './benchData.server';
import { BenchHeader } from './BenchHeader';
import { RouteLine } from './RouteLine';
import type { Route } from './+types/route';

export const loader = async ({ params, request }: Route.LoaderArgs) =>
  benchView(await benchOf(params.rigId), request.headers.get('sec-fetch-dest') === 'document');

export const shouldRevalidate = unlessAway;

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData.rig.name} · Live Tune` }];

/** The frame round every station of one rig: who it is, where it stands, and the stations in their order. */
export default function BenchRoute({ loaderData }: Route.ComponentProps) {
  return (
    <BenchProvider key={loaderData.rigId} view={loaderData}>
      <div className="flex min-h-dvh flex-col">
        <BenchHeader />
        <div className="flex flex-1 flex-col-reverse md:flex-row">
          <RouteLine />
          <main className="flex min-w-0 flex-1 flex-col pb-20 md:pb-0">
            <Outlet />
          </main>
        </div>
      </div>
    </BenchProvider>
  );
}
