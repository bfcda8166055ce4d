import type { UnitSystem } from '../measure';
import { storedLengthText } from './storedText';

/** Fields of things on a wall that hold a length. */
export const LENGTH_FIELDS: ReadonlySet<string> = new Set([
  'at',
  'width',
  'height',
  'sill',
  'head',
  'rise',
  'up',
  'size',
  'depth',
  'length',
  'spacing',
  'fall',
  'thickness',
  'stock',
  'kerf',
]);
/** Lengths that a thing cannot be without; emptied, they stay as an empty text and are asked for. */
export const NEEDED: ReadonlySet<string> = new Set(['at', 'width', 'up']);

/** Lengths in their stored form, what is null or empty taken off. */
export function storedThing<Thing extends object>(thing: Thing, units: UnitSystem, needed = NEEDED): Thing {
  const entries = Object.entries(thing).map(([key, value]: [string, unknown]) =>
    typeof value === 'string' && LENGTH_FIELDS.has(key)
      ? ([key, storedLengthText(value, units)] as const)
      : ([key, value] as const),
  );
  return Object.fromEntries(
    entries.filter(
      ([key, value]) => value !== null && value !== undefined && (value !== '' || needed.has(key)),
    ),
  ) as Thing;
}

/** A list of things in the plan with one of them changed. */
export const changedIn = <Thing extends { readonly id: string }>(
  list: readonly Thing[] | undefined,
  id: string,
  change: (thing: Thing) => Thing,
): readonly Thing[] => (list ?? []).map((each) => (each.id === id ? change(each) : each));
