// `npm test`: everything that must hold before a change lands. Installs what it needs on a fresh machine.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { prepareInstall } from './start.mjs';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const CHROMIUMS = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

function run(command, args) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] });
  if (error) console.error(error.message);
  return status === 0;
}

function ensureChromium() {
  const { CHROMIUM } = process.env;
  if (CHROMIUM ? existsSync(CHROMIUM) : CHROMIUMS.some((path) => existsSync(path))) return;
  const root = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
  if (root) {
    console.log('Installing Chromium for the browser tests …');
    if (run('apt-get', ['update', '-qq']) && run('apt-get', ['install', '-y', '-qq', 'chromium'])) return;
  }
  console.error(
    'The browser tests need Chromium: install the package “chromium”, or name one with CHROMIUM=/path/to/it.',
  );
  process.exit(1);
}

/** Steps that run beside each other and do not mind it; the first one writes types that they read. */
const FIRST = 'types';
const BESIDE = ['lint', 'build'];
/** Steps that want the machine to themselves. */
const ALONE = ['unit', 'rough', 'e2e'];

/** Runs a step, all that it prints told in one piece when it is over. */
function step(name) {
  const begun = Date.now();
  return new Promise((resolve) => {
    const child = spawn('npm', ['run', '--silent', name], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const told = [];
    child.stdout.on('data', (text) => told.push(text));
    child.stderr.on('data', (text) => told.push(text));
    child.on('error', (error) => told.push(Buffer.from(`${error.message}\n`)));
    child.on('close', (status) => {
      console.log(`\n— ${name}, ${String(Math.round((Date.now() - begun) / 1000))} s`);
      process.stdout.write(Buffer.concat(told));
      resolve(status === 0);
    });
  });
}

prepareInstall();
ensureChromium();
const failed = (await step(FIRST))
  ? (await Promise.all(BESIDE.map(async (name) => ((await step(name)) ? [] : [name])))).flat()
  : [FIRST];
for (const name of failed.length > 0 ? [] : ALONE) {
  console.log(`\n— ${name}`);
  if (run('npm', ['run', '--silent', name])) continue;
  failed.push(name);
  break;
}
if (failed.length > 0) {
  console.error(`\nFailed at: ${failed.join(', ')}`);
  process.exit(1);
}
console.log('\nAll of it holds.');
