import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Entry, readEntry, recordOf, standingEntries } from '../../../src/kernel/record';
import { anyLog, entryOf, workOn } from '../../support/entries';

const idsOf = (entries: readonly Entry[]): readonly string[] =>
  standingEntries(entries).map(({ entry }) => entry.id);

describe('a log', () => {
  it('is the same record in whatever order its entries arrive, and however often', () => {
    fc.assert(
      fc.property(
        anyLog.chain((log) =>
          fc.tuple(
            fc.constant(log),
            fc.shuffledSubarray([...log], { minLength: log.length }),
            fc.subarray([...log]),
          ),
        ),
        ([log, shuffled, again]) => {
          const other = [...shuffled, ...again];
          expect(standingEntries(other)).toEqual(standingEntries(log));
          expect(recordOf(other)).toEqual(recordOf(log));
        },
      ),
    );
  });

  it('loses nothing that was said: every entry stands, was corrected, or was taken back', () => {
    fc.assert(
      fc.property(anyLog, (log) => {
        const shown = new Set(
          standingEntries(log).flatMap(({ entry, before }) => [entry.id, ...before.map(({ id }) => id)]),
        );
        const takenBack = (entry: Entry): boolean => {
          // It, or one that is joined to it by corrections, ends in a taking back.
          const joined = new Set([entry.id]);
          for (let grew = true; grew;) {
            grew = false;
            for (const each of log) {
              const touches =
                joined.has(each.id) || (each.corrects !== undefined && joined.has(each.corrects));
              const ids = [each.id, ...(each.corrects === undefined ? [] : [each.corrects])];
              if (touches && ids.some((id) => !joined.has(id))) {
                for (const id of ids) joined.add(id);
                grew = true;
              }
            }
          }
          return log.some(({ id, kind }) => joined.has(id) && kind === 'withdrawn');
        };
        for (const entry of log) if (!shown.has(entry.id)) expect(takenBack(entry)).toBe(true);
      }),
    );
  });

  it('goes by when things happened, in whatever zone a clock is, and keeps a correction where the entry was', () => {
    const late = entryOf('note', { what: 'late' }, { id: 'b', at: '2027-03-02T10:00:00-05:00' });
    const early = entryOf('note', { what: 'early' }, { id: 'c', at: '2027-03-02T14:30:00Z' });
    const mended = entryOf(
      'note',
      { what: 'early, mended' },
      // By a clock that is a day behind.
      { id: 'a', at: '2027-03-01T14:30:00Z', corrects: 'c' },
    );
    expect(idsOf([late, early])).toEqual(['c', 'b']);
    expect(idsOf([mended, late, early])).toEqual(['a', 'b']);
    const between = entryOf('note', { what: 'between' }, { id: 'd', at: '2027-03-02T14:00:00Z' });
    expect(idsOf([mended, late, between, early])).toEqual(['d', 'a', 'b']);
  });

  it('takes the later of two corrections, and none of an entry that was taken back', () => {
    const note = entryOf('note', { what: 'one' }, { id: 'n' });
    const first = entryOf(
      'note',
      { what: 'two' },
      { id: 'z', at: '2027-03-02T16:00:00-05:00', corrects: 'n' },
    );
    const second = entryOf(
      'note',
      { what: 'three' },
      { id: 'm', at: '2027-03-02T17:00:00-05:00', corrects: 'n' },
    );
    expect(idsOf([note, second, first])).toEqual(['m']);
    const back = entryOf(
      'withdrawn',
      { why: 'typed twice' },
      { at: '2027-03-02T18:00:00-05:00', corrects: 'm' },
    );
    expect(idsOf([note, second, first, back])).toEqual([]);
  });

  it('stands through corrections that name each other', () => {
    const a = entryOf('note', { what: 'a' }, { id: 'a', corrects: 'b' });
    const b = entryOf('note', { what: 'b' }, { id: 'b', corrects: 'a' });
    const tail = entryOf('note', { what: 'tail' }, { id: 't', corrects: 'a' });
    expect(idsOf([a, b, tail])).toEqual(['t']);
    expect(idsOf([tail, b, a])).toEqual(['t']);
    expect(idsOf([a, b])).toHaveLength(1);
  });
});

describe('what stands on site', () => {
  const row = (course: number, wall: string) => ({
    course,
    wall,
    length: 1,
    thickness: 1,
    stands: [],
    blocks: [],
    corners: [],
  });
  const laid = (...log: readonly Entry[]): readonly string[] =>
    recordOf(log).laid.rows.map(({ course, wall, day }) => `${String(course)} ${wall} ${day}`);

  it('is what was laid last, less what was taken down after', () => {
    const one = workOn('course:1', { rows: [row(1, 'w1'), row(1, 'w2')] }, { at: '2027-03-02T08:00:00Z' });
    const down = entryOf(
      'relaid',
      { rows: [{ course: 1, wall: 'w1' }], why: 'out of line' },
      { at: '2027-03-02T09:00:00Z' },
    );
    const anew = workOn(
      'course:1',
      { day: '2027-03-03', rows: [row(1, 'w1')] },
      { at: '2027-03-03T08:00:00Z' },
    );
    expect(laid(one)).toEqual(['1 w1 2027-03-02', '1 w2 2027-03-02']);
    expect(laid(down, one)).toEqual(['1 w2 2027-03-02']);
    expect(laid(anew, down, one)).toEqual(['1 w1 2027-03-03', '1 w2 2027-03-02']);
    // Laid twice in the log is laid once on site.
    expect(laid(one, { ...one, id: 'again' })).toHaveLength(2);
  });
});

describe('an entry', () => {
  const good = { id: 'a-1', at: '2027-03-02T15:00:00-05:00', who: 'Ida', kind: 'note', body: { what: 'x' } };
  const wheres = (document: unknown): readonly string[] => {
    const reading = readEntry(document);
    return reading.ok ? [] : reading.problems.map(({ where }) => where);
  };

  it('is read as it is written', () => {
    expect(readEntry(good)).toEqual({ ok: true, entry: good });
  });

  it.each([
    ['a list', [], ['the entry']],
    ['an unknown kind', { ...good, kind: 'rumour' }, ['kind']],
    ['no id', { ...good, id: '' }, ['id']],
    ['a day that is none', { ...good, at: '2027-02-30T15:00:00Z' }, ['at']],
    ['a clock without its zone', { ...good, at: '2027-03-02T15:00:00' }, ['at']],
    ['a body of another kind', { ...good, body: { day: '2027-03-02', people: [] } }, ['body.what', 'body']],
    [
      'nobody for 30 hours',
      { ...good, kind: 'people', body: { day: '2027-03-02', people: [{ name: 'Ida', hours: 30 }] } },
      ['body.people[0].hours'],
    ],
    [
      'a picture that is no hash',
      { ...good, kind: 'picture', body: { file: '../../etc', what: '' } },
      ['body.file'],
    ],
  ])('is refused with %s', (_what, document, where) => {
    expect(wheres(document)).toEqual(where);
  });
});
