import { type RowProblem, readSurveyFile } from '@ombra/core/footing/surveyFile';
import type { SurveyPass } from '@ombra/core/footing/problem';
import type { WorkedPlan } from '@ombra/core/work';
import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import type { Job } from '../job/useJob';
import { putShots, shotsIn } from './shots';

interface SurveyFileBoxProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly pass: SurveyPass;
}

/** Files larger than this hold no survey. */
const LARGEST_FILE = 2_000_000;

/** Readings from a CSV file or pasted from a sheet; nothing is taken while a row is wrong. */
export function SurveyFileBox({ job, worked, pass }: SurveyFileBoxProps) {
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<readonly RowProblem[]>([]);
  const [taken, setTaken] = useState<string | null>(null);
  const take = (from: string): void => {
    const reading = readSurveyFile(from, worked.shell, job.plan.units);
    if (!reading.ok) {
      setProblems(reading.problems);
      setTaken(null);
      return;
    }
    putShots(job, pass, [
      ...shotsIn(job, pass),
      ...reading.shots.map((shot) => ({ ...shot, id: job.freshId() })),
    ]);
    setProblems([]);
    setText('');
    setTaken(`${String(reading.shots.length)} readings taken.`);
  };
  return (
    <div className="flex flex-col gap-2">
      <label className="block">
        <span className="heading mb-0.5 block">Paste here: wall, at, reading (or station, reading)</span>
        <textarea
          className="field figures h-24 text-[15px]"
          value={text}
          spellCheck={false}
          placeholder={'wall, at, reading\nA-B, 4ft, 4ft 2 1/8in'}
          onChange={(event) => {
            setText(event.currentTarget.value);
          }}
        />
      </label>
      <div className="flex flex-wrap gap-1.5">
        <button
          type="button"
          className="button strong"
          disabled={text.trim() === ''}
          onClick={() => {
            take(text);
          }}
        >
          Take these
        </button>
        <label className="button cursor-pointer has-focus-visible:outline-3 has-focus-visible:outline-chalk">
          <Upload aria-hidden="true" size={15} /> CSV file
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            className="sr-only"
            onChange={(event) => {
              const input = event.currentTarget;
              const file = input.files?.[0];
              if (!file) return;
              if (file.size > LARGEST_FILE) {
                setProblems([
                  { row: 1, what: `“${file.name}” is larger than any survey (2 MB); choose another file.` },
                ]);
              } else void file.text().then(take);
              input.value = '';
            }}
          />
        </label>
        {shotsIn(job, pass).length > 0 && (
          <a className="button" href={`/api/jobs/${job.id}/survey.csv?pass=${pass}`} download>
            <Download aria-hidden="true" size={15} /> Save as CSV
          </a>
        )}
      </div>
      <div role="status" className="text-sm">
        {taken !== null && <p className="text-record">{taken}</p>}
        {problems.length > 0 && (
          <div className="text-stop">
            <p className="font-semibold">Nothing was taken:</p>
            <ul>
              {problems.map((problem, index) => (
                <li key={index}>
                  Row {problem.row}: {problem.what}
                </li>
              ))}
            </ul>
          </div>
        )}
      </div>
    </div>
  );
}
