import type { Worked } from '../../kernel/engine/stage';
import { type Length, add, inches, subtract, max, min, nanometres } from '../../kernel/measure';
import { type Rect, overlap } from '../openings';
import { takenByCorner } from '../outline';
import type { HouseRules } from '../../kernel/rules';
import { behind } from './behind';
import type { Inserts, PlacedInsert } from './placeInserts';
import type { InsertProblem } from './problem';
import { isRun } from './run';

/** What an insert takes out of the wall: itself, or each of its anchors or plates, along the wall in order. */
function spotsOf(insert: PlacedInsert): readonly Rect[] {
  if (insert.fixings.length === 0) return [insert.rect];
  const half = inches(0.5);
  return insert.fixings
    .map(({ at, up }) => ({
      from: subtract(at, half),
      to: add(at, half),
      bottom: subtract(up, half),
      top: add(up, half),
    }))
    .sort((a, b) => a.from - b.from);
}

/** Clear distance between two rectangles: the greater of the two ways to pass between them; negative where they overlap. */
const clearBetween = (a: Rect, b: Rect): Length =>
  max(subtract(a.from, b.to), subtract(b.from, a.to), subtract(a.bottom, b.top), subtract(b.bottom, a.top));

/** The least clear distance between two rows of spots; infinite between far ones. Both run along the wall in order. */
function leastBetween(these: readonly Rect[], those: readonly Rect[]): Length {
  let least = Infinity;
  let first = 0;
  for (const spot of these) {
    // What lies behind this spot by more than the least found lies behind all after it too.
    while (first < those.length && spot.from - (those[first] as Rect).to > least) first++;
    for (let index = first; index < those.length; index++) {
      const other = those[index] as Rect;
      if (other.from - spot.to > least) break;
      least = Math.min(least, clearBetween(spot, other));
    }
  }
  return least as Length;
}

/** Whether two inserts are in each other's way: those on one face, and whatever goes through or into the core. */
const share = (a: PlacedInsert, b: PlacedInsert): boolean =>
  a.round || b.round || (a.kind === 'pocket' && b.kind === 'pocket') || a.face === b.face;

/** Inserts that clash with openings, corners, joints between blocks and each other. */
export function clashesOf(
  inserts: Inserts,
  { openings, courses, shell }: Pick<Worked, 'openings' | 'courses' | 'shell'>,
  rules: HouseRules,
): readonly InsertProblem[] {
  const clear = rules.length('inserts.clear');
  const jointClear = rules.length('inserts.joint.clear');
  const problems: InsertProblem[] = [];
  const walls = new Map(
    shell.loops.flatMap(({ built }) =>
      built ? built.walls.map((wall) => [wall.id, { wall, built }] as const) : [],
    ),
  );
  const known = new Map<PlacedInsert, readonly Rect[]>();
  const spotsAt = (insert: PlacedInsert): readonly Rect[] => {
    const spots = known.get(insert) ?? spotsOf(insert);
    known.set(insert, spots);
    return spots;
  };
  for (const [index, insert] of inserts.placed.entries()) {
    const found = walls.get(insert.wall);
    if (!found) continue;
    const own = { insert: insert.id, name: insert.name, wall: insert.wall };
    const holes = openings.placed.filter((each) => each.wall === insert.wall && each.worked);
    const spots = spotsAt(insert);
    // A ledger's board may cross an opening: only its anchors need concrete.
    const within = holes.find((each) =>
      insert.fixings.length > 0
        ? spots.some((spot) => overlap(each.concrete, spot))
        : overlap(each.concrete, insert.rect),
    );
    if (within) problems.push({ kind: 'in-opening', ...own, opening: within.name });
    else {
      const near = holes
        .map((each) => ({
          each,
          left: min(...spots.map((spot) => clearBetween(spot, each.concrete))),
        }))
        .find(({ left }) => left < clear);
      if (near) problems.push({ kind: 'near-opening', ...own, opening: near.each.name, left: near.left });
    }
    // The nearest of those after it: a heap of inserts in one place is one notice each, not one a pair.
    let nearest: { readonly name: string; readonly left: Length } | null = null;
    for (const other of inserts.placed.slice(index + 1)) {
      if (other.wall !== insert.wall || !share(insert, other)) continue;
      if (clearBetween(insert.rect, other.rect) >= Math.min(clear, nearest?.left ?? clear)) continue;
      const left = leastBetween(spots, spotsAt(other));
      if (left < (nearest?.left ?? clear)) nearest = { name: other.name, left };
    }
    if (nearest) problems.push({ kind: 'near-insert', ...own, other: nearest.name, left: nearest.left });
    if (isRun(insert.kind) || insert.kind === 'hold-down') continue;
    const { wall, built } = found;
    const atStart = subtract(insert.rect.from, takenByCorner(built, wall, true));
    const atEnd = subtract(subtract(wall.length, takenByCorner(built, wall, false)), insert.rect.to);
    if (atStart < clear) problems.push({ kind: 'near-corner', ...own, corner: wall.from, left: atStart });
    if (atEnd < clear) problems.push({ kind: 'near-corner', ...own, corner: wall.to, left: atEnd });
    const joint = behind(courses, wall, insert.rect).joints.find(
      ({ at }) => at > insert.rect.from - jointClear && at < insert.rect.to + jointClear,
    );
    if (joint) {
      const middle = (insert.rect.from + insert.rect.to) / 2;
      const half = (insert.rect.to - insert.rect.from) / 2;
      problems.push({
        kind: 'on-joint',
        ...own,
        ...joint,
        // How far it would have to move to keep clear of it.
        off: nanometres(half + jointClear - Math.abs(joint.at - middle)),
      });
    }
  }
  return problems;
}
