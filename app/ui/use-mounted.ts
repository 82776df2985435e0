import { useSyncExternalStore } from 'react';

const never = () => () => {};

/** False while the server renders and while the page hydrates, true after: for what only a browser can draw. */
export const useMounted = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
