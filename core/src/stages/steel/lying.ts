import type { CourseRow } from '../courses';
import { barCourses } from '../../kernel/forms';
import { type Length, nanometres } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type Setting, type SteelWall, clearBetween, sizeOf } from './setting';
import { type SlotSchool, slotOf } from './slots';
import type { BarSize } from './sizes';

/** The horizontals of a wall in one course. */
export interface Lying {
  readonly course: number;
  readonly size: BarSize;
  /** The slot of each bar, counted from the outside in; as many bars as slots. */
  readonly slots: readonly number[];
  /** Where each bar lies across the core, from its middle, inside positive. */
  readonly offsets: readonly Length[];
}

/** How much of a row no row of a course lies over or under. */
const uncovered = (row: CourseRow, course: number, rows: readonly CourseRow[]): number =>
  rows
    .filter((each) => each.course === course)
    .reduce(
      (left, each) => left - Math.max(0, Math.min(row.to, each.to) - Math.max(row.from, each.from)),
      row.to - row.from,
    );

/** Courses that are the lowest, or the highest, of some stretch of a wall: over each step of its footing, under each lower top. */
function edgeCourses({ rows, wall }: SteelWall): {
  readonly bottoms: ReadonlySet<number>;
  readonly tops: ReadonlySet<number>;
} {
  // Rows may begin a wall's thickness apart where they end at a step.
  const bare = (row: CourseRow, course: number): boolean => uncovered(row, course, rows) > wall.thickness;
  return {
    bottoms: new Set(rows.filter((row) => bare(row, row.course - 1)).map((row) => row.course)),
    tops: new Set(rows.filter((row) => bare(row, row.course + 1)).map((row) => row.course)),
  };
}

/** Courses that their pours fill only half way: a bar in the middle of one would lie in the joint. */
const halfCourses = ({ stacks }: Setting): ReadonlySet<number> =>
  new Set(
    stacks
      .filter((pour, index) => pour.top === 'half' && index < stacks.length - 1)
      .map((pour) => pour.toCourse),
  );

/** A course in which the rules have horizontals. */
interface WantedCourse {
  readonly course: number;
  readonly bars: number;
  /** None is laid: its pour fills the course only half way, and the wall neither begins nor ends in it. */
  readonly inJoint: boolean;
}

/**
 * Courses of a wall in which the rules have horizontals, with how many bars. Every second or third course, and thirds of the height,
 * are counted from the lowest course of all walls, so that walls that meet have their bars at the same heights.
 */
function wantedCourses(own: SteelWall, setting: Setting): readonly WantedCourse[] {
  const courses = [...new Set(own.rows.map((row) => row.course))];
  const { bottoms, tops } = edgeCourses(own);
  const all = setting.walls.flatMap((wall) => wall.rows.map((row) => row.course));
  const bottom = Math.min(...all);
  const top = Math.max(...all);
  const half = halfCourses(setting);
  const third = (top - bottom) / 3;
  const least = new Set([bottom, Math.round(bottom + third), Math.round(bottom + 2 * third), top]);
  const { family } = setting.shell;
  const makers = family?.kind === 'cell' ? new Set(barCourses(family, setting.courses.count)) : null;
  /** Whether the rules have one in a course between the lowest and the highest. */
  const has = (course: number, rules: HouseRules): boolean => {
    const step = course - bottom;
    switch (rules.choice('steel.horizontal.courses')) {
      case 'second':
        return step % 2 === 0;
      case 'third':
        return step % 3 === 0;
      case 'least':
        return least.has(course);
      case 'maker':
        return makers === null || makers.has(course);
      default:
        return true;
    }
  };
  return courses.flatMap((course): readonly WantedCourse[] => {
    const rules = setting.rulesIn(own.wall.id, course);
    if (bottoms.has(course))
      return [{ course, bars: rules.count('steel.horizontal.bottom'), inJoint: false }];
    if (tops.has(course)) return [{ course, bars: rules.count('steel.horizontal.top'), inJoint: false }];
    return has(course, rules) ? [{ course, bars: 1, inJoint: half.has(course) }] : [];
  });
}

/** Courses in which walls would have a horizontal, and have none since their pour fills them only half way; the lowest first. */
export const leftInJoints = (setting: Setting): readonly number[] =>
  [
    ...new Set(
      setting.walls.flatMap((own) =>
        wantedCourses(own, setting).flatMap(({ course, inJoint }) => (inJoint ? [course] : [])),
      ),
    ),
  ].sort((a, b) => a - b);

/** Whether a slot leaves a bar its cover. */
const covered = (own: SteelWall, slot: number, diameter: Length, rules: HouseRules): boolean =>
  own.wall.core / 2 - Math.abs(own.slots[slot - 1] ?? 0) - diameter / 2 >= rules.length('steel.cover.foam');

/** What `slotsOf` goes by. */
interface SlotsOfInput {
  readonly own: SteelWall;
  /** Which bar of the wall it is, counted from 1 at the lowest. */
  readonly nth: number;
  readonly count: number;
  readonly size: BarSize;
  readonly rules: HouseRules;
}

/**
 * Slots of the bars of one course. A single bar alternates by the school, bar about; two lie in the two outermost slots that
 * leave them their cover, one toward each face; more between those, as far as stone gets between them.
 */
function slotsOf({ own, nth, count, size, rules }: SlotsOfInput): number[] {
  const school = rules.choice('steel.horizontal.slots') as SlotSchool;
  const single = slotOf(nth, own.slots.length, school, own.tension);
  if (count < 2) return [single];
  const numbers = own.slots.map((_, index) => index + 1);
  const held = numbers.filter((slot) => covered(own, slot, size.diameter, rules));
  const usable = held.length > 0 ? held : numbers;
  const outermost = [...usable].sort((a, b) => (own.slots[a - 1] ?? 0) - (own.slots[b - 1] ?? 0));
  const [first = single, last = single] = [outermost[0], outermost.at(-1)];
  const apart = clearBetween(rules, size.diameter) + size.diameter;
  const found = [...new Set([first, last])];
  for (const slot of [single, ...usable]) {
    if (found.length >= count) break;
    const at = own.slots[slot - 1] ?? 0;
    if (found.every((other) => Math.abs((own.slots[other - 1] ?? 0) - at) >= apart)) found.push(slot);
  }
  // What finds no slot of its own lies beside the others; that the course is crowded is told.
  while (found.length < count) found.push(found[found.length % 2] ?? single);
  return found.slice(0, count);
}

/** The horizontals of a wall, course by course from the lowest. */
function lyingIn(own: SteelWall, setting: Setting): readonly Lying[] {
  let nth = 0;
  const laid = wantedCourses(own, setting).filter(({ inJoint }) => !inJoint);
  return laid.map(({ course, bars }): Lying => {
    nth += 1;
    const rules = setting.rulesIn(own.wall.id, course);
    const size = sizeOf(rules.choice('steel.horizontal.size'));
    const slots = slotsOf({ own, nth, count: bars, size, rules });
    return { course, size, slots, offsets: slots.map((slot) => nanometres(own.slots[slot - 1] ?? 0)) };
  });
}

/** In which courses of every wall horizontals lie, and in which slots, by the wall's id. */
export const lyingOf = (setting: Setting): ReadonlyMap<string, readonly Lying[]> =>
  new Map(setting.walls.map((own) => [own.wall.id, lyingIn(own, setting)]));
