import { emptyPlan } from '@ombra/core/stages/outline';
import type { Plan } from '@ombra/core/kernel/plan';
import { beforeEach, describe, expect, it } from 'vitest';
import { mergedPlan } from '../src/job/mergePlans';
import {
  type PendingSave,
  type SaveState,
  type SendOutcome,
  type SyncPorts,
  makeSync,
} from '../src/job/sync';

const START = emptyPlan('start');
const planNamed = (name: string, courses = 0): Plan => ({
  ...START,
  name,
  ...(courses > 0 && { pours: START.pours.map((pour) => ({ ...pour, toCourse: courses })) }),
});

/** A server that keeps one job, answers as the real one does, and can be cut off before or after it has saved. */
function makeServer() {
  const saves = new Map<string, { readonly version: number; readonly name: string }>();
  const state = {
    aside: [] as PendingSave[],
    version: 1,
    name: 'start',
    cut: 'no' as 'no' | 'before' | 'after',
    sent: [] as PendingSave[],
  };
  const receive = (save: PendingSave): SendOutcome => {
    const repeated = saves.get(save.saveId);
    if (repeated !== undefined) {
      return repeated.name === save.plan.name
        ? { kind: 'saved', version: repeated.version }
        : { kind: 'reused' };
    }
    if (save.baseVersion !== state.version) {
      return { kind: 'stale', version: state.version, name: state.name, updatedAt: '2026-01-01T00:00:00Z' };
    }
    state.version += 1;
    state.name = save.plan.name;
    saves.set(save.saveId, { version: state.version, name: state.name });
    return { kind: 'saved', version: state.version };
  };
  const send = (save: PendingSave): Promise<SendOutcome> => {
    state.sent.push(save);
    if (state.cut === 'before') return Promise.resolve({ kind: 'unreachable' });
    const outcome = receive(save);
    return Promise.resolve(state.cut === 'after' ? { kind: 'unreachable' } : outcome);
  };
  return { state, send };
}

/** A browser: what is kept, the timers that wait, and the states that were shown. */
let ids = 0;

function makeBrowser(server: ReturnType<typeof makeServer>) {
  const timers = new Map<number, { readonly callback: () => void; readonly milliseconds: number }>();
  const browser = {
    kept: null as PendingSave | null,
    shown: [] as SaveState[],
    received: [] as Plan[],
    announced: [] as number[],
    timers,
  };
  const ports: SyncPorts = {
    send: server.send,
    setAside: (save) => {
      if (server.state.cut !== 'no') return Promise.resolve(false);
      server.state.aside.push(save);
      return Promise.resolve(true);
    },
    fetchMerge: () => Promise.resolve(mergedPlan),
    newest: (since) => {
      const { version, name } = server.state;
      return Promise.resolve(version > since ? { version, plan: planNamed(name) } : null);
    },
    receive: (plan) => {
      browser.received.push(plan);
    },
    announce: (version) => {
      browser.announced.push(version);
    },
    keep: (pending) => {
      browser.kept = pending;
      return Promise.resolve();
    },
    newId: () => `save-${String(++ids)}`,
    later: (callback, milliseconds) => {
      const id = timers.size + Math.random();
      timers.set(id, { callback, milliseconds });
      return () => {
        timers.delete(id);
      };
    },
    show: (state) => {
      browser.shown.push(state);
    },
  };
  /** Lets every waiting timer go off, and what follows from it happen. */
  const pass = async (): Promise<void> => {
    const due = [...timers.values()];
    timers.clear();
    for (const { callback } of due) callback();
    for (let turn = 0; turn < 20; turn++) await Promise.resolve();
  };
  return { browser, ports, pass, lastShown: () => browser.shown.at(-1)?.kind };
}

