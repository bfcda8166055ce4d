// `npm run bench`: measures what is compiled as the application is, not what a loader of TypeScript makes of it: that names every function
// anew wherever it is made, a tenth of the time of what makes many.
import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = dirname(dirname(fileURLToPath(import.meta.url)));
const built = join(root, 'bench', 'dist');

await build({
  absWorkingDir: root,
  entryPoints: ['bench/run.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: { '@ombra/core': join(root, 'core', 'src') },
  tsconfig: join(root, 'app', 'tsconfig.json'),
  outfile: join(built, 'run.mjs'),
});
const { status } = spawnSync(process.execPath, [join(built, 'run.mjs'), ...process.argv.slice(2)], {
  cwd: root,
  stdio: 'inherit',
});
process.exit(status ?? 1);
