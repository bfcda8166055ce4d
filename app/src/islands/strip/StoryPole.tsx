import { type Length, showLength } from '@ombra/core/measure';
import type { StripView } from './StripView';
import { courseTop, heightOfCourse } from './stripGeometry';

/** The story pole: courses to press, with the height of their tops above the footing. */
export function StoryPole({ frame, worked, place, onPlace }: StripView) {
  const topOf = (course: number): string =>
    showLength(worked.courses.tops[course] ?? (0 as Length), worked.units);
  return (
    <div
      className="relative"
      role="group"
      aria-label="Story pole: courses and their heights"
      style={{ height: frame.height }}
    >
      {Array.from({ length: frame.courses }, (_, index) => {
        const course = index + 1;
        const chosen = course === place.course;
        const height = heightOfCourse(frame, course);
        return (
          <button
            key={course}
            type="button"
            aria-pressed={chosen}
            aria-label={`Course ${String(course)}, top at ${topOf(course)}`}
            className={`figures absolute flex min-h-0! w-full items-center justify-between border border-foam-edge px-1.5 leading-none ${
              chosen ? 'bg-chalk text-on-chalk' : 'bg-sheet'
            }`}
            style={{
              top: courseTop(frame, course),
              height: height + 1,
              fontSize: Math.max(8, Math.min(15, height * 0.7)),
            }}
            onClick={() => {
              onPlace({ course, piece: null });
            }}
          >
            <span className="font-semibold">{course}</span>
            {height >= 12 && <span className={chosen ? '' : 'text-quiet'}>{topOf(course)}</span>}
          </button>
        );
      })}
    </div>
  );
}
