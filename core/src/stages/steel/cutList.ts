import type { Length } from '../../kernel/measure';
import type { Bar } from './bar';
import type { ScheduleLine } from './schedule';
import { byMoment } from './sequence';
import type { CastPour } from './setting';

/** Bars of one mark that are wanted at one time. */
export interface CutLine {
  readonly mark: string;
  readonly use: Bar['use'];
  readonly size: string;
  readonly shape: ScheduleLine['shape'];
  readonly cut: Length;
  readonly count: number;
}

/** What is to be cut and bent for one moment of the laying. */
interface CutDay {
  readonly course: number;
  readonly when: Bar['set']['when'];
  readonly lines: readonly CutLine[];
}

/** Lines of a schedule for some of its bars, in the schedule's order. */
function linesFor(bars: readonly Bar[], schedule: readonly ScheduleLine[]): readonly CutLine[] {
  const counts = new Map(bars.map((bar) => [bar.id, bar.count]));
  return schedule.flatMap((line): CutLine[] => {
    const count = line.bars.reduce((sum, id) => sum + (counts.get(id) ?? 0), 0);
    if (count === 0) return [];
    const { mark, use, size, shape, cut } = line;
    return [{ mark, use, size, shape, cut, count }];
  });
}

/** The cut list in the order of the laying: what to have ready before, in and after each course. */
export const cutListByCourse = (bars: readonly Bar[], schedule: readonly ScheduleLine[]): readonly CutDay[] =>
  byMoment(bars).map(([{ course, when }, group]) => ({ course, when, lines: linesFor(group, schedule) }));

/** What is to be cut for one pour. */
interface CutPour {
  /** Courses of the pour; null for the footing. */
  readonly courses: { readonly from: number; readonly to: number } | null;
  readonly lines: readonly CutLine[];
}

/** The cut list by pour: the footing's dowels, then all that goes in up to each joint. */
export function cutListByPour(
  bars: readonly Bar[],
  schedule: readonly ScheduleLine[],
  pours: readonly Pick<CastPour, 'fromCourse' | 'toCourse'>[],
): readonly CutPour[] {
  const within = (from: number, to: number): readonly CutLine[] =>
    linesFor(
      bars.filter((bar) => bar.set.course >= from && bar.set.course <= to),
      schedule,
    );
  return [
    { courses: null, lines: within(0, 0) },
    ...pours.map(({ fromCourse, toCourse }) => ({
      courses: { from: fromCourse, to: toCourse },
      lines: within(fromCourse, toCourse),
    })),
  ].filter(({ lines }) => lines.length > 0);
}
