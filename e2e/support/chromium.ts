import { existsSync } from 'node:fs';

/** Keeps Chromium to itself: no first-run pages, no updates, no look-ups of its own. */
export const CHROMIUM_FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
] as const;

/** The Chromium of the machine; `CHROMIUM` names another. */
export function chromiumPath(): string {
  const { CHROMIUM } = process.env;
  const found = [CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'].find(
    (path) => path !== undefined && existsSync(path),
  );
  return found ?? '/usr/bin/chromium';
}
