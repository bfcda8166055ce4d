// Faults are put into the core one by one, and the tests beside it must notice them.
//
//   npm run mutate                                  what has changed since the last commit
//   npm run mutate -- core/src/stages/steel         a folder, or files
//   npm run mutate -- --share 5 core/src            five lines in a hundred of it, the same ones every time
import { spawnSync, execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { parseArgs } from 'node:util';

const OUT = 'reports/mutation';
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { share: { type: 'string', default: '100' } },
});
const share = Number(values.share);
if (!(share > 0 && share <= 100)) {
  console.error(
    `--share is how many lines in a hundred are tried: a number over 0, up to 100; not ${values.share}.`,
  );
  process.exit(1);
}

/** Every source file of a folder, or the file itself. */
function filesIn(path) {
  if (!existsSync(path)) {
    console.error(`There is no ${path}.`);
    process.exit(1);
  }
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path, { recursive: true, encoding: 'utf8' })
    .map((each) => join(path, each))
    .filter((each) => each.endsWith('.ts'));
}

const changed = () =>
  execFileSync('git', ['diff', '--name-only', '--diff-filter=d', 'HEAD~1', '--', 'core/src'], {
    encoding: 'utf8',
  })
    .split('\n')
    .filter((each) => each.endsWith('.ts'));

/** The tests beside a source file: those of its folder, or of the nearest folder over it that has some. */
function testsOf(file) {
  for (let folder = dirname(file); folder !== '.'; folder = dirname(folder)) {
    const beside = join('core/test', relative('core/src', folder));
    if (existsSync(beside)) return beside;
  }
  return 'core/test';
}

/** The lines of a file that are tried, as ranges: all of them, or those that a multiplicative hash of their number picks. */
function rangesOf(file) {
  if (share === 100) return [file];
  const lines = readFileSync(file, 'utf8').split('\n').length;
  const seed = [...file].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7);
  return Array.from({ length: lines }, (_, index) => index + 1)
    .filter((line) => (Math.imul(seed + line, 2654435761) >>> 0) / 2 ** 32 < share / 100)
    .map((line) => `${file}:${line}-${line}`);
}

const wanted = (positionals.length > 0 ? positionals.flatMap(filesIn) : changed()).filter((file) =>
  file.startsWith('core/src/'),
);
const groups = Map.groupBy ? Map.groupBy(wanted, testsOf) : new Map();
if (groups.size === 0) {
  for (const file of wanted) groups.set(testsOf(file), [...(groups.get(testsOf(file)) ?? []), file]);
}
if (wanted.length === 0) {
  console.log('Nothing of the core to try.');
  process.exit(0);
}

rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });
const total = { noticed: 0, missed: 0 };
const missed = [];
for (const [tests, files] of groups) {
  const mutate = files.flatMap(rangesOf);
  if (mutate.length === 0) continue;
  const json = join(OUT, `${tests.replaceAll('/', '-')}.json`);
  const config = join(OUT, 'stryker.json');
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'vitest',
      vitest: { configFile: 'vitest.mutate.config.ts', related: false },
      coverageAnalysis: 'perTest',
      // The lines that were picked may hold nothing to put a fault into.
      allowEmpty: true,
      mutate,
      concurrency: 2,
      reporters: ['json', 'progress-append-only'],
      jsonReporter: { fileName: json },
      // Words are bettered without a test; what they say of is not.
      mutator: { excludedMutations: ['StringLiteral'] },
      // With a slash at the front: tests have a folder of that name too, and one that cannot read its values is left out without a word.
      ignorePatterns: ['/app/dist', '/data', '/docs/screenshots', '/e2e', '/test-results'],
      timeoutMS: 20_000,
      // A file that no test lies beside is put to all tests of the core: minutes, before the first fault is tried.
      dryRunTimeoutMinutes: 30,
      cleanTempDir: 'always',
      tempDirName: join('node_modules', '.cache', 'mutate'),
      allowConsoleColors: false,
    }),
  );
  console.log(`${tests}: ${files.length} files`);
  const run = spawnSync('npx', ['stryker', 'run', config], {
    stdio: 'inherit',
    env: { ...process.env, MUTATE_TESTS: `${tests}/**/*.test.ts` },
  });
  if (run.status !== 0) process.exit(run.status ?? 1);
  if (!existsSync(json)) continue;
  const report = JSON.parse(readFileSync(json, 'utf8'));
  for (const [file, { mutants }] of Object.entries(report.files)) {
    for (const { status, location, mutatorName, replacement } of mutants) {
      if (status === 'Killed' || status === 'Timeout') total.noticed++;
      else if (status === 'Survived' || status === 'NoCoverage') {
        total.missed++;
        missed.push(`${file}:${location.start.line}  ${mutatorName}  ${(replacement ?? '').split('\n')[0]}`);
      }
    }
  }
}
for (const line of missed) console.log(line);
const score = (100 * total.noticed) / Math.max(1, total.noticed + total.missed);
writeFileSync(join(OUT, 'score.json'), JSON.stringify({ ...total, score, share, of: positionals }, null, 2));
console.log(`Noticed ${total.noticed} of ${total.noticed + total.missed}: ${score.toFixed(1)} %.`);