describe('saving', () => {
  let server: ReturnType<typeof makeServer>;
  let tab: ReturnType<typeof makeBrowser>;
  const job = { id: 'job', version: 1, plan: START };

  beforeEach(() => {
    server = makeServer();
    tab = makeBrowser(server);
  });

  it('keeps an edit in the browser first, sends it after a while, then forgets it', async () => {
    const sync = makeSync(tab.ports, job);
    await sync.changed(planNamed('one'));
    expect(tab.browser.kept?.plan.name).toBe('one');
    expect(server.state.sent).toEqual([]);
    expect(tab.lastShown()).toBe('unsent');
    await tab.pass();
    expect(server.state.name).toBe('one');
    expect(tab.browser.kept).toBeNull();
    expect(tab.lastShown()).toBe('saved');
  });

  it('never says saved over an edit, not even while the browser is still keeping it', async () => {
    const kept = tab.ports.keep;
    const waiting: (() => void)[] = [];
    const slow: SyncPorts = {
      ...tab.ports,
      keep: (pending) =>
        new Promise<void>((resolve) => {
          waiting.push(() => {
            void kept(pending).then(resolve);
          });
        }),
    };
    const done = makeSync(slow, job).changed(planNamed('one'));
    expect(tab.lastShown()).toBe('unsent');
    for (const keep of waiting) keep();
    await done;
  });

  it('sends a burst of edits as one save', async () => {
    const sync = makeSync(tab.ports, job);
    for (const name of ['o', 'on', 'one']) await sync.changed(planNamed(name));
    await tab.pass();
    expect(server.state.sent.map((save) => save.plan.name)).toEqual(['one']);
    expect(server.state.version).toBe(2);
  });

  it('sends edits made while a save is under way after it, from the version it made', async () => {
    const sync = makeSync(tab.ports, job);
    await sync.changed(planNamed('one'));
    const under = sync.flush();
    await sync.changed(planNamed('two'));
    await under;
    await tab.pass();
    expect(server.state).toMatchObject({ version: 3, name: 'two' });
    expect(server.state.sent.map((save) => save.baseVersion)).toEqual([1, 2]);
    expect(tab.browser.kept).toBeNull();
  });

  it('tries again, longer and longer apart, while the server is away', async () => {
    const sync = makeSync(tab.ports, job);
    server.state.cut = 'before';
    await sync.changed(planNamed('one'));
    const waits: number[] = [];
    for (let round = 0; round < 7; round++) {
      await tab.pass();
      waits.push([...tab.browser.timers.values()][0]?.milliseconds ?? 0);
    }
    expect(waits).toEqual([1000, 2000, 4000, 8000, 16_000, 30_000, 30_000]);
    expect(tab.lastShown()).toBe('unreachable');
    expect(tab.browser.kept?.plan.name).toBe('one');
    server.state.cut = 'no';
    await tab.pass();
    expect(server.state).toMatchObject({ version: 2, name: 'one' });
    expect(new Set(server.state.sent.map((save) => save.saveId)).size).toBe(1);
  });

  it('begins with short waits again once a save has come through', async () => {
    const sync = makeSync(tab.ports, job);
    const wait = (): number => [...tab.browser.timers.values()][0]?.milliseconds ?? 0;
    server.state.cut = 'before';
    await sync.changed(planNamed('one'));
    for (let attempt = 0; attempt < 4; attempt++) await tab.pass();
    expect(wait()).toBe(8000);
    server.state.cut = 'no';
    await tab.pass();
    expect(tab.lastShown()).toBe('saved');
    server.state.cut = 'before';
    await sync.changed(planNamed('two'));
    await tab.pass();
    expect(wait()).toBe(1000);
  });

  it('of a job that was removed is not tried again, and says so', async () => {
    const sent: string[] = [];
    const sync = makeSync(
      {
        ...tab.ports,
        send: (save) => {
          sent.push(save.plan.name);
          return Promise.resolve({ kind: 'missing' });
        },
      },
      job,
    );
    await sync.changed(planNamed('one'));
    await tab.pass();
    expect(tab.lastShown()).toBe('missing');
    await sync.changed(planNamed('two'));
    await tab.pass();
    expect(sent).toEqual(['one']);
    // What was typed is kept in the browser.
    expect(tab.browser.kept).not.toBeNull();
  });

  it('saves once what was saved but never answered, and goes on from there with what was typed meanwhile', async () => {
    const sync = makeSync(tab.ports, job);
    server.state.cut = 'after';
    await sync.changed(planNamed('one'));
    await tab.pass();
    await sync.changed(planNamed('two'));
    server.state.cut = 'no';
    await tab.pass();
    await tab.pass();
    expect(server.state).toMatchObject({ version: 3, name: 'two' });
    expect(tab.browser.shown.some((state) => state.kind === 'stale')).toBe(false);
  });

  it('takes up after a crash what was kept, with the unanswered save before it', async () => {
    const first = makeSync(tab.ports, job);
    server.state.cut = 'after';
    await first.changed(planNamed('one'));
    await tab.pass();
    await first.changed(planNamed('two'));
    const left = tab.browser.kept;
    expect(left?.before?.plan.name).toBe('one');
    server.state.cut = 'no';
    const again = makeBrowser(server);
    const second = makeSync(again.ports, {
      id: 'job',
      version: server.state.version,
      plan: planNamed(server.state.name),
    });
    if (!left) throw new Error('nothing was kept');
    await second.resume(left);
    await again.pass();
    expect(server.state).toMatchObject({ version: 3, name: 'two' });
    expect(again.browser.kept).toBeNull();
    expect(again.lastShown()).toBe('saved');
  });
});

