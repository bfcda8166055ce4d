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

/** Chromium without what only a window needs. */
const SHELL = '/usr/bin/chromium-headless-shell';

const firstOf = (paths: readonly (string | undefined)[]): string | undefined =>
  paths.find((path) => path !== undefined && existsSync(path));

/** The Chromium of the machine; `CHROMIUM` names another. */
export const chromiumPath = (): string =>
  firstOf([
    process.env['CHROMIUM'],
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
    SHELL,
  ]) ?? '/usr/bin/chromium';

/** What the tests drive: it takes a quarter less of the processor where it needs no window. */
export const testChromiumPath = (): string => firstOf([process.env['CHROMIUM'], SHELL]) ?? chromiumPath();
