import fc from 'fast-check';
import type { Entry, EntryBody, EntryKind, EntryOf } from '../../src/kernel/record';

let made = 0;

/** An entry of a kind, written at an hour of March 2027. */
export function entryOf<Kind extends EntryKind>(
  kind: Kind,
  body: EntryBody<Kind>,
  frame: Partial<Omit<EntryOf<Kind>, 'kind' | 'body'>> = {},
): EntryOf<Kind> {
  made += 1;
  return { id: `e${String(made)}`, at: '2027-03-02T15:00:00-05:00', who: 'Ida', kind, body, ...frame };
}

/** Work on an item; what is left out is a whole course of 100 man-minutes that nobody counted. */
export const workOn = (
  item: string,
  body: Partial<EntryBody<'work'>> = {},
  frame: Partial<Omit<EntryOf<'work'>, 'kind' | 'body'>> = {},
): EntryOf<'work'> =>
  entryOf(
    'work',
    {
      day: '2027-03-02',
      item,
      kind: item.split(':')[0] ?? '',
      name: item,
      share: 1,
      quantity: { unit: 'm2', value: 10 },
      manMinutes: null,
      planned: 100,
      rates: { 'days.rate.wall': 20 },
      ...body,
    },
    frame,
  );

/** Logs of several devices: notes, work, readings, corrections of any of them, some of what never came. */
export const anyLog: fc.Arbitrary<readonly Entry[]> = fc
  .array(
    fc.record({
      minute: fc.integer({ min: 0, max: 5 }),
      zone: fc.constantFrom('Z', '-05:00', '+09:30'),
      what: fc.constantFrom('note', 'work', 'withdrawn', 'pulled', 'hold', 'tick', 'relaid'),
      corrects: fc.option(fc.integer({ min: 0, max: 14 }), { nil: undefined, freq: 2 }),
      course: fc.integer({ min: 1, max: 3 }),
    }),
    { maxLength: 12 },
  )
  .map((drafts) =>
    drafts.map(({ minute, zone, what, corrects, course }, index): Entry => {
      const frame = {
        id: `x${String(index)}`,
        at: `2027-03-02T15:0${String(minute)}:00${zone}`,
        ...(corrects === undefined ? {} : { corrects: `x${String(corrects)}` }),
      };
      const wall = `w${String(course)}`;
      switch (what) {
        case 'work':
          return workOn(
            `course:${String(course)}`,
            {
              rows: [{ course, wall, length: 1, thickness: 1, stands: [], blocks: [], corners: [] }],
              manMinutes: minute,
            },
            frame,
          );
        case 'withdrawn':
          return entryOf('withdrawn', { why: '' }, frame);
        case 'pulled':
          return entryOf('pulled', { wall, course, length: `${String(index)}in` }, frame);
        case 'hold':
          return entryOf('hold', { point: wall, name: wall, lines: [frame.id], by: 'Ida', word: '' }, frame);
        case 'tick':
          return entryOf('tick', { point: wall, line: 'a', what: frame.id, done: minute > 2 }, frame);
        case 'relaid':
          return entryOf('relaid', { rows: [{ course, wall }], why: '' }, frame);
        default:
          return entryOf('note', { what: frame.id }, frame);
      }
    }),
  );
