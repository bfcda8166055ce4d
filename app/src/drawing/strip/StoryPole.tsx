import { type Length, showLength } from '@ombra/core/kernel/measure';
import type { Wall } from '@ombra/core/stages/outline';
import type { StripView } from './StripView';
import { courseTop, heightOfCourse, stripY } from './stripGeometry';

interface StoryPoleProps extends StripView {
  /** The wall under the pointer, or the chosen one, and the station on it. */
  readonly shown: { readonly wall: Wall; readonly at: Length } | null;
}

/** The story pole: courses to press, with the height of their tops; beside them how far the wall under the pointer reaches. */
export function StoryPole({ frame, worked, place, onPlace, shown }: StoryPoleProps) {
  const topOf = (course: number): string =>
    showLength(worked.courses.tops[course] ?? (0 as Length), worked.units);
  const span = shown
    ? (worked.levels.walls[shown.wall.id] ?? []).find((each) => each.from <= shown.at && shown.at <= each.to)
    : undefined;
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
            className={`figures absolute flex min-h-0! w-full items-center justify-between border border-foam-edge pr-2.5 pl-1.5 leading-none ${
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
      {span && shown && (
        <div
          className="pointer-events-none absolute right-0 w-1.5 border-y-2 border-ink bg-chalk"
          style={{ top: stripY(frame, span.top), height: (span.top - span.bottom) * frame.scale }}
          data-pole={shown.wall.name}
          title={`${shown.wall.name}: from ${showLength(span.bottom, worked.units)} to ${showLength(span.top, worked.units)}`}
        />
      )}
    </div>
  );
}
