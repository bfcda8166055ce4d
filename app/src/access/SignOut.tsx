import { LogOut } from 'lucide-react';
import { useState } from 'react';
import { device } from '../remembered';
import { useAlive } from '../jobs/useAlive';
import { rememberedKey } from '../today/rememberedCard';
import { send } from './send';

/** Signs this device out and deletes the jobs that it keeps; what still waits to be sent stays. */
export function SignOut() {
  const alive = useAlive();
  const [failed, setFailed] = useState(false);
  const go = async (): Promise<void> => {
    const { ok } = await send('POST', '/api/sign-out', {});
    setFailed(!ok);
    if (!ok) return;
    const { leaveBehind, takenJobs } = await import('../away/takenJobs');
    for (const { id } of await takenJobs()) {
      await leaveBehind(id);
      device.remove(rememberedKey(id));
    }
    location.assign('/sign-in');
  };
  return (
    <>
      <button type="button" className="button min-h-11" disabled={!alive} onClick={() => void go()}>
        <LogOut aria-hidden="true" size={16} /> Sign out
      </button>
      {failed && <span role="alert">The server does not answer; you are still signed in. Try again.</span>}
    </>
  );
}
