import { Download, FileText, X } from 'lucide-react';
import { useState } from 'react';
import type { StageProps } from '../../frame/stage';
import { Choice } from '../../ui/Choice';
import {
  type Language,
  type PacketChoice,
  type PacketSheet,
  type Paper,
  LANGUAGE_NAMES,
  LANGUAGES,
  PACKET_SHEETS,
  PAPER_NAMES,
  PAPERS,
  ROLES,
} from './choice';
import { JOB_FILES } from './files';
import { usePacket } from './usePacket';

const everySheet: readonly PacketSheet[] = PACKET_SHEETS.map(({ id }) => id);

/** `240 kB`, `1.4 MB`. */
const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${String(Math.ceil(bytes / 1000))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** Whether all sheets of a role, some, or none are chosen. */
function roleState(sheets: readonly PacketSheet[], chosen: ReadonlySet<PacketSheet>): boolean | 'mixed' {
  const count = sheets.filter((sheet) => chosen.has(sheet)).length;
  return count === sheets.length ? true : count > 0 ? 'mixed' : false;
}

/** The packet: who is handed which sheets, in which language and on what paper, and the files for other programs. */
export function PacketStage({ job }: StageProps) {
  const { plan } = job;
  const [chosen, setChosen] = useState<ReadonlySet<PacketSheet>>(new Set(everySheet));
  const [language, setLanguage] = useState<Language>('en');
  const [paper, setPaper] = useState<Paper>(plan.units === 'metric' ? 'a4' : 'letter');
  const [ink, setInk] = useState<'color' | 'black'>('color');
  const { state, make, cancel } = usePacket(job);
  const sheets = everySheet.filter((id) => chosen.has(id));
  const choice: PacketChoice = { sheets, language, paper, black: ink === 'black' };
  const put = (ids: readonly PacketSheet[], on: boolean): void => {
    const next = new Set(chosen);
    for (const id of ids) {
      if (on) next.add(id);
      else next.delete(id);
    }
    setChosen(next);
  };
  return (
    <div className="mx-auto grid w-full max-w-[1180px] grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-8 p-6 max-md:grid-cols-1 max-md:p-4">
      <section aria-label="Make the packet" className="flex flex-col gap-4">
        <h2 className="text-xl font-semibold">Packet to print</h2>
        <div role="group" aria-label="By role">
          <h3 className="heading mb-1">By role</h3>
          <div className="flex flex-wrap gap-1.5">
            {ROLES.map((role) => {
              const pressed = roleState(role.sheets, chosen);
              return (
                <button
                  key={role.id}
                  type="button"
                  aria-pressed={pressed}
                  className={`button ${pressed === true ? 'bg-chalk text-on-chalk' : pressed === 'mixed' ? 'bg-chalk-wash' : ''}`}
                  onClick={() => {
                    put(role.sheets, pressed !== true);
                  }}
                >
                  {role.name}
                </button>
              );
            })}
          </div>
        </div>
        <fieldset>
          <legend className="heading mb-1">Sheets</legend>
          <ul className="grid grid-cols-2 gap-x-6 max-sm:grid-cols-1">
            {PACKET_SHEETS.map(({ id, name }) => (
              <li key={id}>
                <label className="flex min-h-(--target) items-center gap-2 border-b border-line">
                  <input
                    type="checkbox"
                    className="size-5 accent-chalk"
                    checked={chosen.has(id)}
                    onChange={(event) => {
                      put([id], event.target.checked);
                    }}
                  />
                  {name}
                </label>
              </li>
            ))}
          </ul>
          <p className="mt-1 flex gap-2">
            <button
              type="button"
              className="button"
              onClick={() => {
                put(everySheet, true);
              }}
            >
              All
            </button>
            <button
              type="button"
              className="button"
              onClick={() => {
                setChosen(new Set());
              }}
            >
              None
            </button>
          </p>
        </fieldset>
        <div className="flex flex-wrap gap-4">
          <Choice
            label="Language"
            name="language"
            value={language}
            options={LANGUAGES.map((value) => ({ value, label: LANGUAGE_NAMES[value] }))}
            onChoose={setLanguage}
          />
          <Choice
            label="Paper"
            name="paper"
            value={paper}
            options={PAPERS.map((value) => ({ value, label: PAPER_NAMES[value] }))}
            onChoose={setPaper}
          />
          <Choice
            label="Ink"
            name="ink"
            value={ink}
            options={[
              { value: 'color', label: 'Color' },
              { value: 'black', label: 'Black' },
            ]}
            onChoose={setInk}
          />
        </div>
        <div className="flex min-h-12 flex-wrap items-center gap-3" role="status">
          {state.kind === 'making' ? (
            <>
              <label className="figures flex items-center gap-2">
                Making the packet
                <progress
                  className="h-4 w-48 appearance-none border border-ink bg-sheet [&::-moz-progress-bar]:bg-chalk [&::-webkit-progress-bar]:bg-sheet [&::-webkit-progress-value]:bg-chalk"
                  max={state.of || 1}
                  {...(state.of > 0 ? { value: state.done } : {})}
                />
              </label>
              <button type="button" className="button" onClick={cancel}>
                <X aria-hidden="true" size={17} /> Cancel
              </button>
            </>
          ) : (
            <button
              type="button"
              className="button strong"
              disabled={sheets.length === 0}
              onClick={() => {
                void make(choice);
              }}
            >
              <FileText aria-hidden="true" size={17} /> Make packet
            </button>
          )}
          {state.kind === 'made' && (
            <a className="button" href={state.url} download={`${plan.name || 'packet'}.pdf`}>
              <Download aria-hidden="true" size={17} /> Save PDF, {sizeText(state.bytes)}
            </a>
          )}
          {state.kind === 'failed' && <span className="font-semibold text-stop">{state.what}</span>}
          {sheets.length === 0 && <span className="text-quiet">Choose a role or a sheet.</span>}
        </div>
        <p className="text-sm text-quiet">
          Every page has a code to scan. It opens the same place here, and says so when the plan has changed
          since the page was printed.
        </p>
      </section>
      <section aria-label="Files for other programs" className="flex flex-col gap-3">
        <h2 className="text-xl font-semibold">Files for other programs</h2>
        {JOB_FILES.map(({ title, files }) => (
          <div key={title}>
            <h3 className="heading">{title}</h3>
            <ul>
              {files.map(({ file, what, csv }) => (
                <li key={file} className="flex items-center gap-2 border-b border-line">
                  <a
                    className="figures flex min-h-(--target) min-w-28 items-center font-semibold underline"
                    href={`/api/jobs/${job.id}/export/${file}`}
                    download
                  >
                    {file}
                  </a>
                  <span className="grow text-[15px] leading-tight">{what}</span>
                  {csv !== undefined && (
                    <a
                      className="figures flex min-h-(--target) min-w-11 items-center justify-end underline"
                      href={`/api/jobs/${job.id}/export/${csv}`}
                      aria-label={csv}
                      download
                    >
                      CSV
                    </a>
                  )}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </section>
    </div>
  );
}
