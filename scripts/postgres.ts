import { spawnSync } from 'node:child_process';
import { chmodSync, chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const VERSIONS = '/usr/lib/postgresql';

/** A server of PostgreSQL for tests and measuring, in a folder of its own. */
export interface OwnPostgres {
  /** Of its first database. */
  readonly url: string;
  readonly stop: () => void;
}

/** The programs of the newest PostgreSQL of this machine; null where it has none. */
function programs(): string | null {
  if (!existsSync(VERSIONS)) return null;
  const newest = readdirSync(VERSIONS)
    .filter((name) => existsSync(join(VERSIONS, name, 'bin', 'initdb')))
    .sort((a, b) => Number(a) - Number(b))
    .at(-1);
  return newest === undefined ? null : join(VERSIONS, newest, 'bin');
}

/** The user `postgres`, as which it runs where we are root: it refuses to run as that. */
function otherUser(): { readonly uid: number; readonly gid: number } | null {
  if (process.getuid?.() !== 0) return null;
  const ids = (flag: string): number =>
    Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
  return { uid: ids('-u'), gid: ids('-g') };
}

/** Starts PostgreSQL in a temporary folder at a port; null where the machine has none. */
export function startPostgres(port: number): OwnPostgres | null {
  const bin = programs();
  if (bin === null) return null;
  const folder = mkdtempSync(join(tmpdir(), 'ombra-postgres-'));
  const user = otherUser();
  if (user) chownSync(folder, user.uid, user.gid);
  chmodSync(folder, 0o700);
  const data = join(folder, 'data');
  const run = (program: string, ...options: readonly string[]): void => {
    const { status, stderr } = spawnSync(join(bin, program), options, {
      cwd: folder,
      encoding: 'utf8',
      // Its server keeps what it is given open: nothing is left for it to keep.
      stdio: ['ignore', 'ignore', program === 'initdb' ? 'pipe' : 'ignore'],
      ...(user ?? {}),
    });
    if (status !== 0) throw new Error(`${program}: ${stderr ?? ''}`);
  };
  run('initdb', '-D', data, '-U', 'ombra', '-A', 'trust', '--encoding=UTF8', '--locale=C.UTF-8', '--no-sync');
  const options = `-p ${String(port)} -k ${folder} -c listen_addresses=127.0.0.1 -c max_connections=120`;
  run('pg_ctl', '-D', data, '-w', '-l', join(folder, 'log'), '-o', options, 'start');
  return {
    url: `postgres://ombra@127.0.0.1:${String(port)}/postgres`,
    stop: () => {
      run('pg_ctl', '-D', data, '-m', 'immediate', 'stop');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
