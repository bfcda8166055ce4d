import { dequal } from 'dequal';

/** Where in a plan something stands: keys of objects, and ids of things in lists. */
export type PlanPath = readonly string[];

/** A place that two people changed, each otherwise. */
export interface Clash {
  readonly path: PlanPath;
  /** What each made of it; undefined where they took it away. */
  readonly mine: unknown;
  readonly theirs: unknown;
}

export type Side = 'mine' | 'theirs';

/** Two plans that were made of one, brought together. */
export interface Merge<Value> {
  /** With mine wherever both changed the same, unless it was chosen otherwise. */
  readonly merged: Value;
  /** Empty where nobody has to be asked. */
  readonly clashes: readonly Clash[];
}

type Fields = Readonly<Record<string, unknown>>;
interface Thing extends Fields {
  readonly id: string;
}

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isThings = (value: unknown): value is readonly Thing[] =>
  Array.isArray(value) &&
  value.every((each) => isFields(each) && typeof each['id'] === 'string') &&
  new Set(value.map((each: Thing) => each.id)).size === value.length;

/** Two of another kind have nothing in common that could be taken from each. */
const sameKind = (a: Fields, b: Fields): boolean => a['kind'] === b['kind'];

/** Lists whose things hang together so that two cannot add to it, each without the other: the walk round a building. */
const AS_ONE = new Set(['walk']);

/** Key under which the order of a list is asked about; no thing has it for an id. */
const ORDER = '\u0000order';

interface Ask {
  readonly clash: (path: PlanPath, mine: unknown, theirs: unknown) => unknown;
}

const idsOf = (list: readonly Thing[]): readonly string[] => list.map(({ id }) => id);

/** Whether the ids that two lists share stand in one order in both. */
function sameOrder(a: readonly string[], b: readonly string[]): boolean {
  const [inA, inB] = [new Set(a), new Set(b)];
  const [ownA, ownB] = [a.filter((id) => inB.has(id)), b.filter((id) => inA.has(id))];
  return ownA.every((id, index) => ownB[index] === id);
}

/** Puts what another order has besides behind what it follows there. */
function woven(
  order: readonly string[],
  other: readonly string[],
  keep: ReadonlySet<string>,
): readonly string[] {
  const made = order.filter((id) => keep.has(id));
  const there = new Set(made);
  let behind = -1;
  for (const id of other) {
    if (!keep.has(id)) continue;
    if (there.has(id)) behind = made.indexOf(id);
    else {
      made.splice(++behind, 0, id);
      there.add(id);
    }
  }
  return made;
}

interface Three<Value> {
  readonly base: Value;
  readonly mine: Value;
  readonly theirs: Value;
}

function mergeThings({ base, mine, theirs }: Three<readonly Thing[]>, path: PlanPath, ask: Ask): unknown {
  const at = { base: byId(base), mine: byId(mine), theirs: byId(theirs) };
  const kept = new Map<string, unknown>();
  for (const id of new Set([...idsOf(theirs), ...idsOf(mine)])) {
    const merged = mergeValue(
      { base: at.base.get(id), mine: at.mine.get(id), theirs: at.theirs.get(id) },
      [...path, id],
      ask,
    );
    if (merged !== undefined) kept.set(id, merged);
  }
  const [was, ours, others] = [idsOf(base), idsOf(mine), idsOf(theirs)];
  const keep = new Set(kept.keys());
  const [moved, othersMoved] = [!sameOrder(was, ours), !sameOrder(was, others)];
  const first = (): Side =>
    moved && othersMoved && !sameOrder(ours, others)
      ? (ask.clash([...path, ORDER], 'mine', 'theirs') as Side)
      : moved
        ? 'mine'
        : 'theirs';
  const order = first() === 'mine' ? woven(ours, others, keep) : woven(others, ours, keep);
  return order.map((id) => kept.get(id));
}

const byId = (list: readonly Thing[]): ReadonlyMap<string, Thing> =>
  new Map(list.map((each) => [each.id, each]));

