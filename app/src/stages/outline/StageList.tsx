import type { Stage } from '@ombra/core/stages/outline';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import { Plus, X } from 'lucide-react';

interface StageListProps {
  readonly plan: Plan;
  /** Courses that the job has, as worked. */
  readonly courses: number;
  readonly freshId: () => string;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeave: () => void;
}

/** What crews do on top of a stage before they go on. */
const THEN = ['Backfill', 'Slab', 'Backfill, then slab', 'Floor of the storey'];

/** A stage with a text set, or taken off where it is emptied. */
const withText = (stage: Stage, key: 'name' | 'then', text: string): Stage =>
  Object.fromEntries(
    Object.entries({ ...stage, [key]: text }).filter(([each, value]) => each !== key || value !== ''),
  ) as unknown as Stage;

/** What is stacked and poured in one go, from the footing up; the last stage reaches the top. */
export function StageList({ plan, courses, freshId, onEdit, onLeave }: StageListProps) {
  const { stages } = plan;
  const set = (next: readonly Stage[], merge?: string): void => {
    onEdit({ kind: 'set-stages', stages: next }, merge);
  };
  const put = (changed: Stage, merge?: string): void => {
    set(
      stages.map((stage) => (stage.id === changed.id ? changed : stage)),
      merge === undefined ? undefined : `stage:${changed.id}:${merge}`,
    );
  };
  const add = (): void => {
    const last = stages.at(-1);
    if (!last) return;
    const before = stages.at(-2)?.toCourse ?? 0;
    const top = Math.max(courses, last.toCourse);
    const split = Math.max(before + 1, Math.floor((before + top) / 2));
    set([
      ...stages.slice(0, -1),
      { ...last, toCourse: split },
      { id: freshId(), toCourse: Math.max(top, split + 1), top: 'full' },
    ]);
  };
  return (
    <section aria-label="Stages">
      <h2 className="heading mb-1">
        Stages <span className="font-normal">· what is stacked and poured in one go</span>
      </h2>
      {stages.length > 1 && (
        <ol className="mb-1 flex flex-col gap-2">
          {stages.map((stage, index) => {
            const last = index === stages.length - 1;
            const name = stage.name ?? `Stage ${String(index + 1)}`;
            const from = (stages[index - 1]?.toCourse ?? 0) + 1;
            return (
              <li key={stage.id} className="border-l-4 border-line pl-2">
                <div className="flex items-center gap-1.5">
                  <input
                    className="field font-medium"
                    aria-label={`Name of stage ${String(index + 1)}`}
                    maxLength={120}
                    placeholder={`Stage ${String(index + 1)}`}
                    value={stage.name ?? ''}
                    onChange={(event) => {
                      const text = event.currentTarget.value;
                      put(withText(stage, 'name', text), 'name');
                    }}
                    onBlur={onLeave}
                  />
                  <span className="figures whitespace-nowrap">
                    courses {from} to{' '}
                    {last ? (
                      plan.height === undefined ? (
                        stage.toCourse
                      ) : (
                        courses
                      )
                    ) : (
                      <input
                        className="field inline-block w-14! text-center"
                        inputMode="numeric"
                        aria-label={`Last course of ${name}`}
                        maxLength={3}
                        value={stage.toCourse}
                        onChange={(event) => {
                          const value = Number(event.currentTarget.value);
                          if (Number.isInteger(value)) put({ ...stage, toCourse: value }, 'to');
                        }}
                        onBlur={onLeave}
                      />
                    )}
                  </span>
                  <button
                    type="button"
                    className="button plain px-1.5"
                    aria-label={`Join ${name} with the ${last ? 'one below' : 'next'}`}
                    onClick={() => {
                      const kept = stages.filter((each) => each.id !== stage.id);
                      const top = stages.at(-1)?.toCourse ?? 1;
                      set(
                        kept.map((each, at) =>
                          at === kept.length - 1 ? { ...each, toCourse: top, top: 'full' } : each,
                        ),
                      );
                    }}
                  >
                    <X aria-hidden="true" size={15} />
                  </button>
                </div>
                {!last && (
                  <div className="mt-1 flex items-center gap-1.5">
                    <select
                      className="field w-auto!"
                      aria-label={`Top of ${name}`}
                      value={stage.top}
                      onChange={(event) => {
                        put({ ...stage, top: event.currentTarget.value === 'half' ? 'half' : 'full' });
                      }}
                    >
                      <option value="full">full to the top</option>
                      <option value="half">half a block, bars standing out</option>
                    </select>
                    <input
                      className="field"
                      aria-label={`What follows ${name}`}
                      list="stage-then"
                      maxLength={200}
                      placeholder="then: backfill, slab …"
                      value={stage.then ?? ''}
                      onChange={(event) => {
                        const text = event.currentTarget.value;
                        put(withText(stage, 'then', text), 'then');
                      }}
                      onBlur={onLeave}
                    />
                  </div>
                )}
              </li>
            );
          })}
        </ol>
      )}
      <datalist id="stage-then">
        {THEN.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <button type="button" className="button" disabled={courses < 2 && stages.length === 1} onClick={add}>
        <Plus aria-hidden="true" size={15} /> {stages.length > 1 ? 'Stage' : 'Pour in stages'}
      </button>
    </section>
  );
}
