import { type Pour, type PourGround, type Wall, pourName } from '@ombra/core/stages/outline';
import { type Plan, type PlanEdit, withoutKey } from '@ombra/core/kernel/plan';
import { Plus, X } from 'lucide-react';
import { GroundFields, groundText } from './GroundFields';

interface PourListProps {
  readonly plan: Plan;
  /** Courses that the job has, as worked. */
  readonly courses: number;
  readonly walls: readonly Pick<Wall, 'id' | 'name'>[];
  readonly freshId: () => string;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeave: () => void;
}

/** What crews do on top of a pour before they go on. */
const THEN = ['Backfill', 'Slab', 'Backfill, then slab', 'Floor above'];

/** A pour with a text set, or taken off where it is emptied. */
const withText = (pour: Pour, key: 'name' | 'then', text: string): Pour =>
  Object.fromEntries(
    Object.entries({ ...pour, [key]: text }).filter(([each, value]) => each !== key || value !== ''),
  ) as unknown as Pour;

/** A pour with what follows it on the ground, or without. */
const withGround = (pour: Pour, ground: PourGround | null): Pour =>
  ground === null ? withoutKey(pour, 'ground') : { ...pour, ground };

/** What is stacked and poured in one go, from the footing up; the last pour reaches the top. */
export function PourList({ plan, courses, walls, freshId, onEdit, onLeave }: PourListProps) {
  const { pours } = plan;
  const set = (next: readonly Pour[], merge?: string): void => {
    onEdit({ kind: 'set-pours', pours: next }, merge);
  };
  const put = (changed: Pour, merge?: string): void => {
    set(
      pours.map((pour) => (pour.id === changed.id ? changed : pour)),
      merge === undefined ? undefined : `pour:${changed.id}:${merge}`,
    );
  };
  const add = (): void => {
    const last = pours.at(-1);
    if (!last) return;
    const before = pours.at(-2)?.toCourse ?? 0;
    const top = Math.max(courses, last.toCourse);
    const split = Math.max(before + 1, Math.floor((before + top) / 2));
    set([
      ...pours.slice(0, -1),
      { ...last, toCourse: split },
      { id: freshId(), toCourse: Math.max(top, split + 1), top: 'full' },
    ]);
  };
  const groundOf = (pour: Pour, name: string) => (
    <details className="mt-1">
      <summary className="min-h-(--target) content-center">
        Ground after: <span className="figures">{groundText(pour.ground, plan.units)}</span>
      </summary>
      <GroundFields
        name={name}
        ground={pour.ground}
        walls={walls}
        units={plan.units}
        onChange={(ground, merge) => {
          put(withGround(pour, ground), merge === true ? 'ground' : undefined);
        }}
        onLeave={onLeave}
      />
    </details>
  );
  return (
    <section aria-label="Pours">
      <h2 className="heading mb-1">
        Pours <span className="font-normal">· each stacked and poured in one go</span>
      </h2>
      {pours.length > 1 && (
        <ol className="mb-1 flex flex-col gap-2">
          {pours.map((pour, index) => {
            const last = index === pours.length - 1;
            const name = pourName(pours, pour.id);
            const from = (pours[index - 1]?.toCourse ?? 0) + 1;
            return (
              <li key={pour.id} className="border-l-4 border-line pl-2">
                <div className="flex items-center gap-1.5">
                  <input
                    className="field font-medium"
                    aria-label={`Name of pour ${String(index + 1)}`}
                    maxLength={120}
                    placeholder={`Pour ${String(index + 1)}`}
                    value={pour.name ?? ''}
                    onChange={(event) => {
                      const text = event.currentTarget.value;
                      put(withText(pour, 'name', text), 'name');
                    }}
                    onBlur={onLeave}
                  />
                  <span className="figures whitespace-nowrap">
                    courses {from} to{' '}
                    {last ? (
                      plan.height === undefined ? (
                        pour.toCourse
                      ) : (
                        courses
                      )
                    ) : (
                      <input
                        className="field inline-block w-14! text-center"
                        inputMode="numeric"
                        aria-label={`Last course of ${name}`}
                        maxLength={3}
                        value={pour.toCourse}
                        onChange={(event) => {
                          const value = Number(event.currentTarget.value);
                          if (Number.isInteger(value)) put({ ...pour, toCourse: value }, 'to');
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
                      const kept = pours.filter((each) => each.id !== pour.id);
                      const top = pours.at(-1)?.toCourse ?? 1;
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
                      value={pour.top}
                      onChange={(event) => {
                        put({ ...pour, top: event.currentTarget.value === 'half' ? 'half' : 'full' });
                      }}
                    >
                      <option value="full">full to the top</option>
                      <option value="half">half a block, bars sticking out</option>
                    </select>
                    <input
                      className="field"
                      aria-label={`What follows ${name}`}
                      list="pour-then"
                      maxLength={200}
                      placeholder="then: backfill, slab …"
                      value={pour.then ?? ''}
                      onChange={(event) => {
                        const text = event.currentTarget.value;
                        put(withText(pour, 'then', text), 'then');
                      }}
                      onBlur={onLeave}
                    />
                  </div>
                )}
                {groundOf(pour, name)}
              </li>
            );
          })}
        </ol>
      )}
      {pours.length === 1 && pours[0] && groundOf(pours[0], 'the pour')}
      <datalist id="pour-then">
        {THEN.map((each) => (
          <option key={each} value={each} />
        ))}
      </datalist>
      <button type="button" className="button" disabled={courses < 2 && pours.length === 1} onClick={add}>
        <Plus aria-hidden="true" size={15} /> {pours.length > 1 ? 'Pour' : 'Several pours'}
      </button>
    </section>
  );
}
