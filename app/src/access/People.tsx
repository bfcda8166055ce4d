import { parseISO, formatDistanceToNowStrict } from 'date-fns';
import { useState } from 'react';
import type { Device, Link } from '../server/access/accessStore';
import { TableHead } from '../ui/TableHead';
import { SignOut } from './SignOut';
import { NewLink } from './NewLink';
import { ROLE_WORDS } from './roleWords';
import type { Problem } from '../job/call';
import { send } from './send';

interface PeopleProps {
  readonly links: readonly Link[];
  readonly devices: readonly Device[];
  readonly jobs: readonly { readonly id: string; readonly name: string }[];
  /** Addresses under which other devices reach this machine. */
  readonly origins: readonly string[];
  /** The device that looks. */
  readonly self: string;
}

const ago = (at: string): string => `${formatDistanceToNowStrict(parseISO(at))} ago`;

/** How a link stands, in words. */
const standing = ({ withdrawnAt, expiresAt }: Link): string => {
  if (withdrawnAt !== null) return 'Withdrawn';
  return Date.parse(expiresAt) <= Date.now()
    ? `Ended ${ago(expiresAt)}`
    : `Open until ${expiresAt.slice(0, 10)}`;
};

const LINK_HEAD = ['For', 'Role', 'Opens', 'Status'];
const DEVICE_HEAD = ['Signed as', 'Role', 'Device', 'Signed in with', 'Last seen'];

/** Links and devices, with a button to withdraw or restore each. */
export function People({ links: first, devices: firstDevices, jobs, origins, self }: PeopleProps) {
  const [links, setLinks] = useState(first);
  const [devices, setDevices] = useState(firstDevices);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const look = async (): Promise<void> => {
    const [gotLinks, gotDevices] = await Promise.all([
      send('GET', '/api/links'),
      send('GET', '/api/devices'),
    ]);
    if (gotLinks.ok) setLinks(gotLinks.body['links'] as readonly Link[]);
    if (gotDevices.ok) setDevices(gotDevices.body['devices'] as readonly Device[]);
  };
  const set = async (kind: 'links' | 'devices', id: string, withdrawn: boolean): Promise<void> => {
    const answer = await send('PUT', `/api/${kind}/${id}`, { withdrawn });
    setProblems(answer.ok ? [] : answer.problems);
    await look();
  };
  const jobName = (id: string | null): string =>
    id === null ? 'Any job' : (jobs.find((job) => job.id === id)?.name ?? id);
  return (
    <div className="flex flex-col gap-8">
      {problems.map(({ what }) => (
        <p key={what} role="alert" className="border-l-4 border-stop pl-3">
          {what}
        </p>
      ))}
      <NewLink jobs={jobs} origins={origins} onMade={() => void look()} />
      <section aria-labelledby="links">
        <h2 id="links" className="text-xl font-semibold">
          Links
        </h2>
        {links.length === 0 ? (
          <p className="text-quiet">No links yet. Only the office can sign in, with the passphrase.</p>
        ) : (
          <div className="overflow-x-auto">
            <table className="w-full text-left">
              <TableHead names={LINK_HEAD} left={LINK_HEAD} bare={1} />
              <tbody>
                {links.map((link) => (
                  <tr key={link.id} className="border-t border-line">
                    <th scope="row" className="px-1 py-2 font-medium">
                      {link.name}
                    </th>
                    <td className="px-1">{ROLE_WORDS[link.role].name}</td>
                    <td className="px-1">{jobName(link.job)}</td>
                    <td className="px-1">{standing(link)}</td>
                    <td className="text-right">
                      <button
                        type="button"
                        className="button min-h-11"
                        aria-label={`${link.withdrawnAt === null ? 'Withdraw' : 'Restore'} the link for ${link.name}`}
                        onClick={() => void set('links', link.id, link.withdrawnAt === null)}
                      >
                        {link.withdrawnAt === null ? 'Withdraw' : 'Restore'}
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <p className="mt-2 text-[15px] text-quiet">
          Withdrawing a link also signs out the devices that used it. Restoring the link restores them.
        </p>
      </section>
      <section aria-labelledby="devices">
        <h2 id="devices" className="text-xl font-semibold">
          Devices
        </h2>
        <div className="overflow-x-auto">
          <table className="w-full text-left">
            <TableHead names={DEVICE_HEAD} left={DEVICE_HEAD} bare={1} />
            <tbody>
              {devices.map((device) => (
                <tr key={device.id} className="border-t border-line">
                  <th scope="row" className="px-1 py-2 font-medium">
                    {device.name}
                    {device.id === self && <span className="text-quiet"> (this one)</span>}
                  </th>
                  <td className="px-1">{ROLE_WORDS[device.role].name}</td>
                  <td className="px-1">{device.browser}</td>
                  <td className="px-1">
                    {device.link === null
                      ? 'the passphrase'
                      : (links.find(({ id }) => id === device.link)?.name ?? 'a link')}
                  </td>
                  <td className="px-1">{device.withdrawnAt === null ? ago(device.seenAt) : 'Signed out'}</td>
                  <td className="text-right">
                    {device.id !== self && (
                      <button
                        type="button"
                        className="button min-h-11"
                        aria-label={`${device.withdrawnAt === null ? 'Sign out' : 'Restore'} the device of ${device.name}`}
                        onClick={() => void set('devices', device.id, device.withdrawnAt === null)}
                      >
                        {device.withdrawnAt === null ? 'Sign out' : 'Restore'}
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <p className="flex items-center gap-3">
        <SignOut />
      </p>
    </div>
  );
}
