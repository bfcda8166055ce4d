import { type Length, times, subtract, max } from '../../kernel/measure';
import type { Bar } from './bar';
import type { LyingByWall } from './corners';
import { type Setting, clearBetween } from './setting';

/** Horizontals that run into what goes through the wall. */
function throughInserts(bars: readonly Bar[], setting: Setting): void {
  const through = setting.inserts.placed.filter((insert) => insert.round || insert.kind === 'pocket');
  for (const insert of through) {
    const { rect } = insert;
    const hit = bars.find(
      (bar) =>
        bar.use === 'horizontal' &&
        bar.wall === insert.wall &&
        bar.from < rect.to &&
        rect.from < bar.to &&
        bar.bottom > rect.bottom &&
        bar.bottom < rect.top,
    );
    if (hit && hit.course !== null) {
      setting.problems.push({
        kind: 'bar-through',
        wall: insert.wall,
        course: hit.course,
        insert: insert.name,
      });
    }
  }
}

/** Courses with several bars that, lapped in pairs, are wider than the core or more than its slots. */
function congestion(lying: LyingByWall, setting: Setting): void {
  for (const own of setting.walls) {
    const crowded = (lying.get(own.wall.id) ?? []).find(({ course, slots, offsets, size }) => {
      const bars = offsets.length;
      if (bars < 2) return false;
      const rules = setting.rulesIn(own.wall.id, course);
      const apart = clearBetween(rules, size.diameter) + size.diameter;
      const inOrder = [...offsets].sort((a, b) => a - b);
      const near = inOrder.some((at, index) => index > 0 && at - (inOrder[index - 1] ?? 0) < apart);
      return near || new Set(slots).size < bars || 2 * bars > own.slots.length;
    });
    if (!crowded) continue;
    const { course, size } = crowded;
    const bars = crowded.offsets.length;
    const rules = setting.rulesIn(own.wall.id, course);
    setting.problems.push({
      kind: 'congested',
      wall: own.wall.id,
      course,
      bars,
      slots: own.slots.length,
      wants: (2 * bars * size.diameter + (bars - 1) * clearBetween(rules, size.diameter)) as Length,
      has: subtract(own.wall.core, times(rules.length('steel.cover.foam'), 2)),
    });
  }
}

/** Courses that want a bar and got none: openings take them whole, or what is left is too short. */
function emptyCourses(bars: readonly Bar[], lying: LyingByWall, setting: Setting): void {
  const filled = new Set(
    bars.flatMap((bar) => (bar.use === 'horizontal' ? [`${bar.wall}:${String(bar.course)}`] : [])),
  );
  for (const own of setting.walls) {
    for (const { course } of lying.get(own.wall.id) ?? []) {
      if (filled.has(`${own.wall.id}:${String(course)}`)) continue;
      setting.problems.push({ kind: 'course-without-bar', wall: own.wall.id, course });
    }
  }
}

/** Openings with nothing over their head, or no horizontal across under their sill. */
function roundOpenings(bars: readonly Bar[], setting: Setting): void {
  const lintels = bars.filter((bar) => bar.use.startsWith('lintel'));
  for (const own of setting.walls) {
    if (own.openings.length === 0) continue;
    const lying = bars.filter((bar) => bar.use === 'horizontal' && bar.wall === own.wall.id);
    for (const { id, concrete, openTop } of own.openings) {
      const told = setting.problems.some((each) => each.kind === 'no-lintel-room' && each.opening === id);
      // A lintel may be shared with the opening beside.
      const over = lintels.some(
        (bar) =>
          bar.wall === own.wall.id &&
          bar.from <= concrete.from &&
          bar.to >= concrete.to &&
          bar.bottom >= concrete.top,
      );
      if (!openTop && !over && !told) {
        setting.problems.push({ kind: 'nothing-over-head', opening: id, wall: own.wall.id });
      }
      const rules = setting.rulesIn(own.wall.id, 1);
      const foot = Math.min(
        ...(setting.levels.walls[own.wall.id] ?? [])
          .filter((span) => span.from < concrete.to && concrete.from < span.to)
          .map((span) => span.bottom),
      );
      // Less than a course of wall under a sill lies on the footing, and asks for no bar of its own.
      if (concrete.bottom - foot < setting.courses.courseHeight) continue;
      const within = rules.length('steel.sill.within');
      // A lap under the opening makes two bars of what runs across.
      const edges = [concrete.from, (concrete.from + concrete.to) / 2, concrete.to];
      const near = lying.filter(
        (bar) => bar.bottom < concrete.bottom && concrete.bottom - bar.bottom <= within,
      );
      const under = near.some(({ bottom }) =>
        edges.every((at) => near.some((bar) => bar.bottom === bottom && bar.from <= at && at <= bar.to)),
      );
      if (!under) {
        setting.problems.push({ kind: 'nothing-under-sill', opening: id, wall: own.wall.id, within });
      }
    }
  }
}

/** Stretches of a wall whose highest horizontal lies too far under their top. */
function lowTops(bars: readonly Bar[], setting: Setting): void {
  for (const own of setting.walls) {
    const lying = bars.filter((bar) => bar.use === 'horizontal' && bar.wall === own.wall.id);
    const most = setting.rulesIn(own.wall.id, 1).length('steel.top.within');
    for (const { from, to, top } of setting.levels.walls[own.wall.id] ?? []) {
      const across = lying.filter((bar) => bar.from < to && from < bar.to && bar.bottom < top);
      // A stretch that openings take whole is told by its courses.
      if (across.length === 0) continue;
      const below = subtract(top, max(...across.map((bar) => bar.bottom)));
      if (below <= most) continue;
      setting.problems.push({ kind: 'top-bar-low', wall: own.wall.id, below, most });
      break;
    }
  }
}

/** What is to be said of bars once they lie: sleeves in their way, no room beside each other, and places left without. */
export function judgePlaced(bars: readonly Bar[], lying: LyingByWall, setting: Setting): void {
  if (setting.courses.count === 0) return;
  throughInserts(bars, setting);
  congestion(lying, setting);
  emptyCourses(bars, lying, setting);
  lowTops(bars, setting);
  roundOpenings(bars, setting);
}
