import type { Entry } from '@ombra/core/kernel/record';

/** What the server makes of entries that are sent. */
export type SendEntries =
  | { readonly kind: 'kept' }
  /** It does not take them, and will not when they come again. */
  | { readonly kind: 'refused'; readonly what: string }
  | { readonly kind: 'unreachable' };

/** Entries that are new since a number, in the order in which they came; null where the server cannot be reached. */
export type FetchEntries = (after: number) => Promise<{
  readonly entries: readonly Entry[];
  readonly last: number;
  /** Who sent them, as the door knows them, by entry; those of the machine itself are left out. */
  readonly senders?: ReadonlyMap<string, string>;
} | null>;

/** The log as a page knows it. */
export interface LogState {
  /** All entries that are known, sent or not, in no order that means anything. */
  readonly entries: readonly Entry[];
  /** Those that the server has not taken yet. */
  readonly waiting: ReadonlySet<string>;
  /** Who sent entries, as the door knows them. */
  readonly senders: ReadonlyMap<string, string>;
  /** Whether the log has been read once. */
  readonly read: boolean;
  /** Whether the server answered the last time. */
  readonly reached: boolean;
  /** What the server did not take, and why; null where it took all. */
  readonly refused: string | null;
  /** Number of the last entry that the server has told of. */
  readonly last: number;
  /** Whether the browser had no room to keep what waits. */
  readonly unkept: boolean;
}

/** What the log needs from outside, passed in so that tests can stand in for the browser and the server. */
export interface LogPorts {
  readonly fetch: FetchEntries;
  readonly send: (entries: readonly Entry[]) => Promise<SendEntries>;
  /** Entries of this job that wait in the browser, from this page or an earlier one. */
  readonly kept: () => Promise<readonly Entry[]>;
  /** The log as it was known when the job was taken along; null where it was not. */
  readonly remembered: () => Promise<{ readonly entries: readonly Entry[]; readonly last: number } | null>;
  readonly keep: (entry: Entry) => Promise<void>;
  readonly forget: (ids: readonly string[]) => Promise<void>;
  readonly later: (callback: () => void, milliseconds: number) => () => void;
  readonly show: (state: LogState) => void;
  /** Tells the other tabs that something was sent. */
  readonly announce: () => void;
}

const FIRST_RETRY = 1000;
const LONGEST_RETRY = 30_000;
/** How often to look whether what is on its way has arrived. */
const SETTLE = 50;
/** Entries sent at once. */
const BATCH = 50;

export const EMPTY_LOG: LogState = {
  entries: [],
  waiting: new Set(),
  senders: new Map(),
  read: false,
  reached: true,
  refused: null,
  last: 0,
  unkept: false,
};

/**
 * Sends a job’s entries and fetches those of others. An entry is on screen at once, kept in the browser until the server has it, and
 * sent as often as it takes: its id makes it one. Nothing that was said is dropped, also where the server does not take it.
 */
