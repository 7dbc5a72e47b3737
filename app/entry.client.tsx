import { setNonce } from 'get-nonce';
import { StrictMode, startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';

// Radix writes a <style> when a dialog locks scrolling; the policy asks for the page's nonce.
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
if (nonce) setNonce(nonce);

// Seen once, on a very busy machine: a page that is left while it still loads has its loading broken off, and that comes up as
// an error of nobody. Nothing of ours breaks a request off without saying why.
window.addEventListener('unhandledrejection', (event) => {
  if (event.reason instanceof DOMException && event.reason.name === 'AbortError') event.preventDefault();
});

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter />
    </StrictMode>,
  );
});
