// `npm test`: everything that must hold before a change lands. Installs what it needs on a fresh machine.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { prepareInstall } from './start.mjs';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
/** The first is the quickest: it opens no windows. */
const CHROMIUMS = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

function run(command, args) {
  const { status, error } = spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'] });
  if (error) console.error(error.message);
  return status === 0;
}

const asRoot = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');

/** Installs packages of the system, where that is possible; whether it was. */
const install = (...packages) =>
  asRoot && run('apt-get', ['update', '-qq']) && run('apt-get', ['install', '-y', '-qq', ...packages]);

function ensureChromium() {
  const { CHROMIUM } = process.env;
  if (existsSync(CHROMIUM ?? CHROMIUMS[0])) return;
  console.log('Installing Chromium for the browser tests …');
  if (install('chromium-headless-shell')) return;
  if (CHROMIUM === undefined && CHROMIUMS.some((path) => existsSync(path))) return;
  console.error(
    'The browser tests need Chromium: install the package “chromium”, or name one with CHROMIUM=/path/to/it.',
  );
  process.exit(1);
}

/** What single tests need; they are left out, and say so, where it cannot be had. */
function ensureOthers() {
  const missing = [
    ...(existsSync('/usr/bin/certutil') ? [] : ['libnss3-tools']),
    ...(existsSync('/usr/lib/postgresql') ? [] : ['postgresql']),
  ];
  if (missing.length > 0 && !install(...missing))
    console.error(`Not here, so the tests that need them are left out: ${missing.join(', ')}`);
}

/** Runs a step of the package file; what a quiet one says is told once it has ended. */
function step(name, { quiet = false } = {}) {
  if (!quiet) console.log(`\n— ${name}`);
  const child = spawn('npm', ['run', '--silent', name], {
    cwd: root,
    stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
  });
  // What runs beside a step that failed ends with it.
  process.once('exit', () => child.kill());
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (said += String(chunk)));
  return new Promise((resolve) => {
    child.once('error', ({ message }) => {
      console.error(message);
      resolve(1);
    });
    child.once('close', resolve);
  }).then((code) => {
    if (quiet) console.log(`\n— ${name}\n${said}`);
    if (code === 0) return;
    console.error(`\nFailed at: ${name}`);
    process.exit(1);
  });
}

async function steps(...names) {
  for (const name of names) await step(name);
}

prepareInstall();
ensureChromium();
ensureOthers();
// The linter keeps one processor busy for minutes; so do types and the build, and leave the other one to it.
await Promise.all([step('lint', { quiet: true }), steps('types', 'build', 'unit', 'postgres')]);
await steps('rough', 'e2e');
console.log('\nAll of it holds.');
