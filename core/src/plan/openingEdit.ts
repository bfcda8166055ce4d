import type { UnitSystem } from '../measure';
import type { BuckFigures, BuckKind, Insert, Opening, Threshold } from './opening';
import type { Plan } from './plan';
import { storedLengthText } from './storedText';

/** What may be set on an opening; null takes it off again. Setting a sill takes the head off, and the other way about. */
export type OpeningChange = {
  readonly [Key in keyof Omit<Opening, 'id'>]?: Opening[Key] | null;
};

/** What may be set on an insert; null takes it off again. */
export type InsertChange = {
  readonly [Key in keyof Omit<Insert, 'id'>]?: Insert[Key] | null;
};

/** What may be set on a buck's material; null goes back to the usual figure. */
export type BuckChange = { readonly [Key in keyof BuckFigures]?: string | null };

/** Fields of openings, inserts and bucks that hold a length. */
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
const NEEDED: ReadonlySet<string> = new Set(['at', 'width', 'up']);

/** Lengths in their stored form, what is null or empty taken off. */
function stored<Thing extends object>(thing: Thing, units: UnitSystem, needed = NEEDED): Thing {
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

const storedThreshold = (threshold: Threshold, units: UnitSystem): Threshold =>
  threshold.depth === undefined ? threshold : stored(threshold, units, new Set());

/** An opening with a change on it, lengths in their stored form. */
export function changeOpening(opening: Opening, change: OpeningChange, units: UnitSystem): Opening {
  const given = (text: string | null | undefined): boolean => typeof text === 'string' && text !== '';
  const next = {
    ...opening,
    ...change,
    ...(given(change.sill) ? { head: null } : {}),
    ...(given(change.head) ? { sill: null } : {}),
    ...(change.threshold ? { threshold: storedThreshold(change.threshold, units) } : {}),
  };
  return stored(next as Opening, units, new Set([...NEEDED, 'height']));
}

export const changeInsert = (insert: Insert, change: InsertChange, units: UnitSystem): Insert =>
  stored({ ...insert, ...change } as Insert, units);

/** The plan's own figures of one buck's material changed; with none left they go. */
export function changeBuck(plan: Plan, buck: BuckKind, change: BuckChange): Plan {
  const figures = stored({ ...plan.bucks?.[buck], ...change } as BuckFigures, plan.units, new Set());
  const others = Object.entries(plan.bucks ?? {}).filter(([kind]) => kind !== buck);
  const bucks = Object.fromEntries([
    ...others,
    ...(Object.keys(figures).length === 0 ? [] : [[buck, figures] as const]),
  ]) as NonNullable<Plan['bucks']>;
  return Object.keys(bucks).length === 0 ? withoutKey(plan, 'bucks') : { ...plan, bucks };
}

/** A thing without one of its parts. */
export const withoutKey = <Thing extends object, Key extends keyof Thing>(
  thing: Thing,
  key: Key,
): Omit<Thing, Key> =>
  Object.fromEntries(Object.entries(thing).filter(([each]) => each !== key)) as Omit<Thing, Key>;

/** A list of things in the plan with one of them changed. */
export const changedIn = <Thing extends { readonly id: string }>(
  list: readonly Thing[] | undefined,
  id: string,
  change: (thing: Thing) => Thing,
): readonly Thing[] => (list ?? []).map((each) => (each.id === id ? change(each) : each));
