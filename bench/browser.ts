import { existsSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { type Browser, type Page, type Request, chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from '../e2e/support/chromium';
import { withServer } from './withServer';

const PORT = 4397;
const DEMO = `http://127.0.0.1:${String(PORT)}/jobs/sorrel-fork-hatchery`;
const VISITS = 7;

/** Milliseconds after the first view in which all that follows it has come. */
const SETTLED = 2500;

const median = (times: readonly number[]): number =>
  Math.round([...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0);

/** Milliseconds from a key's press to the end of the frame that shows what it asked for, as the page itself sees it. */
async function keyToFrame(page: Page, key: string, shows: string): Promise<number> {
  // Told as text: a named function would be compiled with helpers that the page does not have.
  await page.evaluate(
    `window.took = new Promise((resolve) => {
      const pressed = (event) => {
        const look = () => {
          if (!document.querySelector(${JSON.stringify(shows)})) {
            requestAnimationFrame(look);
            return;
          }
          const channel = new MessageChannel();
          channel.port1.onmessage = () => resolve(performance.now() - event.timeStamp);
          channel.port2.postMessage(null);
        };
        requestAnimationFrame(look);
      };
      document.addEventListener('keydown', pressed, { once: true, capture: true });
    });
    null;`,
  );
  await page.keyboard.press(key);
  return page.evaluate<number>('window.took');
}

/** Has the page note, as `tallyAt`, the end of the frame that first shows the tally. */
const noteTally = (page: Page): Promise<unknown> =>
  page.addInitScript(`{
    const look = () => {
      if (!document.querySelector('[aria-label="Tally"] table')) {
        requestAnimationFrame(look);
        return;
      }
      const channel = new MessageChannel();
      channel.port1.onmessage = () => { window.tallyAt = performance.now(); };
      channel.port2.postMessage(null);
    };
    requestAnimationFrame(look);
  }`);

/** Milliseconds from the navigation to the tally, as the page itself sees it. */
async function tallyIn(page: Page): Promise<number> {
  await page.goto(`${DEMO}/courses`, { waitUntil: 'commit' });
  await page.waitForFunction(() => 'tallyAt' in globalThis);
  return page.evaluate<number>('window.tallyAt');
}

/** Compressed kilobytes of the scripts that a page has asked for until it shows the tally, workers' among them. */
async function scriptsOfFirstView(page: Page): Promise<number> {
  const asked: Request[] = [];
  page.on('request', (request) => {
    if (/\.m?js(\?|$)/.test(new URL(request.url()).pathname)) asked.push(request);
  });
  await noteTally(page);
  const took = await tallyIn(page);
  const shown = (await page.evaluate<number>('performance.timeOrigin')) + took;
  const sizes = await Promise.all(
    asked.map(async (request) => {
      const body = await (await request.response())?.body();
      return body && request.timing().startTime < shown ? gzipSync(new Uint8Array(body)).length / 1000 : 0;
    }),
  );
  return Number(sizes.reduce((sum, size) => sum + size, 0).toFixed(1));
}

async function measureVisits(browser: Browser): Promise<Record<string, number>> {
  const [first, toOutline, toFooting, toCourses]: [number[], number[], number[], number[]] = [[], [], [], []];
  for (let visit = 0; visit < VISITS; visit++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await noteTally(page);
    first.push(await tallyIn(page));
    await page.waitForTimeout(SETTLED);
    toOutline.push(await keyToFrame(page, '1', '#job-name'));
    toFooting.push(await keyToFrame(page, '2', '[data-layer="footing"]'));
    toCourses.push(await keyToFrame(page, '3', '[aria-label="From above"]'));
    await context.close();
  }
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const scripts = await scriptsOfFirstView(page);
  await page.close();
  return {
    mainViewKilobytesCompressed: scripts,
    firstViewMedianMs: median(first),
    switchToOutlineMedianMs: median(toOutline),
    switchToFootingMedianMs: median(toFooting),
    switchToCoursesMedianMs: median(toCourses),
  };
}

/** Frames while an opening is dragged along its wall: the gaps between them, and how soon the totals have followed. */
async function measureDrag(browser: Browser): Promise<Record<string, number>> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${DEMO}/openings`);
  const handle = page.getByRole('button', { name: /^Grow-out window in/ });
  const box = await handle.boundingBox();
  if (!box) throw new Error('The demo’s window is not on the strip.');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // Told as text: a named function would be compiled with helpers that the page does not have.
  await page.evaluate(
    `(() => {
      window.gaps = [];
      let last = performance.now();
      const tick = () => {
        const now = performance.now();
        window.gaps.push(now - last);
        last = now;
        requestAnimationFrame(tick);
      };
      requestAnimationFrame(tick);
    })()`,
  );
  for (let step = 1; step <= 200; step++) {
    await page.mouse.move(x + 3 * step * (step <= 100 ? 1 : 0) + (step > 100 ? 3 * (200 - step) : 0), y);
  }
  const gaps = await page.evaluate(() => (globalThis as unknown as { gaps: number[] }).gaps);
  await page.mouse.move(x + 60, y);
  const totals = page.getByRole('group', { name: 'Totals' });
  const before = await totals.textContent();
  const start = performance.now();
  await page.mouse.move(x + 150, y);
  await page.waitForFunction(
    ([was]) => document.querySelector('[aria-label="Totals"]')?.textContent !== was,
    [before],
  );
  const followed = performance.now() - start;
  await page.mouse.up();
  await page.close();
  const sorted = [...gaps].sort((a, b) => a - b);
  return {
    dragFrames: gaps.length,
    dragFrameGapMedianMs: Number((sorted[Math.floor(sorted.length / 2)] ?? 0).toFixed(1)),
    dragFrameGapP95Ms: Number((sorted[Math.floor(sorted.length * 0.95)] ?? 0).toFixed(1)),
    dragFramesPerSecond: Math.round((1000 * gaps.length) / gaps.reduce((sum, gap) => sum + gap, 0)),
    dragTotalsFollowMs: Math.round(followed),
  };
}

/** A pour of some 200 taps on a phone, and how long one more takes until it is on the screen, as the page itself sees it. */
async function measureBoard(browser: Browser): Promise<Record<string, number>> {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  await page.goto(`${DEMO}/pours/1/board?practice`);
  await page.getByRole('button', { name: '1200×' }).click();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  await page.waitForTimeout(5500);
  await page.getByRole('button', { name: 'Pause' }).click();
  await page.waitForTimeout(1500);
  const times: number[] = [];
  for (let tap = 0; tap < 10; tap++) {
    const name = tap % 2 === 0 ? 'Stop' : 'Go on';
    const button = page.getByRole('button', { name, exact: true });
    // From the press to the frame after the one that was drawn for it.
    times.push(
      await button.evaluate(
        (element: HTMLElement) =>
          new Promise<number>((resolve) => {
            const start = performance.now();
            element.click();
            requestAnimationFrame(() => {
              const channel = new MessageChannel();
              channel.port1.onmessage = () => {
                resolve(performance.now() - start);
              };
              channel.port2.postMessage(null);
            });
          }),
      ),
    );
    await page.waitForTimeout(900);
  }
  await page.close();
  return { boardTapOnScreenMedianMs: median(times), boardTapOnScreenMostMs: Math.round(Math.max(...times)) };
}

/** How long a person waits: the first view of the demo's courses from a warm server, and changing between stages. */
export async function browserFigures(): Promise<Record<string, number> | null> {
  if (!existsSync(chromiumPath())) return null;
  return withServer(PORT, async () => {
    const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS] });
    try {
      return {
        ...(await measureVisits(browser)),
        ...(await measureDrag(browser)),
        ...(await measureBoard(browser)),
      };
    } finally {
      await browser.close();
    }
  });
}
