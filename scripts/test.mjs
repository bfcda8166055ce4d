// `npm test`: everything that must hold before a change lands. Installs what it needs on a fresh machine.
import { spawnSync } from 'node:child_process';
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

prepareInstall();
ensureChromium();
ensureOthers();
for (const step of ['types', 'lint', 'unit', 'postgres', 'build', 'rough', 'e2e']) {
  console.log(`\n— ${step}`);
  if (!run('npm', ['run', '--silent', step])) {
    console.error(`\nFailed at: ${step}`);
    process.exit(1);
  }
}
console.log('\nAll of it holds.');
