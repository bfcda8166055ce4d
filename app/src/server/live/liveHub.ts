import type { Here, JobPulse, LiveStore } from './liveStore';
import { GONE_AFTER } from './liveStore';

/** What everybody with a job open is told. */
export interface LiveMessage extends JobPulse {
  readonly here: readonly Here[];
}

/** How often a job that somebody has open is looked at: others' changes are there within a second. */
const LOOK_EVERY = 500;
/** How often an open page is said to be still there, and a quiet connection is kept open. */
const STILL_HERE = GONE_AFTER / 3;

interface Listener {
  readonly here: Here;
  /** Told how things stand; null keeps a quiet line open, and “over” ends it. */
  readonly hear: (message: LiveMessage | null | 'over') => void;
}

/** Tells open pages of a job how it stands, whichever server the change came to. */
export interface LiveHub {
  /** Listens until the answer is called; each is told at once how things stand, and then what changes. */
  readonly listen: (jobId: string, here: Here, hear: Listener['hear']) => () => void;
  /** Lets everybody go. */
  readonly close: () => void;
}

/** @param report told of what a look went wrong with, as long as the hub is open: what is on its way when it closes ends with the database */
export function makeLiveHub(store: LiveStore, report: (error: unknown) => void): LiveHub {
  let closed = false;
  const failed = (error: unknown): void => {
    if (!closed) report(error);
  };
  const rooms = new Map<
    string,
    { readonly listeners: Set<Listener>; told: string; message: LiveMessage | null; looking: boolean }
  >();
  const enders = new Set<() => void>();
  let timers: ReturnType<typeof setInterval>[] = [];

  const look = async (jobId: string): Promise<void> => {
    const room = rooms.get(jobId);
    if (!room || room.looking) return;
    room.looking = true;
    try {
      const pulse = await store.pulse(jobId);
      if (!pulse) return;
      const message = { ...pulse, here: await store.here(jobId) };
      const text = JSON.stringify(message);
      if (text === room.told) return;
      room.told = text;
      room.message = message;
      for (const { hear } of room.listeners) hear(message);
    } catch (error) {
      failed(error);
    } finally {
      room.looking = false;
    }
  };
  const stillHere = async (): Promise<void> => {
    for (const [jobId, { listeners }] of rooms) {
      for (const { here, hear } of listeners) {
        hear(null);
        await store.come(jobId, here).catch(failed);
      }
    }
  };
  const run = (): void => {
    if (timers.length > 0) return;
    timers = [
      setInterval(() => {
        for (const jobId of rooms.keys()) void look(jobId);
      }, LOOK_EVERY),
      setInterval(() => void stillHere(), STILL_HERE),
    ];
    for (const timer of timers) timer.unref();
  };
  const rest = (): void => {
    for (const timer of timers) clearInterval(timer);
    timers = [];
  };

  return {
    listen: (jobId, here, hear) => {
      const listener = { here, hear };
      const room = rooms.get(jobId) ?? {
        listeners: new Set<Listener>(),
        told: '',
        message: null,
        looking: false,
      };
      room.listeners.add(listener);
      rooms.set(jobId, room);
      run();
      if (room.message) hear(room.message);
      store
        .come(jobId, here)
        .then(() => look(jobId))
        .catch(failed);
      const end = (): void => {
        if (!enders.delete(end)) return;
        room.listeners.delete(listener);
        if (room.listeners.size === 0) rooms.delete(jobId);
        if (rooms.size === 0) rest();
        store.go(jobId, here.page).catch(failed);
      };
      enders.add(end);
      return end;
    },
    close: () => {
      closed = true;
      rest();
      for (const { listeners } of rooms.values()) for (const { hear } of listeners) hear('over');
      rooms.clear();
      enders.clear();
    },
  };
}
