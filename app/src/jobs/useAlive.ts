import { useSyncExternalStore } from 'react';

const neverChanges = () => () => undefined;

/** Whether the page's script runs yet: what the server drew is seen before that, and a press on it would do nothing. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );
