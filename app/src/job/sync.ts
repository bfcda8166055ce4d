import type { Clash, Merge, Plan, Side } from '@ombra/core/kernel/plan';

/** An edit that the server may not have yet. It carries the save id under which it is, or will be, sent. */
export interface PendingSave {
  readonly jobId: string;
  readonly baseVersion: number;
  readonly saveId: string;
  readonly plan: Plan;
  /** The plan of the version that it started from; left out by versions of Ombra that did not keep it. */
  readonly base?: Plan;
  /** An earlier save that went out without an answer; it must be settled before this one. */
  readonly before?: PendingSave;
}

export type SendOutcome =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly version: number; readonly name: string; readonly updatedAt: string }
  | { readonly kind: 'missing' }
  /** The server has another plan under this id. */
  | { readonly kind: 'reused' }
  | {
      readonly kind: 'refused';
      readonly problems: readonly { readonly where: string; readonly what: string }[];
    }
  | { readonly kind: 'unreachable' };

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'unsent' }
  | { readonly kind: 'saving' }
  | { readonly kind: 'unreachable' }
  | { readonly kind: 'missing' }
  | { readonly kind: 'refused'; readonly what: string }
  | {
      readonly kind: 'stale';
      readonly theirVersion: number;
      readonly updatedAt: string;
      /** What both changed, each otherwise; empty where the two plans cannot be brought together. */
      readonly clashes: readonly Clash[];
    };

/** Which side is taken of what both changed, by the key of the clash. */
export type Choices = Readonly<Record<string, Side>>;

/** Brings together what two people made of one plan; null where that is no plan. */
type MergePlans = (base: Plan, mine: Plan, theirs: Plan, choices?: Choices) => Merge<Plan> | null;

/** What the sync needs from outside, passed in so that tests can stand in for the browser and the server. */
export interface SyncPorts {
  readonly send: (save: PendingSave) => Promise<SendOutcome>;
  /** Keeps a plan in the server's history without its taking the place of the newest; false where that failed. */
  readonly setAside: (save: PendingSave) => Promise<boolean>;
  /** The newest state, where it is newer than a version; null where it is not, or cannot be had. */
  readonly newest: (since: number) => Promise<{ readonly version: number; readonly plan: Plan } | null>;
  /** Fetches what brings plans together; null where that failed. */
  readonly fetchMerge: () => Promise<MergePlans | null>;
  /** Shows a state that another tab or person saved. */
  readonly receive: (plan: Plan) => void;
  /** Tells the other tabs that this one has saved. */
  readonly announce: (version: number) => void;
  /** Keeps the edit in the browser until it is sent; null forgets it. */
  readonly keep: (pending: PendingSave | null) => Promise<void>;
  readonly newId: () => string;
  /** Calls back after a while; the answer cancels it. */
  readonly later: (callback: () => void, milliseconds: number) => () => void;
  readonly show: (state: SaveState) => void;
}

/** Idle time after the last edit before it is sent. */
const QUIET = 400;
/** Longest that an edit waits while others follow it: who types on and on is saved all the same. */
const LONGEST_WAIT = 3000;
const FIRST_RETRY = 1000;
const LONGEST_RETRY = 30_000;

/**
 * Sends a job's edits to the server, one save at a time. Every edit is kept in the browser first; a save that may have
 * been lost is sent again under the same id, so that it is done once; one that started from an older state than the
 * server has is never forced, but shown for the user to choose.
 */
