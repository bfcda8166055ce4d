import { useSyncExternalStore } from 'react';

/** Whether the server no longer knows this device. */
let shut = false;
const listeners = new Set<() => void>();

/** Takes from an answer whether this device is let in. */
export function heedDoor({ status }: Response): void {
  const next = status === 401;
  if (next === shut) return;
  shut = next;
  for (const tell of listeners) tell();
}

/** Whether whoever is here has to come in again. */
export const useShutDoor = (): boolean =>
  useSyncExternalStore(
    (heard) => {
      listeners.add(heard);
      return () => {
        listeners.delete(heard);
      };
    },
    () => shut,
  );
