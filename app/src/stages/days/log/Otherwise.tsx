import type { WorkedPlan } from '@ombra/core/worked';
import { wallsOf } from '@ombra/core/stages/outline';
import type { Job } from '../../../job/useJob';

/** Kinds of notices about courses that stand otherwise than planned. */
const KINDS = new Set(['laid-otherwise', 'laid-elsewhere']);

/** Courses that stand otherwise than the plan has them now, and what can be done: lay them anew, or keep them as they stand. */
export function Otherwise({ job, worked }: { readonly job: Job; readonly worked: WorkedPlan }) {
  const { log, plan, edit, notices } = job;
  const aside = new Set((plan.setAside ?? []).map(({ notice, what }) => `${notice} ${what}`));
  const open = notices.filter(({ id, kind, what }) => KINDS.has(kind) && !aside.has(`${id} ${what}`));
  const told = new Set(open.map(({ place, id }) => `${place.wall ?? ''}:${id.split(':').at(-1) ?? ''}`));
  const found = worked.courses.findings.flatMap((each) =>
    (each.kind === 'laid-otherwise' || each.kind === 'laid-elsewhere') &&
    told.has(`${each.wall}:${String(each.course)}`)
      ? [each]
      : [],
  );
  if (found.length === 0) return null;
  const names = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall.name]));
  const courses = [...new Set(found.map(({ course }) => course))].sort((a, b) => a - b);
  return (
    <section aria-label="Laid otherwise than planned" className="border-l-4 border-check pl-2">
      {courses.map((course) => {
        const own = found.filter((each) => each.course === course);
        const moved = own.some(({ kind }) => kind === 'laid-elsewhere');
        return (
          <div key={course} className="mb-2">
            <p>
              <strong>Course {course}</strong> stands otherwise than planned on{' '}
              {own.map(({ wall }) => names.get(wall) ?? '').join(', ')}.{' '}
              {moved ? 'Its wall has changed since it was laid.' : 'Courses above follow what stands.'}
            </p>
            <div className="flex flex-wrap gap-2">
              <button
                type="button"
                className="button"
                onClick={() => {
                  log.write('relaid', {
                    rows: own.map(({ wall }) => ({ course, wall })),
                    why: 'to be laid by the plan',
                  });
                }}
              >
                Lay course {course} anew
              </button>
              {!moved && (
                <button
                  type="button"
                  className="button"
                  onClick={() => {
                    edit({
                      kind: 'set-aside',
                      notices: open
                        .filter(({ id }) => id.endsWith(`:${String(course)}`))
                        .map(({ id, what }) => ({ notice: id, what })),
                      word: 'kept as it stands',
                    });
                  }}
                >
                  Keep it as it stands
                </button>
              )}
            </div>
          </div>
        );
      })}
    </section>
  );
}
