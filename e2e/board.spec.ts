import type { Page } from '@playwright/test';
import { demoCopy, expect, expectAccessible, test } from './support/page';

const region = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: true }).click();
const tab = (page: Page, name: string) => page.getByRole('tab', { name }).click();

async function openBoard(page: Page, path: string, query = ''): Promise<void> {
  await page.goto(`${path}/pours/1/board${query}`);
  await expect(region(page, 'Trucks')).toBeVisible();
}
/** A load is on site and at the hose. */
async function bringLoad(page: Page, load: number): Promise<void> {
  await press(page, `Load ${String(load)} has come`);
  await press(page, 'To the hose');
  await expect(region(page, 'Trucks')).toContainText(`Load ${String(load)}, 9 yd³, at the hose`);
}

test('a pour is tapped: trucks, hose and heights; it survives a reload, and a wrong tap is taken back', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Tapped');
  await openBoard(page, path);
  await page.getByLabel('Signed as').fill('Ida');
  await press(page, 'Load 1 has come');
  await expect(region(page, 'Trucks')).toContainText('The first load is a test');
  await press(page, 'Slump');
  await press(page, 'Slump: more');
  await press(page, 'Slump: more');
  await press(page, 'Slump: more');
  await expect(region(page, 'Trucks')).toContainText('Wetter than');
  await press(page, 'Slump: less');
  await press(page, 'Slump: less');
  await press(page, 'Write the test down');
  await expect(region(page, 'Trucks')).toContainText('Slump 6.5 in');
  await press(page, 'Ticket');
  await expect(region(page, 'Trucks')).toContainText(/ticket TH-\d+/);
  await press(page, 'To the hose');
  const hose = region(page, 'Hose');
  const first = await hose.locator('p').nth(1).textContent();
  await press(page, 'Hose is there');
  await press(page, 'Full here: next');
  await expect(hose.locator('p').nth(1)).not.toHaveText(first ?? '');
  // A whole wall by its height: to the top of the first lift.
  const tile = page.getByRole('button', { name: /^E–F: .*Set its height/ });
  await expect(tile).toHaveAccessibleName(/empty/);
  await tile.click();
  await expect(region(page, 'Height of E–F')).toContainText('E–F filled to');
  await press(page, 'Set this height');
  await expect(page.getByRole('button', { name: /^E–F: (just placed|\d+ min old)/ })).toBeVisible();
  await expect(region(page, 'Ahead')).toContainText('Last concrete at');
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^E–F: (just placed|\d+ min old)/ })).toBeVisible();
  await expect(page.getByRole('contentinfo')).toContainText('E–F filled to');
  await press(page, 'Take back');
  await expect(page.getByRole('button', { name: /^E–F: empty/ })).toBeVisible();
});

test('the last truck is ordered with what is missing, and what the figure is worked from opens', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Balance');
  await openBoard(page, path);
  await bringLoad(page, 1);
  const left = region(page, 'What is left');
  await expect(left).toContainText(/Order [\d.]+ yd³ by \d\d:\d\d/);
  await press(page, 'Why so much to order');
  // The card works out the very number that is asked for.
  const [, asked = ''] = /Order ([\d.]+ yd³) by/.exec((await left.textContent()) ?? '') ?? [];
  await expect(left).toContainText(`To order: ${asked}`);
  await expect(left).toContainText('in the plant’s steps');
  await left.getByRole('button', { name: /is ordered$/ }).click();
  await expect(left).toContainText('The last load is ordered.');
});

test('taps without signal wait and arrive; two people may tap the same truck', async ({ page, watched }) => {
  watched.allowErrors();
  const path = await demoCopy(page, 'Two thumbs');
  await openBoard(page, path);
  const other = await page.context().newPage();
  await openBoard(other, path);
  await page.route('**/entries*', (route) => route.abort());
  await press(page, 'Load 1 has come');
  await expect(page.getByRole('contentinfo')).toContainText('1 waiting for the server');
  await press(other, 'Load 1 has come');
  await page.unroute('**/entries*');
  await expect(page.getByRole('contentinfo')).not.toContainText('waiting', { timeout: 60_000 });
  await expect(region(page, 'Trucks')).toContainText('Load 1, 9 yd³, waits');
  await expect(page.getByRole('button', { name: 'Load 2 has come' })).toBeVisible();
});

test('what was forgotten is tapped for the minute at which it was', async ({ page }) => {
  const path = await demoCopy(page, 'Forgotten');
  await openBoard(page, path);
  await page.getByLabel('When the next tap was').selectOption('30 min ago');
  await press(page, 'Load 1 has come');
  // Batched half an hour before it came: an hour old by now.
  await expect(region(page, 'Trucks')).toContainText(/1 h 0 min old: (29|30) min of 1 h 30 min left/);
  await expect(page.getByLabel('When the next tap was')).toHaveValue('0');
});

test('trouble: one press records it and opens its card; after thunder nobody goes back for half an hour', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Thunder');
  await openBoard(page, path);
  await bringLoad(page, 1);
  await tab(page, 'Trouble');
  await press(page, 'Lightning');
  await expect(region(page, 'Lightning')).toContainText('Boom down');
  await expectAccessible(page);
  await tab(page, 'Pour');
  await expect(region(page, 'Hose')).toContainText(/stay clear until \d\d:\d\d, in (29|30) min/);
  await press(page, 'Go on');
  await expect(region(page, 'Hose')).not.toContainText('Stopped');
});