describe('two tabs on one job', () => {
  const both = async () => {
    const server = makeServer();
    const [mine, theirs] = [makeBrowser(server), makeBrowser(server)];
    const stale = makeSync(
      { ...mine.ports, newId: () => `mine-${String(Math.random())}` },
      { id: 'job', version: 1, plan: START },
    );
    const fresh = makeSync(
      { ...theirs.ports, newId: () => 'theirs' },
      { id: 'job', version: 1, plan: START },
    );
    await fresh.changed(planNamed('theirs'));
    await theirs.pass();
    await stale.changed(planNamed('mine'));
    await mine.pass();
    return { server, mine, stale };
  };

  it('never overwrite each other: the stale one is told, and keeps its edit', async () => {
    const { server, mine, stale } = await both();
    expect(server.state.name).toBe('theirs');
    expect(mine.browser.shown.at(-1)).toEqual({
      kind: 'stale',
      theirVersion: 2,
      updatedAt: '2026-01-01T00:00:00Z',
      clashes: [{ path: ['name'], mine: 'mine', theirs: 'theirs' }],
    });
    expect(mine.browser.kept?.plan.name).toBe('mine');
    await stale.changed(planNamed('mine too'));
    await mine.pass();
    expect(server.state.name).toBe('theirs');
    expect(mine.browser.kept?.plan.name).toBe('mine too');
  });

  it('bring together what each changed elsewhere, without asking, and show it', async () => {
    const server = makeServer();
    const mine = makeBrowser(server);
    const sync = makeSync(
      { ...mine.ports, newId: () => `mine-${String(Math.random())}` },
      { id: 'job', version: 1, plan: START },
    );
    server.state.version = 2;
    server.state.name = 'theirs';
    await sync.changed(planNamed('start', 7));
    await mine.pass();
    await mine.pass();
    expect(mine.lastShown()).toBe('saved');
    expect(server.state).toMatchObject({ version: 3, name: 'theirs' });
    expect(server.state.sent.at(-1)?.plan).toEqual(planNamed('theirs', 7));
    expect(mine.browser.received.at(-1)).toEqual(planNamed('theirs', 7));
    expect(mine.browser.kept).toBeNull();
  });

  it('put an edit that an earlier visit left on what others saved since', async () => {
    const server = makeServer();
    server.state.version = 5;
    server.state.name = 'theirs';
    const again = makeBrowser(server);
    // The page was opened at the newest state, the edit was made on an older one.
    const sync = makeSync(
      { ...again.ports, newId: () => `again-${String(Math.random())}` },
      { id: 'job', version: 5, plan: planNamed('theirs') },
    );
    const left = { jobId: 'job', baseVersion: 3, saveId: 'left', plan: planNamed('start', 7), base: START };
    const resumed = sync.resume(left);
    await sync.changed(planNamed('start', 8));
    await resumed;
    await again.pass();
    await again.pass();
    expect(server.state.sent.at(-1)?.plan).toEqual(planNamed('theirs', 8));
    expect(server.state.version).toBe(6);
  });

  it('ask where an edit of an older Ombra came without what it was made of', async () => {
    const server = makeServer();
    server.state.version = 5;
    const again = makeBrowser(server);
    const sync = makeSync(again.ports, { id: 'job', version: 5, plan: planNamed('theirs') });
    await sync.resume({ jobId: 'job', baseVersion: 3, saveId: 'left', plan: planNamed('mine') });
    await again.pass();
    expect(again.browser.shown.at(-1)).toMatchObject({ kind: 'stale', clashes: [] });
  });

  it('take what was chosen where both changed the same', async () => {
    const { server, mine, stale } = await both();
    await stale.keepMine(2, { name: 'theirs' });
    await mine.pass();
    expect(server.state).toMatchObject({ version: 3, name: 'theirs' });
  });

  it('go on with mine over theirs only when that is chosen', async () => {
    const { server, mine, stale } = await both();
    await stale.keepMine(2);
    expect(server.state).toMatchObject({ version: 3, name: 'mine' });
    expect(mine.browser.kept).toBeNull();
  });

  it('drop mine when theirs is chosen', async () => {
    const { server, mine, stale } = await both();
    await stale.dropMine();
    await mine.pass();
    expect(server.state).toMatchObject({ version: 2, name: 'theirs' });
    expect(mine.browser.kept).toBeNull();
  });
});

