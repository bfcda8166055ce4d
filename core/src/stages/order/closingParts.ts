import { type How, givenLength } from '../../kernel/figures/how';
import { type Length, type UnitSystem, ZERO, max, min, showLength, subtract } from '../../kernel/measure';
import type { Courses } from '../courses';
import type { Levels, Shell } from '../outline';

/** A board that closes what a thinner form leaves open of a thicker core, where the core changes along a line. */
interface ClosingPart {
  readonly id: string;
  readonly group: 'parts';
  readonly article: string;
  readonly needed: How;
}

/** The heights that are ordered for: those of one pour, or of all. */
interface Between {
  readonly bottom: Length;
  readonly top: Length;
}

/** Height of a wall at one of its ends, as far as it lies between two heights. */
function heightAt(levels: Levels, wall: string, atStart: boolean, between: Between): Length {
  const spans = levels.walls[wall] ?? [];
  const span = atStart ? spans[0] : spans.at(-1);
  if (!span) return ZERO;
  return max(ZERO, subtract(min(span.cut?.over ?? span.top, between.top), max(span.bottom, between.bottom)));
}

/** Boards up the joints at which a core changes, each as wide as the core that stays open and as high as its wall there. */
export function closingParts(
  shell: Shell,
  levels: Levels,
  courses: Pick<Courses, 'pieces'>,
  units: UnitSystem,
): readonly ClosingPart[] {
  const [first] = courses.pieces;
  if (!first) return [];
  const between = courses.pieces.reduce<Between>(
    (all, { bottom, top }) => ({ bottom: min(all.bottom, bottom), top: max(all.top, top) }),
    first,
  );
  return shell.loops.flatMap(({ problems }) =>
    problems.flatMap((problem) =>
      problem.kind !== 'core-change'
        ? []
        : problem.open.map(({ wall, width, side }): ClosingPart => ({
            id: `core-board:${problem.corner}:${side}`,
            group: 'parts',
            article: `Board to close the core at ${problem.corner}, ${showLength(width, units, { style: 'inches' })} wide`,
            needed: givenLength('height of the wall', heightAt(levels, wall, wall === problem.wall, between)),
          })),
    ),
  );
}
