import { readFile, readdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';

/** Ways to compress, by the ending that a file gets. */
const WAYS = { br: promisify(brotliCompress), gz: promisify(gzip) };

/** Lays a compressed copy beside every built script and style sheet, once for all who will fetch it. Fonts are compressed as they are. */
export const compressed = () => ({
  name: 'compressed',
  hooks: {
    /** @param {{ dir: URL }} built */
    'astro:build:done': async ({ dir }) => {
      const folder = join(fileURLToPath(dir), '_astro');
      const files = (await readdir(folder)).filter((name) => /\.(js|css)$/.test(name));
      await Promise.all(
        files.flatMap((name) =>
          Object.entries(WAYS).map(async ([ending, compress]) => {
            const path = join(folder, name);
            await writeFile(`${path}.${ending}`, await compress(await readFile(path)));
          }),
        ),
      );
    },
  },
});
