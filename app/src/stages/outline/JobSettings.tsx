import { courseCount } from '@ombra/core/stages/outline';
import { type Family, FAMILIES } from '@ombra/core/kernel/forms';
import { readLength, showLength, storeLength, USUAL } from '@ombra/core/kernel/measure';
import type { Plan, PlanEdit } from '@ombra/core/kernel/plan';
import type { WorkedPlan } from '@ombra/core/work';
import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { Choice } from '../../ui/Choice';
import { LengthField } from '../../ui/LengthField';

interface JobSettingsProps {
  readonly plan: Plan;
  readonly worked: WorkedPlan | null;
  readonly onEdit: (edit: PlanEdit, merge?: string) => void;
  readonly onLeave: () => void;
  readonly onForms: () => void;
}

const FACES = [
  { value: 'form', label: 'Form' },
  { value: 'concrete', label: 'Concrete' },
  { value: 'centre', label: 'Center line' },
] as const;

const UNITS = [
  { value: 'imperial', label: 'ft-in' },
  { value: 'metric', label: 'mm' },
] as const;

const BY = [
  { value: 'courses', label: 'Courses' },
  { value: 'height', label: 'Height' },
] as const;

/** The number of courses; half-typed text is kept here and only whole numbers go into the plan. */
function CoursesField({ plan, onEdit }: Pick<JobSettingsProps, 'plan' | 'onEdit'>) {
  const courses = courseCount(plan);
  const [draft, setDraft] = useState<string | null>(null);
  const set = (value: number, merge?: string): void => {
    onEdit({ kind: 'set-courses', courses: value }, merge);
  };
  return (
    <div className="flex gap-1">
      <button
        type="button"
        className="button px-2"
        aria-label="One course fewer"
        disabled={courses <= 1}
        onClick={() => {
          set(courses - 1);
        }}
      >
        <Minus aria-hidden="true" size={14} />
      </button>
      <input
        id="courses"
        aria-label="Number of courses"
        className="field figures w-14 text-center text-lg"
        inputMode="numeric"
        maxLength={6}
        value={draft ?? String(courses)}
        onChange={(event) => {
          const text = event.currentTarget.value;
          setDraft(text);
          const value = Number(text.trim() === '' ? Number.NaN : text.trim().replace(',', '.'));
          if (Number.isFinite(value)) set(value, 'courses');
        }}
        onBlur={() => {
          setDraft(null);
        }}
      />
      <button
        type="button"
        className="button px-2"
        aria-label="One course more"
        onClick={() => {
          set(courses + 1);
        }}
      >
        <Plus aria-hidden="true" size={14} />
      </button>
    </div>
  );
}

/** How high the walls are: counted in courses, or a height whose rest is ripped or made of half-height pieces. */
function HeightSettings({ plan, worked, onEdit, onLeave }: Omit<JobSettingsProps, 'onForms'>) {
  return (
    <>
      <Choice
        label="Wall height in"
        name="height-by"
        value={plan.height === undefined ? 'courses' : 'height'}
        options={BY}
        onChoose={(by) => {
          if (by === 'height') {
            const height = worked && worked.courses.height > 0 ? worked.courses.height : null;
            onEdit({ kind: 'set-height', height: height === null ? '8ft' : storeLength(height, plan.units) });
          } else {
            onEdit({
              kind: 'all',
              edits: [
                { kind: 'set-height', height: null },
                { kind: 'set-courses', courses: Math.max(1, worked?.levels.courses ?? 1) },
              ],
            });
          }
        }}
      />
      <div className="self-end">
        {plan.height === undefined ? (
          <CoursesField plan={plan} onEdit={onEdit} />
        ) : (
          <div id="height" className="w-36">
            <LengthField
              usual={USUAL.height}
              label="Height above the lowest footing"
              text={plan.height}
              units={plan.units}
              onType={(height) => {
                onEdit({ kind: 'set-height', height }, 'height');
              }}
              onLeave={onLeave}
            />
          </div>
        )}
      </div>
    </>
  );
}

function FormsSettings({ plan, worked, onEdit, onForms }: Omit<JobSettingsProps, 'onLeave'>) {
  const families: readonly Family[] = worked?.families ?? FAMILIES;
  const family = families.find((each) => each.id === plan.family);
  const core = readLength(plan.core, plan.units);
  const storedCore = core.ok ? storeLength(core.length, 'imperial') : plan.core;
  return (
    <div className="col-span-2 flex items-end gap-3">
      <div className="grow">
        <label className="heading mb-0.5 block" htmlFor="family">
          Forms
        </label>
        <select
          id="family"
          className="field"
          value={plan.family}
          onChange={(event) => {
            onEdit({ kind: 'set-family', family: event.currentTarget.value });
          }}
        >
          {family === undefined && <option value={plan.family}>{plan.family} (unknown)</option>}
          {families.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </div>
      <div>
        <label className="heading mb-0.5 block" htmlFor="core">
          Core
        </label>
        <select
          id="core"
          className="field figures"
          value={storedCore}
          onChange={(event) => {
            onEdit({ kind: 'set-core', core: event.currentTarget.value });
          }}
        >
          {!family?.cores.some((each) => storeLength(each, 'imperial') === storedCore) && (
            <option value={storedCore}>{plan.core} (not offered)</option>
          )}
          {family?.cores.map((each) => (
            <option key={each} value={storeLength(each, 'imperial')}>
              {showLength(each, plan.units, { style: 'inches' })}
            </option>
          ))}
        </select>
      </div>
      <button type="button" className="button" onClick={onForms}>
        See the forms
      </button>
    </div>
  );
}

/** What the job is built of, and what its lengths mean. */
export function JobSettings(props: JobSettingsProps) {
  const { plan, onEdit } = props;
  return (
    <div className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-3">
      <div className="col-span-2">
        <label className="heading mb-0.5 block" htmlFor="job-name">
          Job
        </label>
        <input
          id="job-name"
          className="field text-lg font-semibold"
          maxLength={120}
          value={plan.name}
          onChange={(event) => {
            onEdit({ kind: 'rename', name: event.currentTarget.value }, 'name');
          }}
        />
      </div>
      <Choice
        label="Lengths measured to"
        name="measured-to"
        value={plan.measuredTo}
        options={FACES}
        onChoose={(measuredTo) => {
          onEdit({ kind: 'set-measured-to', measuredTo });
        }}
      />
      <Choice
        label="Units"
        name="units"
        value={plan.units}
        options={UNITS}
        onChoose={(units) => {
          onEdit({ kind: 'set-units', units });
        }}
      />
      <FormsSettings {...props} />
      <HeightSettings {...props} />
    </div>
  );
}
