import { StyleProvider } from '@ant-design/cssinjs';
import { StrictMode, startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';
import { keepOffline } from './offline/offline';

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <StyleProvider layer>
        <HydratedRouter />
      </StyleProvider>
    </StrictMode>,
  );
});

// what is on the page comes first; in development pages change under the hands, and nothing is kept
if (import.meta.env.PROD) {
  if (document.readyState === 'complete') void keepOffline();
  else window.addEventListener('load', () => void keepOffline(), { once: true });
}
