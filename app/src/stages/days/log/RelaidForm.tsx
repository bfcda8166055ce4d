import { wallsOf } from '@ombra/core/stages/outline';
import { useState } from 'react';
import { LineField, SelectField } from './Field';
import type { EntryFormProps } from './formProps';

/** A course, or walls of it, that was taken down: it is planned anew. */
export function RelaidForm({ job, worked, onWrite }: EntryFormProps<'relaid'>) {
  const laid = job.log.onSite?.laid.rows ?? [];
  const courses = [...new Set(laid.map((row) => row.course))].sort((a, b) => b - a);
  const [asked, setAsked] = useState<string | null>(null);
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const [why, setWhy] = useState('');
  const course = Number(asked ?? courses[0] ?? 0);
  const standing = laid.filter((row) => row.course === course).map(({ wall }) => wall);
  const names = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall.name]));
  const down = standing.filter((wall) => !kept.has(wall));
  if (courses.length === 0) return <p>Nothing is recorded as laid.</p>;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite({ rows: down.map((wall) => ({ course, wall })), why: why.trim() });
      }}
    >
      <SelectField
        label="Course"
        value={String(course)}
        options={courses.map((each): readonly [string, string] => [String(each), `Course ${String(each)}`])}
        onChoose={(next) => {
          setAsked(next);
          setKept(new Set());
        }}
      />
      <fieldset className="my-2">
        <legend className="heading">Taken down on</legend>
        <div className="flex flex-wrap gap-1">
          {standing.map((wall) => (
            <button
              key={wall}
              type="button"
              className={`button figures ${kept.has(wall) ? '' : 'border-record! bg-record! text-sheet!'}`}
              aria-pressed={!kept.has(wall)}
              onClick={() => {
                const next = new Set(kept);
                if (!next.delete(wall)) next.add(wall);
                setKept(next);
              }}
            >
              {names.get(wall) ?? 'a wall that is gone'}
            </button>
          ))}
        </div>
      </fieldset>
      <LineField label="Why" text={why} onType={setWhy} />
      <button type="submit" className="button strong mt-2" disabled={down.length === 0}>
        Record that it was taken down
      </button>
    </form>
  );
}
