import { Workbox } from 'workbox-window';
import { create } from 'zustand';
import { tab } from '../remembered';

/** A newer version of the program that waits to take over. */
interface Newer {
  /** Lets it take over and reloads the page. */
  readonly take: () => void;
  /** Whether it is about to take over. */
  readonly taking: boolean;
}

/**
 * Milliseconds after which the page is reloaded if the newer version has not taken over. Chromium often kept the older one when it was
 * asked to switch just as a page had opened; after a reload it switched.
 */
const RELOAD_AFTER = 3_000;
const MOST_TRIES = 3;
/** Where this tab counts its tries, over reloads. */
const TRIES = 'ombra.newer.tries';

/** The newer version, if one waits. */
export const useNewer = create((): { readonly newer: Newer | null } => ({ newer: null }));

const offer = (own: Workbox, taking: boolean): void => {
  useNewer.setState({
    newer: {
      take: () => {
        takeOver(own);
      },
      taking,
    },
  });
};

/** Has the waiting version take over, and loads the page again with it. */
function takeOver(own: Workbox): void {
  offer(own, true);
  const tries = Number(tab.get(TRIES) ?? '0') + 1;
  tab.set(TRIES, String(tries));
  const again = setTimeout(() => {
    if (tries < MOST_TRIES) location.reload();
    else {
      tab.remove(TRIES);
      offer(own, false);
    }
  }, RELOAD_AFTER);
  own.addEventListener('controlling', () => {
    clearTimeout(again);
    tab.remove(TRIES);
    location.reload();
  });
  own.messageSkipWaiting();
}

let worker: Workbox | null = null;

/** Whether this browser can work without signal: that takes TLS, or the machine itself. */
export const canGoAway = (): boolean => 'serviceWorker' in navigator && window.isSecureContext;

/** Waits until a worker has stored the whole program; false if it gave up: no room, or the signal went. */
const stored = (installing: ServiceWorker): Promise<boolean> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (installing.state === 'activated') resolve(true);
      else if (installing.state === 'redundant') resolve(false);
    };
    installing.addEventListener('statechange', look);
    look();
  });

async function register(own: Workbox): Promise<boolean> {
  own.addEventListener('waiting', () => {
    // It was taken before the page was reloaded.
    if (tab.get(TRIES) === null) offer(own, false);
    else takeOver(own);
  });
  try {
    const registration = await own.register({ immediate: true });
    if (registration?.active) return true;
    const installing = registration?.installing ?? registration?.waiting;
    return installing ? await stored(installing) : false;
  } catch {
    return false;
  }
}

/** Stores the program in the browser; true once all of it is. False if this browser cannot, or it did not all come: try again later. */
export async function readyForAway(): Promise<boolean> {
  if (!canGoAway()) return false;
  if (worker !== null) return true;
  const own = new Workbox('/sw.js', { type: 'module' });
  worker = own;
  const ready = await register(own);
  if (!ready) worker = null;
  return ready;
}

/** Looks for a newer version if the program was stored before. */
export async function lookForNewer(): Promise<void> {
  if (!canGoAway()) return;
  if ((await navigator.serviceWorker.getRegistration('/')) !== undefined) await readyForAway();
}
