import type { APIRoute } from 'astro';
import { only } from '../server/answers';

/** What a phone installs: name, icons and where it begins. */
const MANIFEST = {
  id: '/',
  name: 'Ombra',
  short_name: 'Ombra',
  description: 'Foundation walls of insulated concrete forms: the plan, the log and the day of the pour.',
  start_url: '/',
  scope: '/',
  display: 'standalone',
  background_color: '#edeae1',
  theme_color: '#22252b',
  icons: [
    { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
    { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
    { src: '/icons/icon-512-mask.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
  ],
};

export const GET: APIRoute = () =>
  new Response(JSON.stringify(MANIFEST), {
    headers: { 'Content-Type': 'application/manifest+json', 'Cache-Control': 'no-cache' },
  });

export const ALL = only('GET');
