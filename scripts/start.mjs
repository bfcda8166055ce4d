// `npm start`: installs and builds what is missing or out of date, then serves. Plain Node, since nothing may be installed yet.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Every file that decides what a build looks like. */
function sources(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => !['node_modules', 'dist', 'dist.before', '.astro', 'test'].includes(entry.name))
    .flatMap((entry) => {
      const path = join(folder, entry.name);
      return entry.isDirectory() ? sources(path) : [path];
    })
    .sort();
}

/** The same for the same files, wherever the folder lies: a moved one needs nothing new. */
function hashOf(paths) {
  const hash = createHash('sha256');
  for (const path of paths) {
    hash.update(relative(root, path).replaceAll('\\', '/')).update('\0').update(readFileSync(path));
  }
  return hash.digest('hex');
}

const beside = (product) => join(root, `${product}.before`);

/** Puts products back that were set aside by a step that did not come to its end. */
function putBack(products) {
  for (const product of products) {
    if (!existsSync(beside(product))) continue;
    rmSync(join(root, product), { recursive: true, force: true });
    renameSync(beside(product), join(root, product));
  }
}

/**
 * Runs a step unless its stamp says that it was done for the same inputs. What it makes anew is set aside first: a step that
 * fails, or is broken off, leaves the old one working.
 */
function once({ stamp, inputs, products, what, args }) {
  putBack(products);
  const now = hashOf(inputs);
  const path = join(root, stamp);
  if (existsSync(join(root, products[0])) && existsSync(path) && readFileSync(path, 'utf8') === now) return;
  const before = products.filter((product) => existsSync(join(root, product)));
  const worked = existsSync(path);
  console.log(what);
  for (const product of before) renameSync(join(root, product), beside(product));
  const { status } = spawnSync(npm, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] });
  if (status === 0) {
    writeFileSync(path, now);
    for (const product of before) rmSync(beside(product), { recursive: true, force: true });
    return;
  }
  putBack(before);
  console.error(`That did not work (npm ${args.join(' ')}); what npm says above tells why.`);
  if (!worked) process.exit(1);
  console.error('Ombra goes on with what was there before; run “npm start” again to try once more.');
}

/** Installs the packages of the lock file, unless they are. */
export function prepareInstall() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 11)) {
    console.error(`Ombra needs Node.js 20.11 or newer; this is ${process.version}.`);
    process.exit(1);
  }
  once({
    stamp: 'node_modules/.stamp-install',
    inputs: [join(root, 'package-lock.json')],
    products: ['node_modules', 'app/node_modules', 'core/node_modules'],
    what: 'Installing what Ombra needs …',
    args: ['ci', '--no-audit', '--no-fund', '--loglevel=error'],
  });
}

function prepareBuild() {
  once({
    stamp: 'app/dist/.stamp-build',
    inputs: [join(root, 'package-lock.json'), ...sources(join(root, 'core')), ...sources(join(root, 'app'))],
    products: ['app/dist'],
    what: 'Building Ombra …',
    args: ['run', '--silent', 'build'],
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  prepareInstall();
  prepareBuild();
  const server = spawn(process.execPath, [join(root, 'app/dist/serve/main.mjs')], {
    cwd: root,
    stdio: 'inherit',
    // The log is for those who ask for it; a person who types “npm start” wants the address.
    env: { LOG_LEVEL: 'warn', ...process.env, NODE_ENV: 'production' },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 1));
}
