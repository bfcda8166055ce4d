import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

/** A script smaller than this goes into another one that is fetched with it, in bytes. */
const SMALL = 6_000;

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
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
    build: { rollupOptions: { output: { experimentalMinChunkSize: SMALL } } },
    worker: { format: 'es' },
    ssr: { noExternal: ['@ombra/core'] },
  },
});
