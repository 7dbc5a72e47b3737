import { howShared } from '#server/share/shared';
import { Button } from '../../ui/Button';
import { Doorstep } from './Doorstep';
import type { Route } from './+types/trust';

export const meta: Route.MetaFunction = () => [{ title: 'The warning · Live Tune' }];

export const loader = () => ({ fingerprint: howShared()?.fingerprint });

/** What the browser's warning means, and how a phone comes to trust this bench. */
export default function TrustRoute({ loaderData: { fingerprint } }: Route.ComponentProps) {
  if (fingerprint === undefined)
    return (
      <Doorstep title="Not shared">
        <p className="mt-3 text-lg">Only this computer sees the bench now, and it needs no certificate.</p>
      </Doorstep>
    );
  return (
    <Doorstep title="The browser warned you">
      <p className="mt-3">
        All that goes to this bench is encrypted. Nobody outside vouches for it, so the browser asks you.
        Compare the address with the one on the bench computer. Is it the same? Then open the details of the
        warning, and go on from there.
      </p>
      <h2 className="mt-6 text-2xl">Make the phone trust it</h2>
      <p className="mt-1">
        Then the warning is gone. The microphone and the camera work, and pages stay readable without a
        network.
      </p>
      <ol className="mt-3 grid list-decimal gap-2 pl-6">
        <li>
          <Button look="main" asChild>
            <a href="/trust/authority.crt" download>
              Fetch the certificate
            </a>
          </Button>
        </li>
        <li>
          Open the phone’s settings and search for “certificate”. Choose to install a{' '}
          <strong>CA certificate</strong>, and pick the file live-tune-bench. Some phones show it as a new
          profile instead: install it.
        </li>
        <li>
          Compare the fingerprint (SHA-256) with this one. On the bench computer it must be the same:
          <span className="mt-1 block font-mono text-sm break-words">{fingerprint}</span>
        </li>
        <li>Some phones ask again, under “trust settings”: switch it on for Live Tune.</li>
        <li>Close the browser, and open this address again.</li>
      </ol>
      <p className="mt-6 text-sm text-muted">
        The certificate vouches for private networks only, never for a site on the internet. Remove it in the
        same settings when you no longer need it.
      </p>
      <p className="mt-4">
        <a href="/" className="inline-flex min-h-11 items-center underline underline-offset-4">
          Back
        </a>
      </p>
    </Doorstep>
  );
}
