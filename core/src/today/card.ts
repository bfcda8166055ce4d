import type { Length } from '../kernel/measure';
import type { Laid } from '../kernel/record';
import type { Hand, Piece, WallPiece } from '../stages/courses';
import { openBefore } from '../stages/days';
import { type Wall, wallsOf } from '../stages/outline';
import type { Bar } from '../stages/steel';
import type { WorkedPlan } from '../worked';

/** What a card of the day is made from. */
export type TodayGround = Pick<WorkedPlan, 'shell' | 'courses' | 'openings' | 'steel' | 'bracing' | 'days'>;

/** A piece to be laid. Lengths are those of the outside face. */
export type TodayPiece =
  | {
      readonly kind: 'corner';
      readonly id: string;
      readonly corner: string;
      readonly hand: Hand;
      readonly make: 'moulded' | 'lapped';
      /** Where it stands on this wall: at its first corner, or at its last. */
      readonly at: 'start' | 'end';
      /** Its leg on this wall. */
      readonly leg: Length;
    }
  | {
      readonly kind: 'whole' | 'cut';
      readonly id: string;
      readonly length: Length;
      /** From the wall’s first corner to where it begins. */
      readonly start: Length;
      /** The block that it comes out of, and whether it is what was left of that; null for a whole one. */
      readonly from: { readonly block: number; readonly part: 'first' | 'offcut' } | null;
      readonly mitred: boolean;
      /** Ripped lower, to this height; null where it keeps its own. */
      readonly ripped: Length | null;
      /** Openings that take something out of it, by name. */
      readonly notchedFor: readonly string[];
    };

/** Bars that go in with a course of a wall. */
export interface TodayBars {
  readonly mark: string;
  readonly use: Bar['use'];
  readonly size: string;
  readonly count: number;
  readonly when: Bar['set']['when'];
  /** The slot that they lie in, counted from the outside; null for those that stand or wrap. */
  readonly slot: number | null;
}

/** Braces of a wall, and when they go up. */
export interface TodayBraces {
  /** They go up once this course is laid; null where nobody has to wait. */
  readonly after: number | null;
  readonly done: boolean;
  readonly side: 'inside' | 'outside';
  readonly at: readonly Length[];
}

/** Where somebody has to look and sign. */
export interface TodayHold {
  readonly id: string;
  readonly name: string;
  readonly who: string;
  /** Whether this course waits for it. */
  readonly blocks: boolean;
}

/** What a crew needs to know of one wall in one course. */
export interface TodayCard {
  readonly wall: string;
  readonly name: string;
  readonly course: number;
  /** In laying order: the corner that the wall begins at, its row, the corner that it ends at. */
  readonly pieces: readonly TodayPiece[];
  readonly bars: readonly TodayBars[];
  /** How many slots a course has. */
  readonly slots: number;
  readonly braces: TodayBraces | null;
  readonly hold: TodayHold | null;
  /** Whether the log has it laid. */
  readonly laid: boolean;
}

/** Courses of a wall, from below. */
export const coursesOfWall = ({ courses }: Pick<TodayGround, 'courses'>, wall: string): readonly number[] =>
  [...new Set(courses.rows.filter((row) => row.wall === wall).map(({ course }) => course))].sort(
    (a, b) => a - b,
  );

/**
 * The lowest course of a wall that the log does not have laid; null where all of it stands.
 *
 * @example nextCourse({ courses: { rows: [{ wall: 'a', course: 2 }] } }, undefined, 'a') // 2
 */
export function nextCourse(
  ground: Pick<TodayGround, 'courses'>,
  laid: Laid | undefined,
  wall: string,
): number | null {
  const stand = new Set(laid?.rows.flatMap((row) => (row.wall === wall ? [row.course] : [])));
  return coursesOfWall(ground, wall).find((course) => !stand.has(course)) ?? null;
}

const piecesOf = (
  pieces: readonly Piece[],
  wall: Wall,
  openings: TodayGround['openings'],
): readonly TodayPiece[] => {
  const nameOf = (id: string): string => openings.placed.find((each) => each.id === id)?.name ?? '';
  const corners = pieces.flatMap((piece): (TodayPiece & { readonly kind: 'corner' })[] => {
    if (piece.kind !== 'corner') return [];
    const { id, corner, hand, make } = piece;
    if (piece.wallAfter === wall.id)
      return [{ kind: 'corner', id, corner, hand, make, at: 'start', leg: piece.legAfter }];
    return piece.wallBefore === wall.id
      ? [{ kind: 'corner', id, corner, hand, make, at: 'end', leg: piece.legBefore }]
      : [];
  });
  const row = pieces
    .filter((piece): piece is WallPiece => piece.kind !== 'corner' && piece.wall === wall.id)
    .sort((a, b) => a.start - b.start || a.bottom - b.bottom)
    .map((piece): TodayPiece => ({
      kind: piece.kind === 'straight' ? 'whole' : 'cut',
      id: piece.id,
      length: piece.length,
      start: piece.start,
      from: piece.cutFrom ? { block: piece.cutFrom.block, part: piece.cutFrom.part } : null,
      mitred: piece.mitred !== undefined && (piece.mitred.start || piece.mitred.end),
      ripped: piece.ripped === undefined ? null : ((piece.top - piece.bottom) as Length),
      notchedFor: [...new Set((piece.notches ?? []).map(({ opening }) => nameOf(opening)))],
    }));
  return [...corners.filter(({ at }) => at === 'start'), ...row, ...corners.filter(({ at }) => at === 'end')];
};

