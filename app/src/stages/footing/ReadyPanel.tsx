import { pointOfFooting } from '@ombra/core/stages/days';
import type { ReadyItem } from '@ombra/core/stages/footing';
import type { WorkedPlan } from '@ombra/core/work';
import { CircleAlert, CircleCheck, CircleDashed } from 'lucide-react';
import { FellOff } from '../../frame/FellOff';
import { mayWriteHere } from '../../job/role';
import type { Job } from '../../job/useJob';
import { useSeen } from '../../job/useSeen';

const LOOKS: Readonly<
  Record<
    ReadyItem['measured'],
    { readonly word: string; readonly colour: string; readonly Icon: typeof CircleCheck }
  >
> = {
  right: { word: 'measured: good', colour: 'text-tip', Icon: CircleCheck },
  wrong: { word: 'measured: not yet', colour: 'text-stop', Icon: CircleAlert },
  open: { word: 'to check by eye', colour: 'text-quiet', Icon: CircleDashed },
};

/** What is looked at before the walls go on: what the measures say, and a tick for what was seen. */
export function ReadyPanel({ job, worked }: { readonly job: Job; readonly worked: WorkedPlan }) {
  const seen = useSeen(job, job.plan.footing?.ready ?? []);
  return (
    <div>
      <ul className="grid grid-cols-2 gap-x-8 max-lg:grid-cols-1">
        {worked.footing.ready.map((item) => {
          const { word, colour, Icon } = LOOKS[item.measured];
          const point = pointOfFooting(item.id);
          const done = seen.done(point, item);
          return (
            <li key={item.id} className="border-b border-line py-1">
              <label className="flex min-h-(--target) items-start gap-2">
                <input
                  type="checkbox"
                  className="mt-1 size-5 accent-record"
                  checked={done}
                  disabled={!mayWriteHere()}
                  onChange={(event) => {
                    seen.set(point, item, event.currentTarget.checked);
                  }}
                />
                <span>
                  <span className={done ? 'text-record' : ''}>{item.what}</span>{' '}
                  <FellOff was={seen.was(point, item)} />
                  <span className={`text-sm ${colour}`}>
                    <Icon aria-hidden="true" size={14} className="inline align-[-2px]" /> {word}
                    {item.note === null ? '' : `. ${item.note}`}
                  </span>
                </span>
              </label>
            </li>
          );
        })}
      </ul>
      <p className="mt-2 text-sm text-quiet">
        A plan to check, not a design. The stamped drawings, the local code and the inspector decide.
      </p>
    </div>
  );
}
