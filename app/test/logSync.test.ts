import type { Entry } from '@ombra/core/kernel/record';
import { describe, expect, it } from 'vitest';
import { type LogState, type SendEntries, EMPTY_LOG, makeLogSync } from '../src/job/logSync';

const note = (id: string): Entry => ({
  id,
  at: '2027-03-02T15:00:00-05:00',
  who: 'Ida',
  kind: 'note',
  body: { what: id },
});

/** A browser and a server of which tests decide what they do. */
function world(
  first: {
    readonly kept?: readonly Entry[];
    readonly there?: readonly Entry[];
    /** What was taken along of the log. */
    readonly along?: { readonly entries: readonly Entry[]; readonly last: number };
    /** Whether the browser does not open what it keeps. */
    readonly shut?: boolean;
  } = {},
) {
  const kept = new Map((first.kept ?? []).map((entry) => [entry.id, entry]));
  const server: Entry[] = [...(first.there ?? [])];
  const timers: (() => void)[] = [];
  const sent: string[][] = [];
  const answers = { next: (): SendEntries => ({ kind: 'kept' }), up: true, stalled: false };
  const said = { state: EMPTY_LOG as LogState, announced: 0 };
  /** After which numbers it was asked for what is new. */
  const asked: number[] = [];
  const opened = <Value>(value: () => Value): Promise<Value> =>
    first.shut === true ? Promise.reject(new Error('shut')) : Promise.resolve(value());
  const sync = makeLogSync({
    fetch: (after) => {
      asked.push(after);
      return Promise.resolve(answers.up ? { entries: server.slice(after), last: server.length } : null);
    },
    send: (entries) => {
      sent.push(entries.map(({ id }) => id));
      if (answers.stalled) return new Promise(() => undefined);
      const answer = answers.up ? answers.next() : ({ kind: 'unreachable' } as const);
      if (answer.kind === 'kept') {
        for (const entry of entries) if (!server.some(({ id }) => id === entry.id)) server.push(entry);
      }
      return Promise.resolve(answer);
    },
    remembered: () => opened(() => first.along ?? null),
    kept: () => opened(() => [...kept.values()]),
    keep: (entry) => opened(() => void kept.set(entry.id, entry)),
    forget: (ids) =>
      opened(() => {
        for (const id of ids) kept.delete(id);
      }),
    later: (callback) => {
      timers.push(callback);
      return () => {
        timers.splice(timers.indexOf(callback), 1);
      };
    },
    show: (state) => {
      said.state = state;
    },
    announce: () => {
      said.announced += 1;
    },
  });
  return { sync, kept, server, timers, sent, answers, said, asked };
}
const ids = (entries: readonly Entry[]): readonly string[] => entries.map(({ id }) => id).sort();