describe('a save that cannot be', () => {
  it.each<[SendOutcome, SaveState]>([
    [{ kind: 'missing' }, { kind: 'missing' }],
    [
      { kind: 'refused', problems: [{ where: 'name', what: 'Too long.' }] },
      { kind: 'refused', what: 'name: Too long.' },
    ],
  ])('%j is shown and loses nothing', async (outcome, state) => {
    const tab = makeBrowser(makeServer());
    const sync = makeSync(
      { ...tab.ports, send: () => Promise.resolve(outcome) },
      { id: 'job', version: 1, plan: START },
    );
    await sync.changed(planNamed('kept'));
    await tab.pass();
    expect(tab.browser.shown.at(-1)).toEqual(state);
    expect(tab.browser.kept?.plan.name).toBe('kept');
  });

  it('goes on with the edit that puts right what was refused', async () => {
    const server = makeServer();
    const tab = makeBrowser(server);
    const refuse: SendOutcome = { kind: 'refused', problems: [{ where: 'name', what: 'Too long.' }] };
    const send = (save: PendingSave): Promise<SendOutcome> =>
      save.plan.name === 'too long' ? Promise.resolve(refuse) : server.send(save);
    const sync = makeSync({ ...tab.ports, send }, { id: 'job', version: 1, plan: START });
    await sync.changed(planNamed('too long'));
    await tab.pass();
    expect(tab.lastShown()).toBe('refused');
    await sync.changed(planNamed('short'));
    await tab.pass();
    expect(server.state).toMatchObject({ version: 2, name: 'short' });
    expect(tab.lastShown()).toBe('saved');
    expect(tab.browser.kept).toBeNull();
  });
});

