import { step } from '@ombra/core/kernel/geometry';
import type { LaidRow } from '@ombra/core/kernel/record';
import type { Courses } from '@ombra/core/stages/courses';
import { type Shell, wallStart } from '@ombra/core/stages/outline';
import { type PlanFrame } from '../../drawing/plan/planGeometry';

interface RecordOnPlanProps {
  readonly shell: Shell;
  readonly courses: Pick<Courses, 'rows'>;
  readonly laid: readonly LaidRow[];
  readonly frame: PlanFrame;
}

/** What stands, in red chalk on the plan: the more of a wall’s courses, the broader its line; dashed until all of them stand. */
export function RecordOnPlan({ shell, courses, laid, frame }: RecordOnPlanProps) {
  const count = (rows: readonly { readonly wall: string; readonly course: number }[], wall: string): number =>
    new Set(rows.filter((row) => row.wall === wall).map(({ course }) => course)).size;
  return (
    <g data-layer="record-on-plan" pointerEvents="none">
      {shell.loops.flatMap(({ built }) =>
        (built?.walls ?? []).map((wall, index) => {
          const start = built && wallStart(built, index);
          const stands = count(laid, wall.id);
          const all = count(courses.rows, wall.id);
          if (!start || wall.curve || stands === 0) return null;
          const [a, b] = [0, wall.length].map((along) =>
            step(start.outer, wall.heading, along as typeof wall.length, 0),
          ) as [typeof start.outer, typeof start.outer];
          return (
            <line
              key={wall.id}
              x1={frame.x(a)}
              y1={frame.y(a)}
              x2={frame.x(b)}
              y2={frame.y(b)}
              strokeWidth={1.5 + (4 * stands) / Math.max(1, all)}
              strokeDasharray={stands < all ? '7 3' : undefined}
              className="stroke-record"
            >
              <title>{`${wall.name}: ${String(stands)} of ${String(all)} courses recorded`}</title>
            </line>
          );
        }),
      )}
    </g>
  );
}