/** The slot whose middle a bar lies nearest to. */
const nearest = (slots: readonly Length[], offset: Length): number | null =>
  slots.length === 0
    ? null
    : slots.reduce(
        (best, slot, index) =>
          Math.abs(slot - offset) < Math.abs((slots[best] ?? 0) - offset) ? index : best,
        0,
      ) + 1;

function barsOf({ steel }: TodayGround, wall: Wall, course: number): Pick<TodayCard, 'bars' | 'slots'> {
  const slots = steel.sections.find((section) => section.wall === wall.id)?.slots ?? [];
  const marks = new Map(steel.schedule.flatMap(({ mark, bars }) => bars.map((id) => [id, mark] as const)));
  const groups = new Map<string, TodayBars>();
  for (const bar of steel.bars) {
    const here =
      bar.use === 'corner' ? bar.corner === wall.from || bar.corner === wall.to : bar.wall === wall.id;
    if (!here || bar.set.course !== course) continue;
    const mark = marks.get(bar.id) ?? '';
    const slot = bar.use === 'horizontal' ? nearest(slots, bar.offset) : null;
    const key = [mark, bar.use, bar.set.when, slot].join('|');
    const count = (groups.get(key)?.count ?? 0) + bar.count;
    groups.set(key, { mark, use: bar.use, size: bar.size, count, when: bar.set.when, slot });
  }
  const order: readonly Bar['set']['when'][] = ['before', 'in', 'after'];
  return {
    slots: slots.length,
    bars: [...groups.values()].sort((a, b) => order.indexOf(a.when) - order.indexOf(b.when)),
  };
}

function bracesOf({ bracing, days }: TodayGround, wall: Wall, course: number): TodayBraces | null {
  // Of several pours, the lowest that still stacks this course.
  const reaching = bracing.pours.filter(({ walls }) => walls.some((each) => each.wall === wall.id));
  for (const { pour, walls } of reaching) {
    const own = walls.find((each) => each.wall === wall.id);
    const at = days.items.findIndex((item) => item.kind === 'braces' && item.pour === pour);
    const last = days.items.findLast((item) => item.kind === 'course' && item.pour === pour)?.course ?? 0;
    if (!own || (course > last && own !== reaching.at(-1)?.walls.find((each) => each.wall === wall.id)))
      continue;
    return {
      after: days.items.slice(0, Math.max(0, at)).findLast((item) => item.kind === 'course')?.course ?? null,
      done: (days.items[at]?.done ?? 0) >= 1,
      side: own.side,
      at: own.way === 'waler' ? own.diagonals : own.braces.map((brace) => brace.at),
    };
  }
  return null;
}

function holdOf({ days }: TodayGround, course: number): TodayHold | null {
  const waiting = openBefore(days.holds, days.items, `course:${String(course)}`);
  const hold = waiting[0] ?? days.holds.find(({ state }) => state !== 'signed');
  return hold ? { id: hold.id, name: hold.name, who: hold.who, blocks: waiting.length > 0 } : null;
}

/**
 * What a crew needs to know of a wall in a course: its pieces in the order in which they are laid, the bars that go in and their slot,
 * its braces, and where it has to stop for somebody to look. Null where the wall has no such course.
 *
 * @param laid what stands on site
 */
export function todayCard(
  ground: TodayGround,
  laid: Laid | undefined,
  wallId: string,
  course: number,
): TodayCard | null {
  const wall = wallsOf(ground.shell).find(({ id }) => id === wallId);
  if (!wall || !coursesOfWall(ground, wallId).includes(course)) return null;
  return {
    wall: wallId,
    name: wall.name,
    course,
    pieces: piecesOf(
      ground.courses.pieces.filter((piece) => piece.course === course),
      wall,
      ground.openings,
    ),
    ...barsOf(ground, wall, course),
    braces: bracesOf(ground, wall, course),
    hold: holdOf(ground, course),
    laid: laid?.rows.some((row) => row.wall === wallId && row.course === course) === true,
  };
}