export function makeLogSync(ports: LogPorts) {
  const known = new Map<string, Entry>();
  const waiting = new Map<string, Entry>();
  const stuck = new Set<string>();
  let senders: ReadonlyMap<string, string> = new Map();
  let last = 0;
  let read = false;
  let reached = true;
  let refused: string | null = null;
  let sending = false;
  let unkept = false;
  let stopped = false;
  let retry = FIRST_RETRY;
  let cancel: () => void = () => undefined;

  /** What was shown last: a list that has not changed stays the same one. */
  let shown: LogState = EMPTY_LOG;
  let grown = false;
  const learn = (entry: Entry): void => {
    if (known.has(entry.id)) return;
    known.set(entry.id, entry);
    grown = true;
  };

  const show = (): void => {
    if (stopped) return;
    const same =
      shown.waiting.size === waiting.size && [...waiting.keys()].every((id) => shown.waiting.has(id));
    if (
      !grown &&
      same &&
      shown.read === read &&
      shown.reached === reached &&
      shown.refused === refused &&
      shown.last === last &&
      shown.unkept === unkept &&
      shown.senders === senders
    )
      return;
    shown = {
      entries: grown ? [...known.values()] : shown.entries,
      senders,
      waiting: same ? shown.waiting : new Set(waiting.keys()),
      read,
      reached,
      refused,
      last,
      unkept,
    };
    grown = false;
    ports.show(shown);
  };

  const again = (): void => {
    cancel();
    cancel = ports.later(() => void flush(), retry);
    retry = Math.min(retry * 2, LONGEST_RETRY);
  };

  let starting: Promise<void> | null = null;
  /** The answer that is on its way, and the one that is asked for after it. */
  let looking: Promise<void> | null = null;
  let next: Promise<void> | null = null;

  async function lookOnce(): Promise<void> {
    const answer = await ports.fetch(last);
    reached = answer !== null;
    if (answer) {
      last = Math.max(last, answer.last);
      for (const entry of answer.entries) learn(entry);
      if (answer.senders && answer.senders.size > 0) senders = new Map([...senders, ...answer.senders]);
      read = true;
    }
    show();
  }

  const lookNow = (): Promise<void> => {
    next = null;
    looking = lookOnce().finally(() => {
      looking = null;
    });
    return looking;
  };

  /** What others wrote since. An answer that is on its way may be older than what is looked for: one more is asked for after it. */
  function look(): Promise<void> {
    if (!looking) return lookNow();
    next ??= looking.then(lookNow);
    return next;
  }

  /** What is not forgotten is sent once more one day, to a server that knows its id. */
  const forget = (ids: readonly string[]): Promise<void> => ports.forget(ids).catch(() => undefined);

  async function begin(): Promise<void> {
    // Where the browser does not open what it keeps, the log still comes, and what is written is sent.
    const before = await ports.remembered().catch(() => null);
    if (before) {
      for (const entry of before.entries) learn(entry);
      ({ last } = before);
      read = true;
    }
    for (const entry of await ports.kept().catch(() => [])) {
      // One that the server had taken before this device heard of it is sent again; it knows its id.
      learn(entry);
      waiting.set(entry.id, entry);
    }
    show();
    await look();
  }

  async function flush(): Promise<void> {
    if (sending || stopped) return;
    cancel();
    const batch = [...waiting.values()].filter(({ id }) => !stuck.has(id)).slice(0, BATCH);
    if (batch.length === 0) return;
    sending = true;
    const outcome = await ports.send(batch);
    sending = false;
    switch (outcome.kind) {
      case 'kept':
        reached = true;
        retry = FIRST_RETRY;
        for (const { id } of batch) waiting.delete(id);
        if (waiting.size === 0) unkept = false;
        await forget(batch.map(({ id }) => id));
        ports.announce();
        show();
        return flush();
      case 'refused':
        reached = true;
        refused = outcome.what;
        // One by one, so that only what is really refused stays behind.
        if (batch.length > 1) {
          for (const entry of batch) {
            const alone = await ports.send([entry]);
            if (alone.kind === 'kept') {
              waiting.delete(entry.id);
              await forget([entry.id]);
            } else if (alone.kind === 'refused') stuck.add(entry.id);
          }
        } else for (const { id } of batch) stuck.add(id);
        if (stuck.size === 0) refused = null;
        show();
        return flush();
      case 'unreachable':
        reached = false;
        show();
        again();
    }
  }

  return {
    /** Reads what waits in the browser and what the server has, and sends what waits. */
    start: async (): Promise<void> => {
      await (starting ??= begin());
      await flush();
    },
    look,
    /** Looks for what others wrote, where the log goes further than is known, or will be once what was asked for has come. */
    lookTo: async (number: number): Promise<void> => {
      await starting?.catch(() => undefined);
      if (number > last) await looking;
      if (number > last) await look();
    },
    /** Sends what waits now: the network is back, or the page is shown again. */
    flush: (): Promise<void> => {
      retry = FIRST_RETRY;
      return flush();
    },
    /** Writes entries: on screen first, then kept, then sent. */
    add: async (entries: readonly Entry[]): Promise<void> => {
      for (const entry of entries) {
        learn(entry);
        waiting.set(entry.id, entry);
      }
      show();
      try {
        for (const entry of entries) await ports.keep(entry);
      } catch {
        // No room to keep it: it is sent all the same, and said to be only on this page until then.
        unkept = true;
        show();
      }
      await flush();
    },
    /** Waits until everything is sent that the server takes; false where it cannot be reached. */
    settled: async (): Promise<boolean> => {
      const unsent = (): boolean => [...waiting.keys()].some((id) => !stuck.has(id));
      retry = FIRST_RETRY;
      if (!sending) await flush();
      while (sending && !stopped) await new Promise<void>((resolve) => ports.later(resolve, SETTLE));
      return !unsent();
    },
    stop: (): void => {
      stopped = true;
      cancel();
    },
  };
}
