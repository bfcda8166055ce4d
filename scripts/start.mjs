// `npm start`: installs and builds what is missing or out of date, then serves. Plain Node, since nothing may be installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Every file that decides what a build looks like. */
function sources(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => !['node_modules', 'dist', '.astro', 'test'].includes(entry.name))
    .flatMap((entry) => {
      const path = join(folder, entry.name);
      return entry.isDirectory() ? sources(path) : [path];
    })
    .sort();
}

function hashOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths) hash.update(path).update(readFileSync(path));
  return hash.digest('hex');
}

/** Runs a step unless its stamp says that it was done for the same inputs. */
function once(stamp, inputs, product, what, args) {
  const now = hashOf(inputs);
  const path = join(root, stamp);
  if (existsSync(join(root, product)) && existsSync(path) && readFileSync(path, 'utf8') === now) return;
  console.log(what);
  const { status } = spawnSync(npm, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] });
  if (status !== 0) {
    console.error(`That did not work (npm ${args.join(' ')}); what npm says above tells why.`);
    process.exit(1);
  }
  writeFileSync(path, now);
}

/** Installs the packages of the lock file, unless they are. */
export function prepareInstall() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 11)) {
    console.error(`Ombra needs Node.js 20.11 or newer; this is ${process.version}.`);
    process.exit(1);
  }
  once(
    'node_modules/.stamp-install',
    [join(root, 'package-lock.json')],
    'node_modules',
    'Installing what Ombra needs …',
    ['ci', '--no-audit', '--no-fund', '--loglevel=error'],
  );
}

function prepareBuild() {
  once(
    'app/dist/.stamp-build',
    [join(root, 'package-lock.json'), ...sources(join(root, 'core')), ...sources(join(root, 'app'))],
    'app/dist',
    'Building Ombra …',
    ['run', '--silent', 'build'],
  );
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  prepareInstall();
  prepareBuild();
  const server = spawn(process.execPath, ['--import', 'tsx', join(root, 'app/src/server/main.ts')], {
    cwd: root,
    stdio: 'inherit',
    // The log is for those who ask for it; a person who types “npm start” wants the address.
    env: { LOG_LEVEL: 'warn', ...process.env, NODE_ENV: 'production' },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 1));
}
