import type { RowProblem } from '@ombra/core/kernel/table';
import { Download, Upload } from 'lucide-react';
import { useState } from 'react';

interface CsvBoxProps {
  /** What is pasted: columns and all. */
  readonly label: string;
  readonly placeholder: string;
  /** What a file holds, for words: `survey`. */
  readonly what: string;
  /** Takes what the text says, or says row by row what is wrong; nothing is taken while a row is wrong. */
  readonly onTake: (
    text: string,
  ) => { readonly taken: string } | { readonly problems: readonly RowProblem[] };
  /** Where to save what there is; left out where there is nothing. */
  readonly href?: string;
}

/** Files larger than this hold no list of a job. */
const LARGEST_FILE = 2_000_000;

/** Rows from a CSV file or pasted from a sheet, and the way back out. */
export function CsvBox({ label, placeholder, what, onTake, href }: CsvBoxProps) {
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<readonly RowProblem[]>([]);
  const [taken, setTaken] = useState<string | null>(null);
  const take = (from: string): void => {
    const answer = onTake(from);
    if ('problems' in answer) {
      setProblems(answer.problems);
      setTaken(null);
      return;
    }
    setProblems([]);
    setText('');
    setTaken(answer.taken);
  };
  return (
    <div className="flex flex-col gap-2">
      <label className="block">
        <span className="heading mb-0.5 block">{label}</span>
        <textarea
          className="field figures h-24 text-[15px]"
          value={text}
          spellCheck={false}
          placeholder={placeholder}
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
          Use these
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
                  { row: 1, what: `“${file.name}” is larger than any ${what} (2 MB); choose another file.` },
                ]);
              } else void file.text().then(take);
              input.value = '';
            }}
          />
        </label>
        {href !== undefined && (
          <a className="button" href={href} download>
            <Download aria-hidden="true" size={15} /> Save as CSV
          </a>
        )}
      </div>
      <div role="status" className="text-sm">
        {taken !== null && <p className="text-record">{taken}</p>}
        {problems.length > 0 && (
          <div className="text-stop">
            <p className="font-semibold">Nothing was added:</p>
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
