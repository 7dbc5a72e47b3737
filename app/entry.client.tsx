import { setNonce } from 'get-nonce';
import { StrictMode, startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';

// Radix writes a <style> when a dialog locks scrolling; the policy asks for the page's nonce.
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
if (nonce) setNonce(nonce);

// A page that is left while it still loads breaks its loading off: that is no error of anybody, and the router lets it through.
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