describe('the log of a page', () => {
  it('shows an entry at once, keeps it until the server has it, and tells the other tabs', async () => {
    const { sync, said, kept, server } = world({ there: [note('old')] });
    await sync.start();
    const adding = sync.add([note('new')]);
    expect(ids(said.state.entries)).toEqual(['new', 'old']);
    expect(said.state.waiting.has('new')).toBe(true);
    await adding;
    expect(said.state.waiting.size).toBe(0);
    expect(kept.size).toBe(0);
    expect(ids(server)).toEqual(['new', 'old']);
    expect(said.announced).toBe(1);
  });

  it('shows what was taken along before the server answers, and asks only for what is newer', async () => {
    const { sync, said, server, answers } = world({
      along: { entries: [note('a'), note('b')], last: 2 },
      kept: [note('c')],
      there: [note('a'), note('b'), note('d')],
    });
    answers.up = false;
    await sync.start();
    expect(said.state).toMatchObject({ read: true, reached: false, last: 2 });
    expect(ids(said.state.entries)).toEqual(['a', 'b', 'c']);
    expect([...said.state.waiting]).toEqual(['c']);
    answers.up = true;
    await sync.look();
    await sync.flush();
    expect(ids(said.state.entries)).toEqual(['a', 'b', 'c', 'd']);
    expect(said.state).toMatchObject({ reached: true, last: 3 });
    expect(said.state.waiting.size).toBe(0);
    expect(ids(server)).toEqual(['a', 'b', 'c', 'd']);
  });

  it('sends what waited from an earlier visit, once, though the answer was lost', async () => {
    // The server has it already: the page was closed before it heard so.
    const { sync, server, kept, said } = world({ kept: [note('a')], there: [note('a')] });
    await sync.start();
    expect(ids(server)).toEqual(['a']);
    expect(kept.size).toBe(0);
    expect(said.state.waiting.size).toBe(0);
  });

  it('shows what others wrote and sends what is written in a browser that keeps nothing, and says so', async () => {
    const { sync, said, server, answers } = world({ shut: true, there: [note('a')] });
    await sync.start();
    expect(said.state).toMatchObject({ read: true, unkept: false });
    expect(ids(said.state.entries)).toEqual(['a']);
    answers.up = false;
    await sync.add([note('b')]);
    expect(said.state.unkept).toBe(true);
    answers.up = true;
    await sync.flush();
    expect(ids(server)).toEqual(['a', 'b']);
    expect(said.state).toMatchObject({ unkept: false, reached: true });
    expect(said.state.waiting.size).toBe(0);
    expect(said.announced).toBe(1);
  });

  it('tries again when the server comes back, and loses nothing meanwhile', async () => {
    const { sync, answers, timers, kept, server, said } = world();
    answers.up = false;
    await sync.start();
    await sync.add([note('a')]);
    await sync.add([note('b')]);
    expect(said.state).toMatchObject({ reached: false });
    expect(kept.size).toBe(2);
    expect(timers).toHaveLength(1);
    answers.up = true;
    timers[0]?.();
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(ids(server)).toEqual(['a', 'b']);
    expect(said.state).toMatchObject({ reached: true });
    expect(kept.size).toBe(0);
  });

  it('keeps what the server refuses, says why, and sends the rest', async () => {
    const { sync, answers, sent, kept, said, server } = world();
    await sync.start();
    answers.up = false;
    await sync.add([note('good')]);
    await sync.add([note('bad')]);
    answers.up = true;
    answers.next = () =>
      sent.at(-1)?.includes('bad') === true ? { kind: 'refused', what: 'not this one' } : { kind: 'kept' };
    await sync.flush();
    expect(ids(server)).toEqual(['good']);
    expect([...kept.keys()]).toEqual(['bad']);
    expect(said.state.refused).toBe('not this one');
    expect([...said.state.waiting]).toEqual(['bad']);
    // It is not sent for ever.
    const before = sent.length;
    await sync.flush();
    expect(sent).toHaveLength(before);
  });

  it('asks once as a page opens, though it is told meanwhile how far the log goes', async () => {
    const { sync, said, asked } = world({
      along: { entries: [note('a')], last: 1 },
      there: [note('a'), note('b')],
    });
    const starting = sync.start();
    await Promise.all([sync.lookTo(2), sync.lookTo(2), starting]);
    await sync.lookTo(2);
    expect(asked).toEqual([1]);
    expect(ids(said.state.entries)).toEqual(['a', 'b']);
  });

  it('asks again where the log goes further than the answer that was on its way', async () => {
    const { sync, server, said, asked } = world({ there: [note('a')] });
    const starting = sync.start();
    const told = sync.lookTo(2);
    await starting;
    server.push(note('b'));
    await sync.lookTo(2);
    await told;
    expect(ids(said.state.entries)).toEqual(['a', 'b']);
    // Who hears of something new while an answer is on its way cannot know whether that has it.
    server.push(note('c'));
    const first = sync.look();
    server.push(note('d'));
    await Promise.all([first, sync.look(), sync.look()]);
    expect(ids(said.state.entries)).toEqual(['a', 'b', 'c', 'd']);
    expect(asked.length).toBeLessThanOrEqual(5);
  });

  it('takes up what others wrote while a picture of its own is slow to go', async () => {
    const { sync, server, said, answers } = world({ kept: [note('mine')], there: [note('a')] });
    answers.stalled = true;
    void sync.start();
    await sync.lookTo(1);
    server.push(note('b'));
    await sync.lookTo(2);
    expect(ids(said.state.entries)).toEqual(['a', 'b', 'mine']);
  });

  it('takes up what others wrote, and tells nothing after its page is left', async () => {
    const { sync, server, said } = world({ there: [note('a')] });
    await sync.start();
    server.push(note('b'));
    await sync.look();
    expect(ids(said.state.entries)).toEqual(['a', 'b']);
    sync.stop();
    server.push(note('c'));
    await sync.look();
    expect(ids(said.state.entries)).toEqual(['a', 'b']);
  });
});
