import { Link2 } from 'lucide-react';
import { toString as codeOf } from 'qrcode';
import { type SubmitEvent, useState } from 'react';
import type { Role } from '../server/access/roles';
import { ROLE_WORDS } from './roleWords';
import type { Problem } from '../job/call';
import { send, typedIn } from './send';

interface NewLinkProps {
  readonly jobs: readonly { readonly id: string; readonly name: string }[];
  readonly origins: readonly string[];
  readonly onMade: () => void;
}

/** For how many days new devices can sign in with a link. */
const DAYS = [1, 7, 30, 90] as const;

interface Made {
  readonly url: string;
  readonly name: string;
  readonly role: Role;
  /** The code to scan, as a picture. */
  readonly code: string;
}

const svgAddress = (svg: string): string => `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;

/** Makes a link for a role, and shows it with its code this once. */
export function NewLink({ jobs, origins, onMade }: NewLinkProps) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [made, setMade] = useState<Made | null>(null);
  const submit = async (event: SubmitEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const element = event.currentTarget;
    const typed = (field: string): string => typedIn(element, field);
    const role = typed('role') as Role;
    const answer = await send('POST', '/api/links', {
      name: typed('name'),
      role,
      days: Number(typed('days')),
      ...(typed('job') !== '' && { job: typed('job') }),
    });
    if (!answer.ok) {
      setProblems(answer.problems);
      return;
    }
    setProblems([]);
    const url = `${typed('origin')}${String(answer.body['path'])}`;
    const code = await codeOf(url, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
    setMade({ url, role, name: typed('name').trim(), code: svgAddress(code) });
    element.reset();
    onMade();
  };
  return (
    <section aria-labelledby="new-link" className="border-b border-line pb-6">
      <h2 id="new-link" className="mb-2 text-xl font-semibold">
        New link
      </h2>
      <form method="post" className="flex flex-wrap items-end gap-3" onSubmit={(event) => void submit(event)}>
        <label className="flex flex-col">
          For whom
          <input
            className="field min-h-11"
            name="name"
            maxLength={80}
            required
            placeholder="a crew or a person"
          />
        </label>
        <label className="flex flex-col">
          Role
          <select className="field min-h-11" name="role" defaultValue="crew">
            {(['crew', 'look', 'office'] as const).map((role) => (
              <option key={role} value={role}>
                {ROLE_WORDS[role].name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col">
          Opens
          <select className="field min-h-11 max-w-56" name="job" defaultValue="">
            <option value="">The list of jobs</option>
            {jobs.map((job) => (
              <option key={job.id} value={job.id}>
                {job.name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col">
          Valid for
          <select className="field min-h-11" name="days" defaultValue="7">
            {DAYS.map((days) => (
              <option key={days} value={days}>
                {days === 1 ? '1 day' : `${String(days)} days`}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col">
          Address
          <select className="field min-h-11 max-w-64" name="origin">
            {origins.map((origin) => (
              <option key={origin} value={origin}>
                {origin}
              </option>
            ))}
          </select>
        </label>
        <button type="submit" className="button strong min-h-11">
          <Link2 aria-hidden="true" /> Make a link
        </button>
      </form>
      {problems.map(({ what }) => (
        <p key={what} role="alert" className="mt-2 border-l-4 border-stop pl-3">
          {what}
        </p>
      ))}
      {made && (
        <div role="status" className="mt-4 flex flex-wrap items-center gap-4 border-l-4 border-chalk pl-4">
          <img src={made.code} alt={`Code to scan: link for ${made.name}`} width={200} height={200} />
          <div className="min-w-0 grow">
            <p className="text-lg font-semibold">
              {made.name}, {ROLE_WORDS[made.role].name}
            </p>
            <p>Scan the code with the camera of the phone, or send the link. It shows only now.</p>
            <p className="mt-2">
              <input
                className="field w-full"
                readOnly
                aria-label="The link"
                value={made.url}
                onFocus={(event) => {
                  event.currentTarget.select();
                }}
              />
            </p>
          </div>
        </div>
      )}
    </section>
  );
}