function mergeFields({ base, mine, theirs }: Three<Fields>, path: PlanPath, ask: Ask): Fields {
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const value = mergeValue({ base: base[key], mine: mine[key], theirs: theirs[key] }, [...path, key], ask);
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

/** Whether two people added to a list or took from it, each otherwise. */
const bothChanged = ({ base, mine, theirs }: Three<readonly Thing[]>): boolean => {
  const [was, ours, others] = [idsOf(base), idsOf(mine), idsOf(theirs)];
  return !dequal(was, ours) && !dequal(was, others) && !dequal(ours, others);
};

function mergeValue({ base, mine, theirs }: Three<unknown>, path: PlanPath, ask: Ask): unknown {
  if (dequal(mine, theirs) || dequal(base, theirs)) return mine;
  if (dequal(base, mine)) return theirs;
  if (isFields(mine) && isFields(theirs) && sameKind(mine, theirs)) {
    // What both made anew is taken together only where each was made of the same.
    if (isFields(base) ? sameKind(base, mine) : base === undefined)
      return mergeFields({ base: isFields(base) ? base : {}, mine, theirs }, path, ask);
  }
  const lists = { base: base ?? [], mine: mine ?? [], theirs: theirs ?? [] };
  if (isThings(lists.base) && isThings(lists.mine) && isThings(lists.theirs)) {
    const things = { base: lists.base, mine: lists.mine, theirs: lists.theirs };
    if (!(AS_ONE.has(path.at(-1) ?? '') && bothChanged(things))) return mergeThings(things, path, ask);
  }
  return ask.clash(path, mine, theirs);
}

/** Names a path under which a choice is kept. */
export const clashKey = (path: PlanPath): string => path.join('\u0001');

/**
 * Brings together what two people made of one plan, field by field: what only one of them changed is taken from that one; what both
 * changed alike is taken once; what both changed otherwise is asked about. Nothing that either added is lost.
 *
 * Lists of things with ids are merged by these, and keep the order of whoever changed it. The walk round a building is taken from
 * one side where both added walls to it or took some away.
 *
 * @param base what both began with
 * @param choices which side is taken where both changed the same, by `clashKey`; mine where left out
 * @example mergePlans({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).merged // { a: 2, b: 3 }
 */
export function mergePlans<Value extends object>(
  base: Value,
  mine: Value,
  theirs: Value,
  choices: Readonly<Record<string, Side>> = {},
): Merge<Value> {
  const clashes: Clash[] = [];
  const merged = mergeValue({ base, mine, theirs }, [], {
    clash: (path, ours, others) => {
      clashes.push({ path, mine: ours, theirs: others });
      return choices[clashKey(path)] === 'theirs' ? others : ours;
    },
  }) as Value;
  return { merged, clashes };
}

/** What things are called that have no name of their own. */
const ONE_OF: Readonly<Record<string, string>> = {
  loops: 'outline',
  walk: 'wall',
  openings: 'opening',
  inserts: 'insert',
  pours: 'pour',
  shots: 'shot',
  pulls: 'pull',
  zones: 'zone',
  sides: 'side pour',
};

/**
 * A place of a plan in words: `opening Door, width`, `outline 1, wall 3, length`, `rules, days.rate.wall`.
 *
 * @param plan one in which the place is found; things that are gone from it are counted as the last
 * @param nameOf what a thing is called on screen, by its id; undefined where it has no name there
 */
export function placeName(
  plan: object,
  path: PlanPath,
  nameOf: (id: string) => string | undefined = () => undefined,
): string {
  const words: string[] = [];
  let at: unknown = plan;
  let list = '';
  for (const key of path) {
    if (key === ORDER) words.push('order');
    else if (isThings(at) && list !== '') {
      const index = at.findIndex(({ id }) => id === key);
      const thing = at[index];
      const own = typeof thing?.['name'] === 'string' && thing['name'] !== '' ? thing['name'] : null;
      const name = nameOf(key) ?? own;
      // The only one of a job needs no number.
      if (name !== null || at.length > 1 || list !== 'loops')
        words.push(`${ONE_OF[list] ?? list} ${name ?? String((index < 0 ? at.length : index) + 1)}`);
      at = thing;
      continue;
    } else if (ONE_OF[key] === undefined) words.push(key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase());
    else if (key === path.at(-1)) words.push(key === 'walk' ? 'walls' : key);
    list = key;
    at = isFields(at) ? at[key] : undefined;
  }
  return words.join(', ');
}
