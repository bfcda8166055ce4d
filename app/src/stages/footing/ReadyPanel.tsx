import type { ReadyItem } from '@ombra/core/stages/footing';
import type { WorkedPlan } from '@ombra/core/work';
import { CircleAlert, CircleCheck, CircleDashed } from 'lucide-react';
import type { Job } from '../../job/useJob';

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
  const ready = job.plan.footing?.ready ?? [];
  return (
    <div>
      <ul className="grid grid-cols-2 gap-x-8 max-lg:grid-cols-1">
        {worked.footing.ready.map((item) => {
          const { word, colour, Icon } = LOOKS[item.measured];
          return (
            <li key={item.id} className="border-b border-line py-1">
              <label className="flex min-h-(--target) items-start gap-2">
                <input
                  type="checkbox"
                  className="mt-1 size-5 accent-record"
                  checked={ready.includes(item.id)}
                  onChange={(event) => {
                    job.edit({
                      kind: 'set-footing',
                      change: {
                        ready: event.currentTarget.checked
                          ? [...ready, item.id]
                          : ready.filter((each) => each !== item.id),
                      },
                    });
                  }}
                />
                <span>
                  <span className={item.done ? 'text-record' : ''}>{item.what}</span>{' '}
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
