import textFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import headingFont from '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url';
import type { ReactNode } from 'react';
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useNavigation,
  useRouteLoaderData,
} from 'react-router';
import { whoMayAsk } from '#server/access/who';
import { doorContext } from '#server/doorContext';
import { nonceContext } from '#server/nonce';
import { THIS_BUILD } from '#server/thisBuild';
import { howShared } from '#server/share/shared';
import type { Route } from './+types/root';
import styles from './app.css?url';
import { OfflineBar } from './offline/OfflineBar';
import { useNewBuild } from './offline/useNewBuild';
import { lookFrom } from './preferences/preferences';
import { WaitingRuns } from './stations/runs/WaitingRuns';
import { AfterPaint } from './ui/AfterPaint';
import { unlessAway } from './ui/keepTyped';
import { GuestBar } from './ui/GuestBar';
import { LiveNews } from './ui/LiveNews';
import { Logo } from './ui/Logo';
import { useLinksWait } from './ui/useLinksWait';
import { usePageAnswers } from './ui/usePageAnswers';
import { useServerAway } from './ui/useServerAway';
import { WatchTouches } from './ui/WatchTouches';

export const meta: Route.MetaFunction = () => [{ title: 'Live Tune' }];

/** Fonts before any script: a page is read before it answers. */
export const links: Route.LinksFunction = () => [
  ...[textFont, headingFont].map((href) => ({
    rel: 'preload',
    href,
    as: 'font' as const,
    type: 'font/woff2',
    crossOrigin: 'anonymous' as const,
  })),
  { rel: 'icon', href: '/mark.svg', type: 'image/svg+xml' },
  { rel: 'manifest', href: '/manifest.webmanifest' },
  { rel: 'apple-touch-icon', href: '/mark-192.png' },
];

export function loader({ context, request }: Route.LoaderArgs) {
  const principal = whoMayAsk();
  return {
    nonce: context.get(nonceContext),
    build: THIS_BUILD,
    // When this page was made: a phone shows it later, too.
    at: new Date().toISOString(),
    look: lookFrom(request.headers.get('cookie')),
    you: principal && {
      role: principal.role,
      name: principal.name,
      isShared: howShared() !== undefined,
      isPaired: context.get(doorContext).door === 'share',
    },
  };
}

export const shouldRevalidate = unlessAway;

export function Layout({ children }: { children: ReactNode }) {
  const data = useRouteLoaderData<typeof loader>('root');
  const nonce = data?.nonce ?? undefined;
  const look = data && data.look !== 'auto' ? data.look : undefined;
  usePageAnswers();
  return (
    // The look is changed on the spot, too, when it is chosen.
    <html lang="en" data-look={look} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          name="description"
          content="Calibrate, tune and load speed controllers of radio-controlled models."
        />
        <Meta />
        {/* With a precedence it is written before the scripts; without, React writes it behind them. */}
        <link rel="stylesheet" href={styles} precedence="app" />
        <Links />
      </head>
      <body>
        <WatchTouches nonce={nonce} />
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
        <AfterPaint nonce={nonce} />
      </body>
    </html>
  );
}

export default function App({ loaderData: { build, at } }: Route.ComponentProps) {
  useNewBuild(build);
  return (
    <WaitingRuns>
      <LinksWait />
      <NavigationProgress />
      <LiveNews />
      <GuestBar />
      <OfflineBar build={build} at={at} />
      <Outlet />
    </WaitingRuns>
  );
}

/** Of its own: it is made anew with every navigation, and nothing else need be. */
function LinksWait() {
  useLinksWait();
  return null;
}

/** A line that runs along the top while the next view is on its way. */
function NavigationProgress() {
  const loading = useNavigation().state !== 'idle';
  return (
    <div role="status" className="pointer-events-none fixed inset-x-0 top-0 z-40 h-1">
      {loading && (
        <>
          <span className="sr-only">Loading …</span>
          <div className="h-full animate-pulse bg-draft" />
        </>
      )}
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto max-w-xl p-8">
      <Logo />
      {missing ? (
        <Trouble
          title="There is nothing here."
          text="The rig or sheet may be deleted, or the address is wrong."
        />
      ) : (
        <Broken />
      )}
    </main>
  );
}

/** Away or wrong: whoever is away comes back, and the page with it. */
function Broken() {
  const server = useServerAway();
  return server === 'away' ? (
    <Trouble
      title="Live Tune does not answer."
      text="Everything is kept, also a draft that was not saved yet. This page goes on when Live Tune is back. If you stopped it, start it again."
    >
      {'serviceWorker' in navigator && navigator.serviceWorker.controller && (
        <a href="/kept" className="underline">
          What this phone has kept
        </a>
      )}
    </Trouble>
  ) : (
    <Trouble
      title="Something went wrong."
      text="Everything saved is kept. Reload this page. If it happens again, see the log in .data/logs."
    />
  );
}

function Trouble({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <div role="alert">
      <h1 className="mt-8 text-3xl">{title}</h1>
      <p className="mt-3 text-lg">{text}</p>
      <p className="mt-6 flex flex-wrap gap-x-6">
        <Link to="/" className="underline">
          Go to all rigs
        </Link>
        {children}
      </p>
    </div>
  );
}
