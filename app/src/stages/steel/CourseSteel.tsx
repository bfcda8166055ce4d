import type { Wall } from '@ombra/core/stages/outline';
import { barsInCourse } from '@ombra/core/stages/steel';
import type { WorkedPlan } from '@ombra/core/work';
import { useMemo } from 'react';
import { useWidth } from '../../ui/useWidth';
import { FromAbove } from '../courses/FromAbove';
import type { Face } from '../../drawing/strip/stripGeometry';

interface CourseSteelProps {
  readonly worked: WorkedPlan;
  readonly wall: Wall;
  readonly course: number;
  readonly face: Face;
  readonly onCourse: (course: number) => void;
}

/** One course of a wall from above, with its bars in their slots and those that stand through it. */
export function CourseSteel({ worked, wall, course: wanted, face, onCourse }: CourseSteelProps) {
  const { width, element } = useWidth();
  const { courses, steel } = worked;
  // Where the footing steps up, a wall begins in a higher course.
  const own = useMemo(
    () =>
      [...new Set(courses.rows.filter((row) => row.wall === wall.id).map((row) => row.course))].sort(
        (a, b) => a - b,
      ),
    [courses, wall],
  );
  const course = own.includes(wanted) ? wanted : (own[0] ?? 1);
  const bars = useMemo(
    () => ({
      list: barsInCourse(steel.bars, wall, course, courses.tops),
      marks: new Map(steel.schedule.flatMap(({ mark, bars: ids }) => ids.map((id) => [id, mark] as const))),
    }),
    [steel, wall, course, courses],
  );
  return (
    <section aria-label="Bars from above" ref={element} className="min-w-0">
      <h3 className="heading flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-1">
          {wall.name} from above, course
          <select
            className="field figures w-16!"
            aria-label="Course from above"
            value={course}
            onChange={(event) => {
              onCourse(Number(event.currentTarget.value));
            }}
          >
            {own.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </label>
      </h3>
      <FromAbove
        worked={worked}
        wall={wall}
        course={course}
        face={face}
        chosen={null}
        width={width}
        bars={bars}
      />
      <p className="text-sm text-quiet">
        Lines: horizontals in their slots, double where they lap. Dashed: corner bars. Dots: verticals. Marks
        as in the bending schedule.
      </p>
    </section>
  );
}
