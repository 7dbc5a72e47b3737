import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/bricolage-grotesque/index.css';
import type { ReactNode } from 'react';
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from 'react-router';
import { nonceContext } from '#server/nonce';
import type { Route } from './+types/root';
import './app.css';
import { Logo } from './ui/Logo';

export const meta: Route.MetaFunction = () => [{ title: 'Live Tune' }];

export const links: Route.LinksFunction = () => [{ rel: 'icon', href: '/mark.svg', type: 'image/svg+xml' }];

export const loader = ({ context }: Route.LoaderArgs) => ({ nonce: context.get(nonceContext) });

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useRouteLoaderData<typeof loader>('root')?.nonce ?? undefined;
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta
          name="description"
          content="Calibrate, tune and load speed controllers of radio-controlled models."
        />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function App() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto max-w-xl p-8">
      <Logo />
      <h1 className="mt-8 text-3xl">{missing ? 'There is nothing here.' : 'Something went wrong.'}</h1>
      <p className="mt-3 text-lg">
        {missing
          ? 'The rig or sheet may have been deleted, or the address is mistyped.'
          : 'What was saved is kept. If Live Tune was stopped, start it again; then reload this page.'}
      </p>
      <p className="mt-6">
        <Link to="/" className="underline">
          Go to all rigs
        </Link>
      </p>
    </main>
  );
}
