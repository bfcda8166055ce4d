import { LogIn } from 'lucide-react';
import { type SubmitEvent, useState } from 'react';
import { keepName, keptName } from '../job/signature';
import type { Problem } from '../job/call';
import { send, typedIn } from './send';

interface SignInProps {
  /** The secret of a link; left out where the passphrase is asked. */
  readonly token?: string;
  /** Where to go afterwards. */
  readonly to: string;
}

/** Signs in with a name, and with the passphrase unless a link does its work. */
export function SignIn({ token, to }: SignInProps) {
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const [name, setName] = useState(keptName);
  const submit = async (event: SubmitEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    const form = event.currentTarget;
    const typed = (field: string): string => typedIn(form, field);
    setBusy(true);
    const answer = await (token === undefined
      ? send('POST', '/api/sign-in', { name: typed('name'), passphrase: typed('passphrase'), to })
      : send('POST', '/api/join', { name: typed('name'), token }));
    setBusy(false);
    if (!answer.ok) {
      setProblems(answer.problems);
      return;
    }
    keepName(typed('name').trim());
    const { to: onwards } = answer.body;
    location.replace(typeof onwards === 'string' ? onwards : '/');
  };
  return (
    <form method="post" className="flex flex-col gap-4" onSubmit={(event) => void submit(event)}>
      <label className="flex flex-col">
        Your name
        <input
          className="field min-h-12 text-xl"
          name="name"
          autoComplete="name"
          maxLength={80}
          required
          value={name}
          onChange={(event) => {
            setName(event.currentTarget.value);
          }}
        />
        <span className="text-[15px] text-quiet">The log is signed with it.</span>
      </label>
      {token === undefined && (
        <label className="flex flex-col">
          Passphrase
          <input
            className="field min-h-12 text-xl"
            name="passphrase"
            type="password"
            autoComplete="current-password"
            maxLength={500}
            required
          />
        </label>
      )}
      {problems.length > 0 && (
        <ul role="alert" className="border-l-4 border-stop pl-3">
          {problems.map(({ what }) => (
            <li key={what}>{what}</li>
          ))}
        </ul>
      )}
      <button type="submit" className="button strong min-h-12 self-start" disabled={busy}>
        <LogIn aria-hidden="true" /> Sign in
      </button>
    </form>
  );
}
