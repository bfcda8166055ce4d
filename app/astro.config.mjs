import node from '@astrojs/node';
import react from '@astrojs/react';
import pwa from '@vite-pwa/astro';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { randomUUID } from 'node:crypto';
import { compressed } from './compressed.mjs';
import { serving } from './serving.mjs';

/** A script smaller than this goes into another one that is fetched with it, in bytes. */
const SMALL = 4_000;

/** The largest file that a device keeps of the program, in bytes. */
const LARGEST_KEPT = 4_000_000;

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [
    react(),
    pwa({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      // Only who takes a job along needs it; the page asks for it then.
      injectRegister: false,
      // Served by a page of ours.
      manifest: false,
      injectManifest: {
        globPatterns: ['_astro/*.{js,css,woff2}', 'favicon.svg', 'icons/*.png'],
        // The shell is made by the server, for every build anew.
        additionalManifestEntries: [{ url: '/away', revision: randomUUID() }],
        maximumFileSizeToCacheInBytes: LARGEST_KEPT,
      },
    }),
    compressed(),
    serving(),
  ],
  // Writes are guarded for JSON and forms alike in src/server/guard.ts.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self'",
        "manifest-src 'self'",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
    },
  },
  vite: {
    plugins: [tailwindcss()],
    // Many small scripts wait for each other: a browser asks for six at a time.
    build: { manifest: true, rollupOptions: { output: { experimentalMinChunkSize: SMALL } } },
    worker: { format: 'es' },
    ssr: { noExternal: ['@ombra/core'] },
  },
});
