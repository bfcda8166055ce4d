const isList = Array.isArray;

/**
 * New data with every part that is the same as before replaced by what was there before: what did not change stays identical, so
 * that it can be told by identity. Entries of a list that carry an `id` are known by it, wherever they stand now. What it is given is
 * its to keep: parts of `next` are exchanged in place.
 *
 * @param before the same data as it was; anything, where there was none
 * @param next plain data, freshly made
 * @returns `before` itself where the two are equal
 * @example share(before, { ...before, name: 'Barn' }).loops === before.loops // true
 */
export function share<Data>(before: unknown, next: Data): Data {
  return shared(before, next) as Data;
}

function shared(before: unknown, next: unknown): unknown {
  if (before === next || typeof next !== 'object' || typeof before !== 'object') return next;
  if (next === null || before === null) return next;
  if (isList(next)) return isList(before) ? sharedList(before, next) : next;
  return isList(before) ? next : sharedThing(before as Holder, next as Holder);
}

type Holder = Record<string, unknown>;

/** What an entry of a list is known by; undefined where it has no name. */
const idOf = (entry: unknown): unknown =>
  typeof entry === 'object' && entry !== null ? (entry as Holder)['id'] : undefined;

function sharedList(before: readonly unknown[], next: unknown[]): unknown {
  let same = before.length === next.length;
  let byId: Map<unknown, unknown> | undefined;
  for (let index = 0; index < next.length; index++) {
    let was = before[index];
    const is = next[index];
    if (was === is) continue;
    const id = idOf(is);
    if (id !== undefined && id !== idOf(was)) {
      same = false;
      byId ??= new Map(before.map((each) => [idOf(each), each]));
      was = byId.get(id);
    }
    if (typeof is !== 'object' || is === null) {
      if (!Object.is(was, is)) same = false;
      continue;
    }
    if (shared(was, is) === was) next[index] = was;
    else same = false;
  }
  return same ? before : next;
}

function sharedThing(before: Holder, next: Holder): unknown {
  let same = true;
  let keys = 0;
  for (const key in next) {
    keys++;
    const was = before[key];
    const is = next[key];
    if (was === is) {
      if (is === undefined && !(key in before)) same = false;
      continue;
    }
    if (typeof is !== 'object' || is === null) {
      if (!Object.is(was, is)) same = false;
      continue;
    }
    if (shared(was, is) === was) next[key] = was;
    else same = false;
  }
  if (!same) return next;
  return keys === Object.keys(before).length ? before : next;
}
