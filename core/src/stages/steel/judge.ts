import { type Length, times, subtract, max } from '../../kernel/measure';
import type { Bar, SteelProblem } from './bar';
import type { LyingByWall } from './corners';
import type { Lying } from './lying';
import { type Setting, type SteelWall, clearBetween } from './setting';

/** A wall with its bars: what is to be said of them once they lie. */
interface Laid {
  readonly own: SteelWall;
  /** Its horizontals, and its lintels. */
  readonly lying: readonly Bar[];
  readonly lintels: readonly Bar[];
  readonly setting: Setting;
}

/** Horizontals that run into what goes through the wall. */
const throughInserts = ({ own, lying }: Laid): readonly SteelProblem[] =>
  own.inserts
    .filter((insert) => insert.round || insert.kind === 'pocket')
    .flatMap(({ rect, name }): readonly SteelProblem[] => {
      const hit = lying.find(
        (bar) =>
          bar.from < rect.to && rect.from < bar.to && bar.bottom > rect.bottom && bar.bottom < rect.top,
      );
      return hit && hit.course !== null
        ? [{ kind: 'bar-through', wall: own.wall.id, course: hit.course, insert: name }]
        : [];
    });

/** A course with several bars that, lapped in pairs, are wider than the core or more than its slots; the lowest of them. */
function congestion({ own, setting }: Laid, lying: readonly Lying[]): readonly SteelProblem[] {
  const crowded = lying.find(({ course, slots, offsets, size }) => {
    const bars = offsets.length;
    if (bars < 2) return false;
    const rules = setting.rulesIn(own.wall.id, course);
    const apart = clearBetween(rules, size.diameter) + size.diameter;
    const inOrder = [...offsets].sort((a, b) => a - b);
    const near = inOrder.some((at, index) => index > 0 && at - (inOrder[index - 1] ?? 0) < apart);
    return near || new Set(slots).size < bars || 2 * bars > own.slots.length;
  });
  if (!crowded) return [];
  const { course, size } = crowded;
  const bars = crowded.offsets.length;
  const rules = setting.rulesIn(own.wall.id, course);
  return [
    {
      kind: 'congested',
      wall: own.wall.id,
      course,
      bars,
      slots: own.slots.length,
      wants: (2 * bars * size.diameter + (bars - 1) * clearBetween(rules, size.diameter)) as Length,
      has: subtract(own.wall.core, times(rules.length('steel.cover.foam'), 2)),
    },
  ];
}

/** Courses that want a bar and got none: openings take them whole, or what is left is too short. */
function emptyCourses({ own, lying }: Laid, wanted: readonly Lying[]): readonly SteelProblem[] {
  const filled = new Set(lying.map(({ course }) => course));
  return wanted
    .filter(({ course }) => !filled.has(course))
    .map(({ course }) => ({ kind: 'course-without-bar', wall: own.wall.id, course }));
}

/** Openings with nothing over their head, or no horizontal across under their sill. */
const roundOpenings = ({ own, lying, lintels, setting }: Laid): readonly SteelProblem[] =>
  own.openings.flatMap(({ id, concrete, openTop }): readonly SteelProblem[] => {
    // A lintel may be shared with the opening beside.
    const over = lintels.some(
      (bar) => bar.from <= concrete.from && bar.to >= concrete.to && bar.bottom >= concrete.top,
    );
    const bare: readonly SteelProblem[] =
      openTop || over ? [] : [{ kind: 'nothing-over-head', opening: id, wall: own.wall.id }];
    const foot = Math.min(
      ...own.spans
        .filter((span) => span.from < concrete.to && concrete.from < span.to)
        .map((span) => span.bottom),
    );
    // Less than a course of wall under a sill lies on the footing, and asks for no bar of its own.
    if (concrete.bottom - foot < setting.courses.courseHeight) return bare;
    const within = setting.rulesIn(own.wall.id, 1).length('steel.sill.within');
    // A lap under the opening makes two bars of what runs across.
    const edges = [concrete.from, (concrete.from + concrete.to) / 2, concrete.to];
    const near = lying.filter(
      (bar) => bar.bottom < concrete.bottom && concrete.bottom - bar.bottom <= within,
    );
    const under = near.some(({ bottom }) =>
      edges.every((at) => near.some((bar) => bar.bottom === bottom && bar.from <= at && at <= bar.to)),
    );
    return under ? bare : [...bare, { kind: 'nothing-under-sill', opening: id, wall: own.wall.id, within }];
  });

/** A stretch of a wall whose highest horizontal lies too far under its top; the first of them. */
function lowTop({ own, lying, setting }: Laid): readonly SteelProblem[] {
  const most = setting.rulesIn(own.wall.id, 1).length('steel.top.within');
  const low = own.spans.flatMap(({ from, to, top }) => {
    const across = lying.filter((bar) => bar.from < to && from < bar.to && bar.bottom < top);
    // A stretch that openings take whole is told by its courses.
    if (across.length === 0) return [];
    const below = subtract(top, max(...across.map((bar) => bar.bottom)));
    return below > most ? [below] : [];
  });
  return low.slice(0, 1).map((below) => ({ kind: 'top-bar-low', wall: own.wall.id, below, most }));
}

/**
 * What is to be said of bars once they lie: sleeves in their way, no room beside each other, and places left without.
 *
 * @param told what was said while they were laid: an opening that has no room for a lintel is not told again
 */
export function judgePlaced(
  bars: readonly Bar[],
  lying: LyingByWall,
  setting: Setting,
  told: readonly SteelProblem[],
): readonly SteelProblem[] {
  const byWall = new Map<string, { readonly lying: Bar[]; readonly lintels: Bar[] }>();
  for (const { wall } of setting.walls) byWall.set(wall.id, { lying: [], lintels: [] });
  for (const bar of bars) {
    const own = byWall.get(bar.wall);
    if (bar.use === 'horizontal') own?.lying.push(bar);
    else if (bar.use === 'lintel bottom' || bar.use === 'lintel top') own?.lintels.push(bar);
  }
  const laid = setting.walls.map((own): Laid => ({
    own,
    setting,
    ...(byWall.get(own.wall.id) ?? { lying: [], lintels: [] }),
  }));
  const wanted = ({ own }: Laid): readonly Lying[] => lying.get(own.wall.id) ?? [];
  const noRoom = new Set(told.flatMap((each) => (each.kind === 'no-lintel-room' ? [each.opening] : [])));
  return [
    ...laid.flatMap(throughInserts),
    ...laid.flatMap((wall) => congestion(wall, wanted(wall))),
    ...laid.flatMap((wall) => emptyCourses(wall, wanted(wall))),
    ...laid.flatMap(lowTop),
    ...laid
      .flatMap(roundOpenings)
      .filter((each) => each.kind !== 'nothing-over-head' || !noRoom.has(each.opening)),
  ];
}
