import { build } from 'esbuild';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('.', import.meta.url));

/** What is started by itself: the server, and its threads. */
const STARTED = ['main', 'heavy/heavyWorker', 'dailyWorker', 'imports/outlineWorker'];

/** Builds the server as plain JavaScript: it starts, and its threads start, without a compiler of TypeScript in each. */
export const serving = () => ({
  name: 'serving',
  hooks: {
    /** @param {{ dir: URL }} built */
    'astro:build:done': async ({ dir }) => {
      await build({
        absWorkingDir: ROOT,
        entryPoints: STARTED.map((each) => `src/server/${each}.ts`),
        bundle: true,
        splitting: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        packages: 'external',
        alias: { '@ombra/core': fileURLToPath(new URL('../core/src', import.meta.url)) },
        outdir: fileURLToPath(new URL('../serve', dir)),
        outExtension: { '.js': '.mjs' },
        // Side by side: a thread is started by the name of its script.
        entryNames: '[name]',
      });
    },
  },
});