describe('several pages of one job', () => {
  let server: ReturnType<typeof makeServer>;
  let tab: ReturnType<typeof makeBrowser>;
  const job = { id: 'job', version: 1, plan: START };

  beforeEach(() => {
    server = makeServer();
    tab = makeBrowser(server);
  });

  it('gives every plan an id of its own: an edit right after a reopened page never goes out under one that may be used', async () => {
    const sync = makeSync(tab.ports, job);
    await sync.changed(planNamed('one'));
    server.state.cut = 'after';
    await sync.flush();
    const left = tab.browser.kept;
    if (!left) throw new Error('the edit is kept');
    // The page is opened again, and an edit comes before the one that was left is heard of.
    const again = makeBrowser(server);
    const reopened = makeSync(again.ports, { id: 'job', version: 1, plan: START });
    const resumed = reopened.resume(left);
    const edited = reopened.changed(planNamed('two'));
    server.state.cut = 'no';
    await Promise.all([resumed, edited]);
    for (let turn = 0; turn < 4; turn++) await again.pass();
    expect(server.state.name).toBe('two');
    expect(again.lastShown()).toBe('saved');
    const names = new Map<string, string>();
    for (const { saveId, plan } of server.state.sent) {
      expect(names.get(saveId) ?? plan.name).toBe(plan.name);
      names.set(saveId, plan.name);
    }
  });

  it('saves every few seconds while somebody types on and on', async () => {
    const sync = makeSync(tab.ports, job);
    await sync.changed(planNamed('a'));
    const waits = () => [...tab.browser.timers.values()].map(({ milliseconds }) => milliseconds);
    expect(Math.max(...waits())).toBeLessThanOrEqual(3000);
    const [longest] = [...tab.browser.timers.entries()].sort((a, b) => b[1].milliseconds - a[1].milliseconds);
    for (const name of ['ab', 'abc', 'abcd']) await sync.changed(planNamed(name));
    // The quiet timer starts afresh with every letter; the longest one is still that of the first.
    expect(tab.browser.timers.get(longest?.[0] ?? 0)).toBe(longest?.[1]);
    longest?.[1].callback();
    await Promise.resolve();
    expect(server.state.sent.map((save) => save.plan.name)).toEqual(['abcd']);
  });

  it('shows what another tab saved, and tells others of its own', async () => {
    const sync = makeSync(tab.ports, job);
    server.state.version = 5;
    server.state.name = 'theirs';
    await sync.look(5);
    expect(tab.browser.received.map((plan) => plan.name)).toEqual(['theirs']);
    await sync.look(5);
    expect(tab.browser.received).toHaveLength(1);
    await sync.changed(planNamed('mine, later'));
    await tab.pass();
    expect(server.state).toMatchObject({ version: 6, name: 'mine, later' });
    expect(tab.browser.announced).toEqual([6]);
  });

  it('asks at once when another tab saves while an edit of mine waits', async () => {
    const sync = makeSync(tab.ports, job);
    await sync.changed(planNamed('mine'));
    server.state.version = 2;
    server.state.name = 'theirs';
    await sync.look(2);
    expect(tab.lastShown()).toBe('stale');
    expect(tab.browser.received).toEqual([]);
  });

  it('puts mine into the history before it takes theirs, and lets nothing go while the server is away', async () => {
    const sync = makeSync(tab.ports, job);
    server.state.version = 2;
    await sync.changed(planNamed('mine'));
    await tab.pass();
    server.state.cut = 'before';
    expect(await sync.takeTheirs()).toBe(false);
    expect(tab.browser.kept?.plan.name).toBe('mine');
    server.state.cut = 'no';
    expect(await sync.takeTheirs()).toBe(true);
    expect(server.state.aside.map((save) => save.plan.name)).toEqual(['mine']);
    expect(tab.browser.kept).toBeNull();
  });

  it('tells those who wait for it when everything is saved, or that it cannot be', async () => {
    const sync = makeSync(tab.ports, job);
    expect(await sync.settled()).toBe(true);
    void sync.changed(planNamed('one'));
    expect(sync.isSaved()).toBe(false);
    expect(await sync.settled()).toBe(true);
    expect(server.state.name).toBe('one');
    server.state.cut = 'before';
    void sync.changed(planNamed('two'));
    expect(await sync.settled()).toBe(false);
    expect(sync.isSaved()).toBe(false);
  });
});
