import {
  type DocumentProblem,
  type FamilyFile,
  FAMILIES,
  readFamily,
  writeFamily,
} from '@ombra/core/kernel/forms';
import {
  type TypedQuantity,
  type UnitSystem,
  readLength,
  readQuantity,
  writeQuantity,
} from '@ombra/core/kernel/measure';
import { Copy, Download, FileUp, Trash2 } from 'lucide-react';
import { useRef, useState } from 'react';
import type { Job } from '../../job/useJob';
import { FamilyPicture } from './FamilyPicture';
import { type FamilyField, FIELDS, figureAt, withFigure } from './familyFields';
import { WithForms } from './WithForms';

const KINDS = {
  'flat-wall': 'flat-wall blocks',
  'panel-and-tie': 'panels and ties',
  cell: 'cell blocks',
} as const;

type Quantity = Extract<FamilyField['type'], TypedQuantity>;

/** How a quantity is written, for one that cannot be read. */
const EXAMPLES: Readonly<Record<Quantity, string>> = {
  pressure: '700 psf or 33 kPa',
  mass: '6.5 lb or 3 kg',
  volume: '0.4 ft³, 0,012 m³ or 12 litres',
};

const isQuantity = (type: FamilyField['type']): type is Quantity => Object.hasOwn(EXAMPLES, type);

