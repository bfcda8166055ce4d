import { type Side, clashKey, placeName } from '@ombra/core/kernel/plan';
import { wallsOf } from '@ombra/core/stages/outline';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog';
import { makeJob } from './server';
import type { Choices } from './sync';
import type { Job } from './useJob';

interface StaleDialogProps {
  readonly jobId: string;
  readonly job: Job;
}

/** Longest job name; a copy's name must stay within it. */
const LONGEST_NAME = 120;

/** Letters of a value that are shown. */
const LONGEST_VALUE = 60;

/** A value of a plan as somebody would read it. */
function shown(value: unknown): string {
  if (value === undefined) return 'taken away';
  if (typeof value === 'string') return value === '' ? 'empty' : value;
  if (typeof value === 'object' && value !== null && 'name' in value && typeof value.name === 'string')
    return value.name === '' ? 'kept' : value.name;
  if (Array.isArray(value)) return value.length === 1 ? 'one of them' : `${String(value.length)} of them`;
  return JSON.stringify(value).slice(0, LONGEST_VALUE);
}

/** When another tab has saved first, or the job is gone: mine, theirs, or a copy. Nothing is chosen for the user. */
export function StaleDialog({ jobId, job }: StaleDialogProps) {
  const { saveState, sync, plan, worked, freshId } = job;
  const walls = worked ? wallsOf(worked.shell) : [];
  const [problem, setProblem] = useState<string | null>(null);
  const [choices, setChoices] = useState<Choices>({});
  const clashes = saveState.kind === 'stale' ? saveState.clashes : [];
  const chosen = (key: string): Side => choices[key] ?? 'mine';
  const gone = saveState.kind === 'missing';
  const open = saveState.kind === 'stale' || gone;

  const asCopy = async (): Promise<void> => {
    const name = `${plan.name.slice(0, LONGEST_NAME - 7)} (copy)`;
    const made = await makeJob({ ...plan, name }, freshId());
    if (!made.ok) {
      setProblem(made.problems.map(({ what }) => what).join(' '));
      return;
    }
    await sync?.dropMine();
    location.assign(`/jobs/${made.id}/outline`);
  };
  const takeTheirs = async (): Promise<void> => {
    if (gone) {
      await sync?.dropMine();
      location.assign('/');
    } else if ((await sync?.takeTheirs()) === true) location.reload();
    else {
      setProblem(
        'The server is offline, so your version could not go into the job’s history. Nothing was changed. Try again.',
      );
    }
  };

  return (
    <Dialog
      title={gone ? 'This job was removed elsewhere' : 'This job was changed elsewhere'}
      open={open}
      mustAnswer
      onClose={() => undefined}
    >
      <p>
        {gone
          ? 'Your edits are kept here. Save them as a new job, or discard them.'
          : clashes.length > 0
            ? 'You and somebody else edited the same fields. All other edits are merged. Choose which to keep; the others stay in the job’s history.'
            : 'Another tab or person saved a newer version after you opened it. Choose which one to keep. The other stays in the job’s history.'}
      </p>
      {saveState.kind === 'stale' && (
        <p className="mt-1 text-sm text-quiet">
          Theirs was saved {new Date(saveState.updatedAt).toLocaleString()}.
        </p>
      )}
      {clashes.length > 0 && (
        <ul className="mt-3 max-h-[40vh] overflow-y-auto" aria-label="Changed by both">
          {clashes.map(({ path, mine, theirs }) => {
            const key = clashKey(path);
            return (
              <li key={key} className="border-t border-line py-2">
                <fieldset>
                  <legend className="font-medium first-letter:uppercase">
                    {placeName(plan, path, (id) => walls.find((wall) => wall.id === id)?.name)}
                  </legend>
                  {(
                    [
                      ['mine', mine],
                      ['theirs', theirs],
                    ] as const
                  ).map(([side, value]) => (
                    <label key={side} className="flex min-h-(--target) items-center gap-2">
                      <input
                        type="radio"
                        className="size-5 accent-chalk"
                        name={key}
                        checked={chosen(key) === side}
                        onChange={() => {
                          setChoices({ ...choices, [key]: side });
                        }}
                      />
                      {side === 'mine' ? 'Mine' : 'Theirs'}: <span className="figures">{shown(value)}</span>
                    </label>
                  ))}
                </fieldset>
              </li>
            );
          })}
        </ul>
      )}
      {problem !== null && (
        <p role="alert" className="mt-2 text-stop">
          {problem}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        {saveState.kind === 'stale' && (
          <button
            type="button"
            className="button"
            onClick={() => {
              void sync?.keepMine(saveState.theirVersion, choices);
            }}
          >
            {clashes.some(({ path }) => chosen(clashKey(path)) === 'theirs') ? 'Keep as chosen' : 'Keep mine'}
          </button>
        )}
        <button
          type="button"
          className="button"
          onClick={() => {
            void takeTheirs();
          }}
        >
          {gone ? 'Discard mine' : 'Take theirs'}
        </button>
        <button
          type="button"
          className="button strong"
          onClick={() => {
            void asCopy();
          }}
        >
          Save mine as a copy
        </button>
        <a className="button plain" href={`/api/jobs/${jobId}/plan.json`} download hidden={gone}>
          Download theirs
        </a>
      </div>
    </Dialog>
  );
}
