import { setNonce } from 'get-nonce';
import { StrictMode, startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';

// Radix writes a <style> when a dialog locks scrolling; the policy asks for the page's nonce.
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce;
if (nonce) setNonce(nonce);

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter />
    </StrictMode>,
  );
});