/** A figure as it is typed. */
function textOf(value: unknown, field: FamilyField, units: UnitSystem): string {
  if (typeof value === 'number' && isQuantity(field.type)) return writeQuantity(value, field.type, units);
  if (Array.isArray(value)) return value.join(', ');
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** What was typed as a figure of the file; numbers that cannot be read stay text, and are refused with their reason. */
function typed(field: FamilyField, text: string, units: UnitSystem): unknown {
  if (field.optional && text.trim() === '') return undefined;
  if (field.type === 'lengths') return text.split(/[,;]/).map((each) => each.trim());
  if (isQuantity(field.type)) return readQuantity(text, field.type, units) ?? text;
  if (field.type === 'number') {
    const value = Number(text.replace(',', '.'));
    return text.trim() === '' || Number.isNaN(value) ? text : value;
  }
  return text;
}

function Figure({
  field,
  file,
  problems,
  units,
  onChange,
}: {
  readonly field: FamilyField;
  readonly file: FamilyFile;
  readonly units: UnitSystem;
  readonly problems: readonly DocumentProblem[];
  readonly onChange: ((file: FamilyFile) => void) | null;
}) {
  const value = figureAt(file, field.path);
  const [draft, setDraft] = useState<string | null>(null);
  const own = problems.filter((problem) => problem.where.replace(/\[\d+\]/, '') === field.path);
  const id = `figure-${field.path}`;
  const text = draft ?? textOf(value, field, units);
  const unread = isQuantity(field.type) && typeof value === 'string';
  return (
    <div className="border-b border-line py-1">
      <div className="grid grid-cols-[1fr_150px] items-center gap-2">
        <label htmlFor={id}>
          {field.label}
          {field.optional ? <span className="text-quiet"> (may be empty)</span> : null}
        </label>
        {field.type === 'flag' ? (
          <input
            id={id}
            type="checkbox"
            className="size-(--target) justify-self-start"
            checked={value === true}
            disabled={!onChange}
            onChange={(event) => {
              onChange?.(withFigure(file, field.path, event.currentTarget.checked));
            }}
          />
        ) : (
          <input
            id={id}
            className="field figures text-lg"
            autoComplete="off"
            spellCheck={false}
            aria-invalid={own.length > 0}
            aria-describedby={own.length > 0 ? `${id}-wrong` : undefined}
            disabled={!onChange}
            maxLength={120}
            value={text}
            onChange={(event) => {
              setDraft(event.currentTarget.value);
              onChange?.(withFigure(file, field.path, typed(field, event.currentTarget.value, units)));
            }}
            onBlur={() => {
              setDraft(null);
            }}
          />
        )}
      </div>
      {own.length > 0 && (
        <p id={`${id}-wrong`} className="text-sm text-stop">
          {unread && isQuantity(field.type)
            ? `Write it as ${EXAMPLES[field.type]}.`
            : own.map((problem) => problem.what).join(' ')}
        </p>
      )}
    </div>
  );
}

/** A name and id that no family of the job has yet. */
function copyOf(file: FamilyFile, taken: readonly string[]): FamilyFile {
  let number = 1;
  while (taken.includes(`${file.id}-own-${String(number)}`)) number += 1;
  return {
    ...file,
    id: `${file.id}-own-${String(number)}`,
    name: `${file.name}, our own${number > 1 ? ` ${String(number)}` : ''}`,
  };
}

/** The form families of a job: those that ship to look at and copy, the job's own to edit, with what they make of the job. */
export function FormsStage({ job }: { readonly job: Job }) {
  const { plan, edit, endMerge } = job;
  const own = plan.families ?? [];
  const all: readonly FamilyFile[] = [...own, ...FAMILIES.map(writeFamily)];
  const [chosenId, setChosenId] = useState(plan.family);
  const chosen = all.find((each) => each.id === chosenId) ?? all[0];
  const [draft, setDraft] = useState<FamilyFile | null>(null);
  const [refusal, setRefusal] = useState<readonly DocumentProblem[]>([]);
  const picker = useRef<HTMLInputElement>(null);
  if (!chosen) return null;
  const isOwn = own.some((each) => each.id === chosen.id);
  const file = draft?.id === chosen.id ? draft : chosen;
  const reading = readFamily(file);
  const stored = readFamily(chosen);
  const family = reading.ok ? reading.family : stored.ok ? stored.family : null;
  const wanted = readLength(plan.core, plan.units);
  const core =
    family && (wanted.ok && family.cores.includes(wanted.length) ? wanted.length : family.cores[0]);

  const choose = (id: string): void => {
    setChosenId(id);
    setDraft(null);
    setRefusal([]);
  };
  const change = (next: FamilyFile): void => {
    setDraft(next);
    if (readFamily(next).ok) edit({ kind: 'put-family', family: next }, `family:${next.id}`);
  };
  const add = (next: FamilyFile): void => {
    edit({ kind: 'put-family', family: next });
    choose(next.id);
  };
  const take = async (picked: File): Promise<void> => {
    try {
      const document: unknown = JSON.parse(await picked.text());
      const found = readFamily(document);
      if (!found.ok) {
        setRefusal(found.problems);
        return;
      }
      const taken = all.map((each) => each.id);
      const written = writeFamily(found.family);
      add(taken.includes(written.id) ? copyOf(written, taken) : written);
    } catch {
      setRefusal([
        { where: picked.name, what: 'This is not readable JSON; choose a family file that Ombra wrote.' },
      ]);
    }
  };
  const save = (): void => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(
      new Blob([`${JSON.stringify(chosen, null, 2)}\n`], { type: 'application/json' }),
    );
    link.download = `${chosen.id}.family.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <div className="grid grow grid-cols-[230px_minmax(340px,430px)_1fr] gap-6 p-4 max-lg:grid-cols-[210px_1fr] max-md:grid-cols-1">
      <section aria-label="Families">
        <h2 className="heading mb-1">Form families</h2>
        <ul>
          {all.map((each) => (
            <li key={each.id} className="border-b border-line">
              <button
                type="button"
                aria-pressed={each.id === chosen.id}
                className={`w-full px-2 py-1 text-left ${each.id === chosen.id ? 'bg-sheet font-semibold text-chalk' : ''}`}
                onClick={() => {
                  choose(each.id);
                }}
              >
                {each.name}
                <span className="block text-sm font-normal text-quiet">
                  {KINDS[each.kind]}
                  {own.includes(each) ? ', this job’s own' : ''}
                  {each.id === plan.family ? ', in use' : ''}
                </span>
              </button>
            </li>
          ))}
        </ul>
        <div className="mt-3 flex flex-col gap-1.5">
          <button
            type="button"
            className="button"
            onClick={() => {
              add(
                copyOf(
                  chosen,
                  all.map((each) => each.id),
                ),
              );
            }}
          >
            <Copy aria-hidden="true" size={15} /> Copy {chosen.name}
          </button>
          <button type="button" className="button" onClick={save}>
            <Download aria-hidden="true" size={15} /> Save as a file
          </button>
          <button
            type="button"
            className="button"
            onClick={() => {
              picker.current?.click();
            }}
          >
            <FileUp aria-hidden="true" size={15} /> Open a family file
          </button>
          <input
            ref={picker}
            type="file"
            className="sr-only"
            tabIndex={-1}
            aria-label="Family file"
            accept=".json,application/json"
            onChange={(event) => {
              const [picked] = event.currentTarget.files ?? [];
              event.currentTarget.value = '';
              if (picked) void take(picked);
            }}
          />
          {isOwn && (
            <button
              type="button"
              className="button"
              disabled={chosen.id === plan.family}
              title={chosen.id === plan.family ? 'This job uses it. Choose other forms first.' : undefined}
              onClick={() => {
                edit({ kind: 'remove-family', family: chosen.id });
                choose(plan.family);
              }}
            >
              <Trash2 aria-hidden="true" size={15} /> Remove {chosen.name}
            </button>
          )}
        </div>
        {refusal.length > 0 && (
          <div role="alert" className="mt-2 text-sm text-stop">
            {refusal.map((problem) => (
              <p key={problem.where}>
                <strong>{problem.where}:</strong> {problem.what}
              </p>
            ))}
          </div>
        )}
      </section>
      <section aria-label="Figures" onBlur={endMerge}>
        <h2 className="heading mb-1">{isOwn ? 'Sizes, from the maker’s sheet' : 'Sizes, as shipped'}</h2>
        {isOwn ? (
          <input
            className="field mb-1 text-lg font-semibold"
            aria-label="Name of this family"
            maxLength={80}
            value={file.name}
            onChange={(event) => {
              change({ ...file, name: event.currentTarget.value });
            }}
          />
        ) : (
          <p className="mb-1 text-sm text-quiet">
            Names and sizes are invented. Copy the closest family and set it to the forms on your truck.
          </p>
        )}
        {FIELDS[file.kind].map((field) => (
          <Figure
            key={`${file.id}:${field.path}`}
            field={field}
            file={file}
            units={plan.units}
            problems={reading.ok ? [] : reading.problems}
            onChange={isOwn ? change : null}
          />
        ))}
        {!reading.ok && (
          <p role="status" className="mt-2 font-semibold text-stop">
            Not saved yet: {reading.problems.map((problem) => problem.what)[0]}
          </p>
        )}
      </section>
      <section aria-label="Picture" className="max-lg:col-span-2 max-md:col-span-1">
        {family && core !== null && core !== undefined && (
          <FamilyPicture family={family} core={core} units={plan.units} />
        )}
        {family && (
          <WithForms
            plan={plan}
            family={family}
            onTake={() => {
              edit({ kind: 'set-family', family: family.id });
            }}
          />
        )}
      </section>
    </div>
  );
}
