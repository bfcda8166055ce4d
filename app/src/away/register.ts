import { Workbox } from 'workbox-window';

/** What waits to take over: a newer version of the program. */
export interface Newer {
  /** Lets it take over, and loads the page anew. */
  readonly take: () => void;
}

let worker: Workbox | null = null;
let newer: Newer | null = null;
const listeners = new Set<() => void>();

export const newerVersion = (): Newer | null => newer;
export const onNewer = (heard: () => void): (() => void) => {
  listeners.add(heard);
  return () => {
    listeners.delete(heard);
  };
};

/** Whether this browser can work without signal: that takes TLS, or the machine itself. */
export const canGoAway = (): boolean => 'serviceWorker' in navigator && window.isSecureContext;

/** Makes the program itself ready for no signal; answers once all of it is kept. False where this browser cannot. */
export async function readyForAway(): Promise<boolean> {
  if (!canGoAway()) return false;
  if (worker === null) {
    worker = new Workbox('/sw.js', { type: 'module' });
    const own = worker;
    worker.addEventListener('waiting', () => {
      newer = {
        take: () => {
          own.addEventListener('controlling', () => {
            location.reload();
          });
          own.messageSkipWaiting();
        },
      };
      for (const tell of listeners) tell();
    });
    try {
      await worker.register({ immediate: true });
    } catch {
      worker = null;
      return false;
    }
  }
  await navigator.serviceWorker.ready;
  return true;
}

/** Where the program was made ready before, looks whether there is a newer version. */
export async function lookForNewer(): Promise<void> {
  if (!canGoAway()) return;
  if ((await navigator.serviceWorker.getRegistration('/')) !== undefined) await readyForAway();
}