export function makeSync(
  ports: SyncPorts,
  job: { readonly id: string; readonly version: number; readonly plan: Plan },
) {
  let version = job.version;
  /** The plan of that version. */
  let base: Plan | undefined = job.plan;
  /** What the server had when it was asked what to do. */
  let theirs: { readonly version: number; readonly plan: Plan } | null = null;
  /** What brings plans together, once it was needed. */
  let merge: MergePlans | null = null;
  /** The newest edit that the server has not confirmed. */
  let pending: PendingSave | null = null;
  /** A save that went out and has no answer yet; it may or may not have arrived. */
  let outstanding: PendingSave | null = null;
  let sending = false;
  let stopped = false;
  let retry = FIRST_RETRY;
  let cancelTimer: () => void = () => undefined;
  let cancelDeadline: (() => void) | null = null;
  /** Those who wait for everything to be saved. */
  const waiting = new Set<(saved: boolean) => void>();
  const tellWaiting = (saved: boolean): void => {
    for (const tell of waiting) tell(saved);
    waiting.clear();
  };
  const isWaiting = (): boolean => pending !== null;

  const based = (): Pick<PendingSave, 'base'> => (base === undefined ? {} : { base });

  const schedule = (milliseconds: number): void => {
    cancelTimer();
    cancelTimer = ports.later(() => {
      void flush();
    }, milliseconds);
  };

  const halt = (state: SaveState): void => {
    stopped = true;
    outstanding = null;
    ports.show(state);
    tellWaiting(false);
  };

  async function confirmed(save: PendingSave, savedVersion: number): Promise<void> {
    version = savedVersion;
    base = save.plan;
    retry = FIRST_RETRY;
    outstanding = null;
    ports.announce(savedVersion);
    if (pending === null || pending === save) {
      pending = null;
      await ports.keep(null);
      // An edit may have come while the last one was forgotten.
      if (isWaiting()) return;
      ports.show({ kind: 'saved' });
      tellWaiting(true);
      return;
    }
    const { jobId, saveId, plan } = pending;
    pending = { jobId, baseVersion: version, saveId, plan, ...based() };
    await ports.keep(pending);
    schedule(QUIET);
  }

  /** Puts mine on what the server has by now, and sends it. */
  async function goOn(merged: Plan, on: { readonly version: number; readonly plan: Plan }): Promise<void> {
    ({ version, plan: base } = on);
    theirs = null;
    outstanding = null;
    stopped = false;
    pending = { jobId: job.id, baseVersion: version, saveId: ports.newId(), plan: merged, ...based() };
    ports.receive(merged);
    await ports.keep(pending);
  }

  /** Somebody saved before: what each changed is brought together, and only where both changed the same is anybody asked. */
  async function bringTogether(save: PendingSave, updatedAt: string, theirVersion: number): Promise<void> {
    const ask = (clashes: readonly Clash[]): void => {
      halt({ kind: 'stale', theirVersion, updatedAt, clashes });
    };
    merge ??= await ports.fetchMerge();
    const newest = save.base === undefined ? null : await ports.newest(save.baseVersion);
    if (pending === null) return;
    if (save.base === undefined || newest === null || merge === null) {
      ask([]);
      return;
    }
    theirs = newest;
    const found = merge(save.base, pending.plan, newest.plan);
    if (found === null || found.clashes.length > 0) {
      ask(found?.clashes ?? []);
      return;
    }
    await goOn(found.merged, newest);
    ports.show({ kind: 'unsent' });
    schedule(0);
  }

  async function settle(save: PendingSave, outcome: SendOutcome): Promise<void> {
    switch (outcome.kind) {
      case 'saved':
        return confirmed(save, outcome.version);
      case 'reused':
        // Cannot be, unless a page gave an id away twice: the same plan once more, under one of its own.
        outstanding = null;
        if (pending !== null) pending = { ...pending, saveId: ports.newId() };
        schedule(QUIET);
        return;
      case 'unreachable':
        ports.show({ kind: 'unreachable' });
        tellWaiting(false);
        schedule(retry);
        retry = Math.min(retry * 2, LONGEST_RETRY);
        return;
      case 'stale':
        // Nothing else is sent meanwhile.
        sending = true;
        await bringTogether(save, outcome.updatedAt, outcome.version).finally(() => {
          sending = false;
        });
        return;
      case 'missing':
        halt({ kind: 'missing' });
        return;
      case 'refused':
        // Not the end: the next edit may well put right what was refused.
        outstanding = null;
        tellWaiting(false);
        ports.show({
          kind: 'refused',
          what: outcome.problems.map(({ where, what }) => `${where}: ${what}`).join(' '),
        });
    }
  }

  async function flush(): Promise<void> {
    cancelTimer();
    cancelDeadline?.();
    cancelDeadline = null;
    if (sending || stopped || pending === null) return;
    const save = outstanding ?? pending;
    outstanding = save;
    sending = true;
    ports.show({ kind: 'saving' });
    const outcome = await ports.send(save);
    sending = false;
    // The user may have dropped the edit while it was on its way.
    if (isWaiting()) await settle(save, outcome);
  }

  const drop = async (): Promise<void> => {
    cancelTimer();
    stopped = true;
    pending = null;
    outstanding = null;
    await ports.keep(null);
  };

  return {
    /** Takes in the newest state of the plan. Every one has an id of its own: none is ever sent under that of another. */
    changed: async (plan: Plan): Promise<void> => {
      const before = outstanding === null ? {} : { before: { ...outstanding } };
      pending = { jobId: job.id, baseVersion: version, saveId: ports.newId(), plan, ...based(), ...before };
      cancelDeadline ??= ports.later(() => {
        cancelDeadline = null;
        void flush();
      }, LONGEST_WAIT);
      schedule(QUIET);
      // At once, not when the browser has kept it: “Saved” must never stand over an edit that is not.
      if (!sending && !stopped) ports.show({ kind: 'unsent' });
      await ports.keep(pending);
    },
    /** Takes up an edit that an earlier visit could not send, under its own id and base. It may have arrived unheard. */
    resume: async (left: PendingSave): Promise<void> => {
      pending = left;
      ({ base } = left);
      version = left.baseVersion;
      outstanding = left.before ?? left;
      await ports.keep(left);
      await flush();
    },
    /** The newest state of the server that this page stands on. */
    standing: (): { readonly version: number; readonly plan: Plan | undefined } => ({ version, plan: base }),
    /** Whether the server has everything. */
    isSaved: (): boolean => pending === null && !sending,
    /** Sends what waits, and answers once all of it is saved: true; or once it cannot be: false. */
    settled: async (): Promise<boolean> => {
      if (pending === null && !sending) return true;
      if (stopped) return false;
      const done = new Promise<boolean>((resolve) => {
        waiting.add(resolve);
      });
      void flush();
      return done;
    },
    /** Another tab has saved a version, or this page comes back after a while: what is newer is shown, or asked about. */
    look: async (heard = Infinity): Promise<void> => {
      if (stopped || heard <= version) return;
      // Edits that wait are sent: the server then says that they are stale, and the user is asked.
      if (pending !== null || sending) return flush();
      const newest = await ports.newest(version);
      if (newest === null || isWaiting() || newest.version <= version) return;
      version = newest.version;
      base = newest.plan;
      ports.receive(newest.plan);
    },
    /** Sends what waits, now. */
    flush,
    /** Keeps mine where both changed the same, or what was chosen there; all else that the others changed is taken. */
    keepMine: async (theirVersion: number, choices: Choices = {}): Promise<void> => {
      if (pending === null) return;
      const found =
        theirs !== null && pending.base !== undefined && merge !== null
          ? merge(pending.base, pending.plan, theirs.plan, choices)
          : null;
      if (found !== null && theirs !== null) {
        await goOn(found.merged, theirs);
      } else {
        version = theirVersion;
        pending = { jobId: job.id, baseVersion: theirVersion, saveId: ports.newId(), plan: pending.plan };
        stopped = false;
        await ports.keep(pending);
      }
      await flush();
    },
    /** Keeps mine in the server's history, then lets it go; false where the server could not be reached, and nothing was let go. */
    takeTheirs: async (): Promise<boolean> => {
      if (pending !== null && !(await ports.setAside({ ...pending, saveId: ports.newId() }))) return false;
      await drop();
      return true;
    },
    /** Lets mine go. */
    dropMine: drop,
  };
}

export type Sync = ReturnType<typeof makeSync>;
