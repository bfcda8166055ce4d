import { share } from './share';

/**
 * What has changed between two states of plain data: the new data where it is another kind of thing, otherwise the changes of
 * its entries. It is plain data itself, and can be sent.
 */
export type Patch =
  | { readonly set: unknown }
  | {
      readonly entries: readonly (readonly [key: string, patch: Patch])[];
      /** Entries that are gone. */
      readonly gone?: readonly string[];
      /** Of a list: how long it is now. */
      readonly length?: number;
    };

type Holder = Readonly<Record<string, unknown>>;

const isHolder = (value: unknown): value is Holder => typeof value === 'object' && value !== null;

/**
 * What to change in one state to have another. Parts that are the same object in both are not looked into, so data that was
 * shared (see `share`) is compared in the time that its changes take.
 *
 * @returns null where nothing has changed
 * @example patchOf({ a: 1, b: 2 }, { a: 1, b: 3 }) // { entries: [['b', { set: 3 }]] }
 */
export function patchOf(before: unknown, now: unknown): Patch | null {
  if (Object.is(before, now)) return null;
  if (!isHolder(before) || !isHolder(now) || Array.isArray(before) !== Array.isArray(now)) {
    return { set: now };
  }
  const entries: (readonly [string, Patch])[] = [];
  for (const [key, value] of Object.entries(now)) {
    const patch = Object.hasOwn(before, key) ? patchOf(before[key], value) : { set: value };
    if (patch) entries.push([key, patch]);
  }
  if (Array.isArray(now) && Array.isArray(before)) {
    // A list that is mostly another is shorter told as a whole.
    if (entries.length * 2 > now.length) return { set: now };
    if (entries.length === 0 && now.length === before.length) return null;
    return { entries, length: now.length };
  }
  const gone = Object.keys(before).filter((key) => !Object.hasOwn(now, key));
  if (entries.length === 0 && gone.length === 0) return null;
  return gone.length === 0 ? { entries } : { entries, gone };
}

/**
 * The state that a patch makes of another, which stays as it is. Parts that the patch does not touch are the same objects as
 * before.
 *
 * @example patched({ a: 1, b: 2 }, { entries: [['b', { set: 3 }]] }) // { a: 1, b: 3 }
 */
export function patched(before: unknown, patch: Patch | null): unknown {
  if (!patch) return before;
  // What was sent as a whole may still hold much of what was there.
  if ('set' in patch) return share(before, patch.set);
  if (Array.isArray(before)) {
    const list: unknown[] = before.slice(0, patch.length);
    for (const [key, each] of patch.entries) {
      list[Number(key)] = patched(before[Number(key)], each);
    }
    return list;
  }
  const old = before as Holder;
  const changed = patch.entries.map(
    ([key, each]) => [key, patched(Object.hasOwn(old, key) ? old[key] : undefined, each)] as const,
  );
  const kept = patch.gone
    ? Object.entries(old).filter(([key]) => !patch.gone?.includes(key))
    : Object.entries(old);
  return Object.fromEntries([...kept, ...changed]);
}
