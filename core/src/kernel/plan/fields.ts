import { z } from 'zod';
import type { UnitSystem } from '../measure';
import { storedLengthText } from './storedText';

/** The id of a thing. */
export const idField = z
  .string()
  .min(1)
  .max(60)
  .describe('Lasting id. May be left out of a hand-written file; one is given on reading.');

/** A length as text. */
export const lengthField = z
  .string()
  .max(60)
  .describe(
    'A length with its unit: "44ft 5 1/2in", "2400mm". Unreadable text is kept and reported, not refused.',
  );

/** Settings of rules, by their ids. */
export const rulesField = z.record(z.string().max(80), z.union([z.string().max(80), z.number()]));

/** Ids for rows that came without one, never one that another row already has. */
export function idGiver(prefix: string, taken: readonly (string | undefined)[]): () => string {
  const used = new Set(taken);
  let next = 0;
  return () => {
    let candidate: string;
    do candidate = `${prefix}-${String(++next)}`;
    while (used.has(candidate));
    return candidate;
  };
}

/** A length that already carries a unit is left as it is written; only bare numbers are pinned down. */
export function pinned(text: string, units: UnitSystem): string {
  return /^[\s\d.,]+$/.test(text) ? storedLengthText(text, units) : text;
}

/** Things with ids, their bare lengths pinned to the job's unit. */
export function withIds<Thing extends { readonly id?: string | undefined }>(
  list: readonly Thing[],
  prefix: string,
  pin: (thing: Thing) => object,
): readonly (Thing & { readonly id: string })[] {
  const give = idGiver(
    prefix,
    list.map((each) => each.id),
  );
  return list.map((each) => ({ ...(pin(each) as Thing), id: each.id ?? give() }));
}

/** A thing with the bare lengths in the given fields pinned to the job's unit, however deep they lie. */
export function pinLengths(thing: object, fields: ReadonlySet<string>, units: UnitSystem): object {
  return Object.fromEntries(
    Object.entries(thing).map(([key, value]: [string, unknown]) => {
      if (typeof value === 'string' && fields.has(key)) return [key, pinned(value, units)];
      return [key, typeof value === 'object' && value !== null ? pinLengths(value, fields, units) : value];
    }),
  );
}
