import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from '../e2e/support/chromium';

/**
 * `npm run screenshots`: one picture of each main view, from the demo data of a running server, into docs/screenshots.
 * The server is told by `OMBRA_URL`; the demo job must stand as it was shipped.
 */
const base = process.env['OMBRA_URL'] ?? 'http://127.0.0.1:4321';
const DEMO = `${base}/jobs/sorrel-fork-hatchery`;

const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const shoot = async (name: string, fullPage = false) => {
  // Notices of all stages have come in by then.
  await page.getByText('Checking …').first().waitFor({ state: 'hidden' });
  // What was pressed may have moved the page.
  await page.evaluate(() => {
    scrollTo(0, 0);
  });
  await page.screenshot({ path: `docs/screenshots/${name}.png`, fullPage });
};

await page.goto(base);
await page.getByText('blocks to buy').waitFor();
await shoot('jobs');
await page.goto(`${DEMO}/outline`);
await page.getByText('Closed: gap 0').waitFor();
await shoot('outline');
await page.goto(`${DEMO}/footing`);
await page.getByRole('tab', { name: 'Footing and chalk' }).waitFor();
await page.waitForTimeout(300);
await shoot('footing');
await page.goto(`${DEMO}/courses`);
await page.getByRole('button', { name: 'Cut pieces in course 5: 10. Why?' }).click();
await page.getByRole('button', { name: 'Zoom out' }).click();
await page.mouse.move(640, 60);
await page.waitForTimeout(300);
await shoot('courses');
await page.goto(`${DEMO}/openings`);
await page.getByText('Nudge it to save').waitFor();
await page.waitForTimeout(1500);
await shoot('openings');
await page.goto(`${DEMO}/steel`);
await page.getByRole('tab', { name: 'By course' }).click();
await page.waitForTimeout(300);
await shoot('steel');
await page.goto(`${DEMO}/bracing`);
await page.getByText('Whole job').waitFor();
await shoot('bracing');
await page.goto(`${DEMO}/pour`);
await page.getByText('Route of the hose').waitFor();
await page.waitForTimeout(300);
await shoot('pour');
await page.getByRole('tab', { name: 'Rehearsal' }).click();
await page.getByLabel('Clock of the day').fill('75');
await page.waitForTimeout(200);
await shoot('pour-rehearsal');
await page.goto(`${DEMO}/days`);
await page.getByLabel('Moment at which the wall is shown').fill('1900');
await page.waitForTimeout(300);
await shoot('days');
await page.goto(`${DEMO}/packet`);
await page.getByRole('button', { name: 'Make packet' }).click();
await page.getByRole('link', { name: /^Save PDF/ }).waitFor();
await shoot('packet');
await page.goto(`${DEMO}/days/log`);
await page.getByText('Work done Course 5').waitFor();
await shoot('log');
// An hour of a practised day.
await page.goto(`${DEMO}/pours/1/board?practice`);
await page.getByRole('button', { name: '1200×' }).click();
await page.getByRole('button', { name: 'Play', exact: true }).click();
await page.waitForTimeout(3800);
await page.getByRole('button', { name: 'Pause' }).click();
await page.waitForTimeout(2500);
await page.getByRole('tablist').evaluate((tabs) => {
  tabs.scrollIntoView();
});
await shoot('board');
await page.goto(`${DEMO}/forms`);
await page.getByText('This job, with it').waitFor();
await shoot('forms');
await page.setViewportSize({ width: 816, height: 1056 });
await page.goto(`${DEMO}/sheets/courses`);
await shoot('courses-sheet', true);
await page.goto(`${DEMO}/sheets/steel`);
await shoot('steel-sheet');
await page.goto(`${DEMO}/sheets/bracing`);
await shoot('bracing-sheet');
await page.goto(`${DEMO}/sheets/pour`);
await shoot('pour-card', true);
await page.setViewportSize({ width: 390, height: 844 });
await page.goto(`${DEMO}/today`);
await page.getByText('Works without signal').waitFor();
await page.getByRole('button', { name: 'Next', exact: true }).click();
await page.getByRole('button', { name: 'Next', exact: true }).click();
await shoot('today');
await browser.close();
