import { showLength, times } from '@ombra/core/measure';
import type { StripView } from './StripView';
import { courseTop } from './stripGeometry';

/** The story pole: courses to press, with the height of their tops above the footing. */
export function StoryPole({ frame, worked, place, onPlace }: StripView) {
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
        return (
          <button
            key={course}
            type="button"
            aria-pressed={chosen}
            aria-label={`Course ${String(course)}, top at ${showLength(times(worked.courses.courseHeight, course), worked.units)}`}
            className={`figures absolute flex min-h-0! w-full items-center justify-between border border-foam-edge px-1.5 leading-none ${
              chosen ? 'bg-chalk text-on-chalk' : 'bg-sheet'
            }`}
            style={{
              top: courseTop(frame, course),
              height: frame.courseHeight + 1,
              fontSize: Math.max(8, Math.min(15, frame.courseHeight * 0.7)),
            }}
            onClick={() => {
              onPlace({ course, piece: null });
            }}
          >
            <span className="font-semibold">{course}</span>
            {frame.courseHeight >= 12 && (
              <span className={chosen ? '' : 'text-quiet'}>
                {showLength(times(worked.courses.courseHeight, course), worked.units)}
              </span>
            )}
          </button>
        );
      })}
    </div>
  );
}
