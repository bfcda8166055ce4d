import {
  type Entry,
  type EntryBody,
  type EntryKind,
  type EntryPlace,
  recordOf,
} from '@ombra/core/kernel/record';
import { share } from '@ombra/core/kernel/engine';
import { formatISO } from 'date-fns';
import { createStore, del, entries as everything, set } from 'idb-keyval';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { newId } from '../ids';
import { heedClock, siteNow } from './clock';
import { heedDoor } from './door';
import { sendPicture } from './pictures';
import { roleHere } from './role';
import { takenJob } from '../away/takenJobs';
import { keptName } from './signature';
import { EMPTY_LOG, type FetchEntries, type LogState, type SendEntries, makeLogSync } from './logSync';

let opened: ReturnType<typeof createStore> | null = null;
const store = (): ReturnType<typeof createStore> => (opened ??= createStore('ombra-log', 'waiting'));

/** How often a page that is shown asks for what others wrote, in milliseconds. */
export const LOOK_EVERY = 20_000;

const fetchFrom =
  (jobId: string): FetchEntries =>
  async (after) => {
    const all: Entry[] = [];
    const senders = new Map<string, string>();
    let last = after;
    try {
      for (;;) {
        const asked = Date.now();
        const response = await fetch(`/api/jobs/${jobId}/entries?after=${String(last)}`);
        heedClock(response, asked);
        heedDoor(response);
        if (!response.ok) return null;
        const page = (await response.json()) as {
          readonly entries: readonly { readonly entry: Entry; readonly by?: string }[];
          readonly last: number;
          readonly more: boolean;
        };
        for (const { entry, by } of page.entries) {
          all.push(entry);
          if (by !== undefined) senders.set(entry.id, by);
        }
        ({ last } = page);
        if (!page.more) return { entries: all, last, senders };
      }
    } catch {
      return null;
    }
  };

const sendTo =
  (jobId: string) =>
  async (entries: readonly Entry[]): Promise<SendEntries> => {
    try {
      for (const entry of entries) {
        if (entry.kind !== 'picture') continue;
        const sent = await sendPicture(jobId, entry.body.file);
        if (sent !== null) return { kind: 'refused', what: sent };
      }
      const response = await fetch(`/api/jobs/${jobId}/entries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ entries }),
      });
      if (response.ok) return { kind: 'kept' };
      // Whoever has to come in again comes in, and it is sent then.
      if (response.status >= 500 || response.status === 401) return { kind: 'unreachable' };
      const { problems } = (await response.json()) as {
        readonly problems?: readonly { readonly where: string; readonly what: string }[];
      };
      return {
        kind: 'refused',
        what: problems?.map(({ where, what }) => `${where}: ${what}`).join(' ') ?? 'The server refused it.',
      };
    } catch {
      return { kind: 'unreachable' };
    }
  };

/** The other tabs on the log of a job: told when something was sent, heard when they have. */
function tabsOf(jobId: string) {
  let channel: BroadcastChannel | null = null;
  return {
    open: (heard: () => void): void => {
      channel = new BroadcastChannel(`ombra.log.${jobId}`);
      channel.onmessage = heard;
    },
    tell: (): void => {
      channel?.postMessage('sent');
    },
    close: (): void => {
      channel?.close();
      channel = null;
    },
  };
}

/** The log, and what the plan goes by of it; what of that did not change stays the same objects. */
interface Shown {
  readonly state: LogState;
  readonly onSite: ReturnType<typeof recordOf> | null;
}

/**
 * The log of the open job: what is known of it, and how to write in it.
 *
 * @param lookEvery milliseconds after which it is asked for what others wrote
 */
export function useLog(jobId: string, lookEvery: number) {
  const [{ state, onSite }, setState] = useState<Shown>({ state: EMPTY_LOG, onSite: null });
  const [onlyLooks, setOnlyLooks] = useState(false);
  // There from the first moment: what is written before the log has been read is not lost.
  const [{ sync, tabs }] = useState(() => {
    const channel = tabsOf(jobId);
    const made = makeLogSync({
      fetch: fetchFrom(jobId),
      send: sendTo(jobId),
      kept: async () =>
        (await everything<string, Entry>(store())).flatMap(([key, entry]) =>
          key.startsWith(`${jobId}|`) ? [entry] : [],
        ),
      remembered: () => takenJob(jobId),
      keep: (entry) => set(`${jobId}|${entry.id}`, entry, store()),
      forget: async (ids) => {
        for (const id of ids) await del(`${jobId}|${id}`, store());
      },
      later: (callback, milliseconds) => {
        const timer = setTimeout(callback, milliseconds);
        return () => {
          clearTimeout(timer);
        };
      },
      show: (next) => {
        setState((before) => ({
          state: next,
          onSite:
            next.entries === before.state.entries
              ? before.onSite
              : share(before.onSite, next.entries.length === 0 ? null : recordOf(next.entries)),
        }));
      },
      announce: channel.tell,
    });
    return { sync: made, tabs: channel };
  });
  useEffect(() => {
    tabs.open(() => void sync.look());
    void sync.start();
    const look = (): void => {
      if (document.visibilityState !== 'visible') return;
      void sync.look();
      void sync.flush();
    };
    const timer = setInterval(look, lookEvery);
    window.addEventListener('online', look);
    document.addEventListener('visibilitychange', look);
    return () => {
      sync.stop();
      tabs.close();
      clearInterval(timer);
      window.removeEventListener('online', look);
      document.removeEventListener('visibilitychange', look);
    };
  }, [jobId, lookEvery, sync, tabs]);
  const lookTo = useCallback((last: number) => void sync.lookTo(last), [sync]);
  return useMemo(
    () => ({
      ...state,
      /** What the plan goes by; null while the log is empty. */
      onSite,
      settled: (): Promise<boolean> => sync.settled(),
      /** Whether somebody wanted to write who may only look. */
      onlyLooks,
      /** Looks for what others wrote, where the log goes further than is known. */
      lookTo,
      /** Writes an entry that was made elsewhere on the page. */
      add: (entry: Entry): void => {
        if (roleHere() === 'look') setOnlyLooks(true);
        else void sync.add([entry]);
      },
      /** Writes an entry of this moment, under the name that this browser signs with. */
      write: <Kind extends EntryKind>(
        kind: Kind,
        body: EntryBody<Kind>,
        more: { readonly place?: EntryPlace; readonly corrects?: string } = {},
      ): void => {
        if (roleHere() === 'look') {
          setOnlyLooks(true);
          return;
        }
        const entry = {
          id: newId(),
          at: formatISO(siteNow()),
          who: keptName(),
          kind,
          body,
          ...more,
        } as unknown as Entry;
        void sync.add([entry]);
      },
    }),
    [state, onSite, sync, lookTo, onlyLooks],
  );
}
