import { z } from 'zod';
import { type DocumentProblem, isObject, problemsOf } from '../forms';
import { type EntryBody, type EntryKind, ENTRY_BODIES } from './bodies';

/** Where on the job an entry belongs; ids of the plan, which may have gone since. */
export interface EntryPlace {
  readonly wall?: string | undefined;
  readonly course?: number | undefined;
  /** From the wall’s first corner, as it was typed. */
  readonly station?: string | undefined;
  readonly opening?: string | undefined;
}

interface EntryFrame {
  /** Made where the entry was written, and its own for ever: the same entry sent twice is one. */
  readonly id: string;
  /** When it was written, by the clock of the device, with its offset from UTC: `2026-12-01T14:05:00-05:00`. */
  readonly at: string;
  readonly who: string;
  readonly place?: EntryPlace | undefined;
  /** The entry that this one takes the place of. */
  readonly corrects?: string | undefined;
}

/** An entry of one kind. */
export type EntryOf<Kind extends EntryKind> = EntryFrame & {
  readonly kind: Kind;
  readonly body: EntryBody<Kind>;
};

/** One line of the site’s log. It is never changed: a correction is another entry that names it. */
export type Entry = { [Kind in EntryKind]: EntryOf<Kind> }[EntryKind];

/** Entries that are sent at once at most. */
export const MOST_ENTRIES = 500;

const ID = /^[\w-]{1,60}$/;

const frame = {
  id: z.string().regex(ID),
  at: z.iso.datetime({ offset: true }),
  who: z.string().max(80),
  place: z
    .strictObject({
      wall: z.string().max(60).optional(),
      course: z.number().int().min(1).max(200).optional(),
      station: z.string().max(40).optional(),
      opening: z.string().max(60).optional(),
    })
    .optional(),
  corrects: z.string().regex(ID).optional(),
};

const schemas = Object.entries(ENTRY_BODIES).map(([kind, body]) =>
  z.strictObject({ ...frame, kind: z.literal(kind), body }),
);

/** The schema of an entry: one shape for each kind. */
const ENTRY_SCHEMA = z.discriminatedUnion('kind', schemas as [(typeof schemas)[number], ...typeof schemas]);

/** The JSON Schema of an entry. */
export const entryJsonSchema = (): Record<string, unknown> => z.toJSONSchema(ENTRY_SCHEMA);

type EntryReading =
  | { readonly ok: true; readonly entry: Entry }
  | { readonly ok: false; readonly problems: readonly DocumentProblem[] };

/**
 * Reads one entry, or says what is wrong and where.
 *
 * @example readEntry({ id: 'a', at: '2026-12-01T14:05:00-05:00', who: 'Ida', kind: 'note', body: { what: 'Rain' } }).ok // true
 */
export function readEntry(document: unknown): EntryReading {
  if (!isObject(document)) {
    return {
      ok: false,
      problems: [{ where: 'the entry', what: 'An entry is a JSON object; this is something else.' }],
    };
  }
  const kind = document['kind'];
  if (typeof kind !== 'string' || !Object.hasOwn(ENTRY_BODIES, kind)) {
    return {
      ok: false,
      problems: [
        {
          where: 'kind',
          what: `There is no kind of entry “${String(kind).slice(0, 40)}”; it is one of ${Object.keys(ENTRY_BODIES).join(', ')}.`,
        },
      ],
    };
  }
  const parsed = ENTRY_SCHEMA.safeParse(document, { reportInput: true });
  return parsed.success
    ? { ok: true, entry: parsed.data as unknown as Entry }
    : { ok: false, problems: problemsOf(parsed.error, 'the entry') };
}
