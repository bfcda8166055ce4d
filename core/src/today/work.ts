import type { EntryBody } from '../kernel/record';
import type { HouseRules } from '../kernel/rules';
import { rowOnSite } from '../stages/courses';
import { openBefore, quantityOfShare, ratesOfItem } from '../stages/days';
import type { CourseRow } from '../stages/courses';
import type { TodayGround } from './card';

/** Walls of a course, each with its face in square nanometres: what of it stands is weighed by that. */
export function facesOf(rows: readonly CourseRow[], course: number): ReadonlyMap<string, number> {
  const faces = new Map<string, number>();
  for (const row of rows) {
    if (row.course !== course) continue;
    faces.set(row.wall, (faces.get(row.wall) ?? 0) + (row.to - row.from) * (row.top - row.bottom));
  }
  return faces;
}

/**
 * What the log says of a wall that was laid in a course as it is planned; null where the plan has no such thing. Nobody counted the
 * hours.
 *
 * @param day `2027-04-14`
 */
export function workOnWall(
  ground: TodayGround,
  rules: HouseRules,
  { wall, course, day }: { readonly wall: string; readonly course: number; readonly day: string },
): EntryBody<'work'> | null {
  const id = `course:${String(course)}`;
  const item = ground.days.items.find((each) => each.id === id);
  const faces = facesOf(ground.courses.rows, course);
  const all = [...faces.values()].reduce((sum, face) => sum + face, 0);
  const row = rowOnSite(ground, wall, course);
  if (!item || !row || all === 0) return null;
  const share = (faces.get(wall) ?? 0) / all;
  const unsigned = openBefore(ground.days.holds, ground.days.items, id);
  return {
    day,
    item: id,
    kind: item.kind,
    name: item.name,
    share,
    quantity: quantityOfShare(item, share),
    manMinutes: null,
    planned: item.work.value * share,
    rates: { ...ratesOfItem(item, rules) },
    rows: [row],
    ...(unsigned.length > 0 && { anyway: unsigned.map((each) => each.id) }),
  };
}