test('a day is practised at any speed and leaves nothing behind', async ({ page }) => {
  const path = await demoCopy(page, 'Practice');
  await openBoard(page, path, '?practice');
  await press(page, '1200×');
  await press(page, 'Small blowout');
  await press(page, 'Play');
  await expect(region(page, 'Hose')).toContainText('Poured to the end', { timeout: 60_000 });
  await tab(page, 'After');
  await expect(region(page, 'Planned and real')).toContainText('Concrete');
  await page.getByRole('slider', { name: 'Minute that is shown' }).focus();
  await page.keyboard.press('Home');
  await expect(region(page, 'Played back').getByText('empty').first()).toBeVisible();
  await expectAccessible(page);
  const answer = await page.request.get(`/api${path}/entries`);
  expect(((await answer.json()) as { entries: readonly unknown[] }).entries).toEqual([]);
});

test('a pour that is done is recorded, taught to the rates, and printed', async ({ page }) => {
  const path = await demoCopy(page, 'Recorded');
  await openBoard(page, path);
  await bringLoad(page, 1);
  for (const wall of ['A–B', 'B–C', 'C–D', 'D–E', 'E–F', 'F–A']) {
    await page.getByRole('button', { name: new RegExp(`^${wall}: .*Set its height`) }).click();
    await region(page, `Height of ${wall}`)
      .getByRole('button', { name: /^Lift 4/ })
      .click();
    await press(page, 'Set this height');
  }
  await expect(page.getByRole('list', { name: 'Taps that do not fit' })).toContainText(
    'more than the trucks brought',
  );
  await press(page, 'Load 1 is empty');
  await page.getByRole('button', { name: /^The pour (is done|ends here)$/ }).click();
  await expect(region(page, 'Hose')).toContainText('Poured to the end');
  await tab(page, 'Soft');
  await expect(region(page, 'Strings')).toContainText('Sight the strings again');
  await page.getByRole('button', { name: 'Top is trowelled' }).click();
  await expectAccessible(page);
  await tab(page, 'After');
  await press(page, 'Record this pour');
  await expect(page.getByRole('button', { name: 'Recorded' })).toBeDisabled();
  await expect
    .poll(async () => {
      const answer = (await (await page.request.get(`/api${path}/entries`)).json()) as {
        entries: readonly { entry: { kind: string } }[];
      };
      return answer.entries.map(({ entry }) => entry.kind);
    })
    .toEqual(expect.arrayContaining(['load', 'rise', 'halt', 'note', 'pour']));
  await page.goto(`${path}/sheets/pour-record?pour=1`);
  await expect(page.getByRole('heading', { name: 'Loads' })).toBeVisible();
  await expect(page.getByText('A–B, lift 1')).toBeVisible();
  await page.goto(`${path}/days/log`);
  await expect(page.getByRole('region', { name: 'The log' })).toContainText('Poured to the end');
});

test('on a phone it is in the sun’s colours, with text of 18 px, targets of 56 px, and nothing scrolls sideways', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const path = await demoCopy(page, 'Thumb');
  await openBoard(page, path);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'sun');
  await bringLoad(page, 1);
  await press(page, 'Slump');
  await page.getByRole('button', { name: /^A–B: .*Set its height/ }).click();
  for (const part of ['Pour', 'Trouble', 'Soft', 'After']) {
    await tab(page, part);
    const small = await page.evaluate(() => {
      const shown = [...document.querySelectorAll('button, a, summary, input, select')].filter(
        (element) => element.getClientRects().length > 0,
      );
      const low = shown.filter((element) => element.getBoundingClientRect().height < 55.5);
      const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
      const tiny: string[] = [];
      while (texts.nextNode()) {
        const parent = texts.currentNode.parentElement;
        if (
          !parent ||
          (texts.currentNode.textContent ?? '').trim() === '' ||
          parent.closest('script, style, .sr-only')
        )
          continue;
        if (parent.getClientRects().length > 0 && parseFloat(getComputedStyle(parent).fontSize) < 17.9)
          tiny.push(`${parent.tagName} ${texts.currentNode.textContent ?? ''}`);
      }
      return {
        low: low.map((element) => element.outerHTML.slice(0, 120)),
        tiny,
        wide: document.documentElement.scrollWidth > window.innerWidth,
      };
    });
    expect(small, part).toEqual({ low: [], tiny: [], wide: false });
  }
});

test('a pour that is not there, and a truck that is none, are said plainly', async ({ page, watched }) => {
  watched.allowErrors();
  const path = await demoCopy(page, 'One pour');
  await page.goto(`${path}/pours/9/board`);
  await expect(page.getByText('This job has 1 pour.')).toBeVisible();
  expect((await page.goto(`${path}/pours/nine/board`))?.status()).toBe(404);
  await expect(page.getByText('No such pour').first()).toBeVisible();
  const refused = await page.request.get('/api/ticket?load=0&volume=7');
  expect(refused.status()).toBe(422);
  expect(await refused.text()).toContain('whole number from 1 to 400');
});

test('the board speaks the crew’s language, and keeps it on this device', async ({ page }) => {
  const path = await demoCopy(page, 'In Spanish');
  await page.goto(`${path}/pours/1/board`);
  await page.getByLabel('Language').selectOption('es');
  await expect(page.getByRole('button', { name: 'Llegó la carga 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Llegó la carga 1' }).click();
  await expect(page.getByRole('button', { name: 'A la manguera' })).toBeVisible();
  await page.getByRole('tab', { name: 'Problema' }).click();
  await page.getByRole('button', { name: 'Rayos' }).click();
  await expect(page.getByRole('region', { name: 'Rayos' })).toContainText('El rayo mata.');
  await expectAccessible(page);
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Problema' })).toBeVisible();
  await page.getByLabel('Idioma').selectOption('en');
  await expect(page.getByRole('tab', { name: 'Trouble' })).toBeVisible();
});
