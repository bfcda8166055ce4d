import type { PourReady, WorkedPour } from '@ombra/core/stages/pour';
import { pointOfPump } from '@ombra/core/stages/days';
import { FellOff } from '../../frame/FellOff';
import { mayWriteHere } from '../../job/role';
import type { Job } from '../../job/useJob';
import { useSeen } from '../../job/useSeen';

const GROUPS: readonly (readonly [PourReady['group'], string])[] = [
  ['forms', 'Forms'],
  ['openings', 'Openings and inserts'],
  ['steel', 'Steel'],
  ['bracing', 'Bracing and planks'],
  ['top', 'The top'],
  ['site', 'Site and crew'],
];

/** Everything that must be true before the pump unfolds, made from this job, ticked as it is seen. */
export function ReadyList({ job, pour }: { readonly job: Job; readonly pour: WorkedPour }) {
  const seen = useSeen(job, job.plan.pour?.pours?.[pour.span.pour]?.ready ?? []);
  const pointOf = (item: PourReady): string => pointOfPump(item.group, pour.span.pour);
  const done = (item: PourReady): boolean => seen.done(pointOf(item), item);
  const left = pour.ready.filter((item) => !done(item)).length;
  return (
    <div>
      <p className="mb-2" role="status">
        <strong>
          {left === 0
            ? 'Everything is checked.'
            : `${String(left)} of ${String(pour.ready.length)} left to check.`}
        </strong>
      </p>
      <div className="columns-2 gap-8 max-lg:columns-1">
        {GROUPS.map(([group, name]) => (
          <section key={group} aria-label={name} className="mb-3 break-inside-avoid-column">
            <h3 className="heading">{name}</h3>
            <ul>
              {pour.ready
                .filter((item) => item.group === group)
                .map((item) => (
                  <li key={item.id} className="border-b border-line py-0.5">
                    <label className="flex min-h-(--target) items-start gap-2">
                      <input
                        type="checkbox"
                        className="mt-1 size-5 accent-record"
                        checked={done(item)}
                        disabled={!mayWriteHere()}
                        onChange={(event) => {
                          seen.set(pointOf(item), item, event.currentTarget.checked);
                        }}
                      />
                      <span className={done(item) ? 'text-record' : ''}>
                        {item.what}
                        <FellOff was={seen.was(pointOf(item), item)} />
                      </span>
                    </label>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
    </div>
  );
}
