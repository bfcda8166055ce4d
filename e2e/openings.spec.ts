import { readFileSync } from 'node:fs';
import {
  expect,
  demoCopy,
  expectAccessible,
  flatHatchery,
  saved,
  test,
  noticeOf,
  openNoticesOf,
} from './support/page';

test('an opening is typed in, follows into the courses, is nudged and kept', async ({ page }) => {
  const job = await flatHatchery(page);
  await page.goto(`${job}/courses`);
  const concrete = page.getByRole('button', { name: /^Concrete in the core in all courses/ });
  await expect(concrete).toBeVisible();
  const before = await concrete.textContent();
  await page.keyboard.press('n');
  await expect(page.getByLabel('New opening: kind')).toBeFocused();
  await page.getByLabel('New opening: distance from the corner').fill(`12' 1`);
  await page.getByLabel('New opening: width', { exact: true }).fill('3');
  await page.getByLabel('New opening: height', { exact: true }).fill('4');
  await page.getByLabel('New opening: head', { exact: true }).fill(`6' 8`);
  await page.getByLabel('New opening: name').fill('Kitchen');
  await page.keyboard.press('Enter');
  const card = page.getByRole('region', { name: 'Kitchen' });
  await expect(card.getByText('36″ × 48″')).toBeVisible();
  await expect(card.getByText('39″ × 51″')).toBeVisible();
  await expect(page.locator('[data-opening]')).toHaveCount(1);

  // Its buck: a foam one is 2 in thick, so the hole is 40 in.
  await card.getByLabel('Buck of Kitchen', { exact: true }).selectOption('foam');
  await expect(card.getByText('40″ × 52″')).toBeVisible();
  await expect(card.getByText('from A 12′ 1″ · from B 31′ 11″ to center')).toBeVisible();
  await expectAccessible(page);

  // A nudge is tried out on the whole job and adopted with one press.
  const nudge = card.getByRole('region', { name: 'Nudge' }).getByRole('button').first();
  await expect(nudge).toBeVisible();
  const label = await nudge.textContent();
  await nudge.click();
  await expect(
    card.getByRole('region', { name: 'Nudge' }).getByText(label ?? '', { exact: true }),
  ).toBeHidden();
  await page.keyboard.press('Control+z');

  // The courses follow: concrete less, bucks by course.
  await page.keyboard.press('3');
  await expect(concrete).not.toHaveText(before ?? '');
  await expect(page.getByRole('columnheader', { name: 'bucks' })).toBeVisible();
  await page.getByRole('button', { name: /^Buck faces to fix in all courses/ }).click();
  await expect(page.getByRole('region', { name: /^Why: Buck faces/ })).toContainText('fastened all around');
  await saved(page);
  await page.reload();
  await expect(concrete).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByLabel('Name of Kitchen')).toHaveValue('Kitchen');
});

test('an opening is dragged along the strip and moved with the arrow keys; each drag undoes as one', async ({
  page,
}) => {
  const job = await demoCopy(page, 'Dragged');
  await page.goto(`${job}/openings`);
  const handle = page.getByRole('button', { name: /^Grow-out window in A–B/ });
  const at = page.getByLabel('Grow-out window: distance from its corner');
  await expect(at).toHaveValue('12′');
  const box = await handle.boundingBox();
  if (!box) throw new Error('no handle');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let step = 1; step <= 10; step++) await page.mouse.move(x + step * 12, y);
  await page.mouse.up();
  await expect(at).not.toHaveValue('12′');
  await expect(page.getByLabel('Grow-out window: head above the lowest footing')).toHaveValue('8′');
  const dragged = await at.inputValue();
  await page.keyboard.press('Control+z');
  await expect(at).toHaveValue('12′');
  await page.keyboard.press('Control+Shift+z');
  await expect(at).toHaveValue(dragged);
  await page.keyboard.press('Control+z');

  await handle.focus();
  await page.keyboard.press('ArrowRight');
  await expect(at).toHaveValue('12′ 1″');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(at).toHaveValue('12′ 1 1/16″');
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('Grow-out window: head above the lowest footing')).toHaveValue('8′ 1″');
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-opening]')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(page.locator('[data-opening]')).toHaveCount(4);
});

test('openings are placed with the pointer, copied, repeated, lined through, sorted and moved to another wall', async ({
  page,
}) => {
  const job = await flatHatchery(page);
  await page.goto(`${job}/openings`);
  await page.getByRole('button', { name: 'Place on the strip' }).click();
  const strip = page.locator('[data-placing]');
  const box = await strip.boundingBox();
  if (!box) throw new Error('no strip');
  await page.mouse.move(box.x + 300, box.y + 80);
  await page.mouse.click(box.x + 300, box.y + 80);
  await expect(page.locator('[data-opening]')).toHaveCount(1);
  const card = page.getByRole('region', { name: 'Window 1' });
  await card.getByRole('button', { name: 'Copy next to it' }).click();
  await expect(page.locator('[data-opening]')).toHaveCount(2);
  await page.getByLabel('Wall of Window 2').selectOption({ label: 'E–F' });
  await expect(page.getByLabel('Wall of Window 2')).toHaveValue('wall-5');
  await page.getByLabel('Window 2: head above the lowest footing').fill(`7' 6`);
  await page.getByRole('button', { name: /Line 1 other head through/ }).click();
  await expect(page.getByLabel('Window 1: head above the lowest footing')).toHaveValue('7′ 6″');
  await page.getByRole('button', { name: 'wall', exact: true }).click();
  await page.getByRole('button', { name: 'wall', exact: true }).click();
  await expect(page.getByLabel(/^Name of/).first()).toHaveAttribute('placeholder', 'Window 2');
  await card
    .or(page.getByRole('region', { name: 'Window 2' }))
    .getByLabel('Spacing between their middles')
    .fill('5');
  await page.getByRole('button', { name: 'Repeat it' }).click();
  await expect(page.locator('[data-opening]')).toHaveCount(4);
});

test('thresholds are held down, bucks are cut from the least lumber, and inserts clash out loud', async ({
  page,
}) => {
  const job = await demoCopy(page, 'Thresholds');
  await page.goto(`${job}/openings`);
  await page.getByLabel('Name of Roll-up door').focus();
  const card = page.getByRole('region', { name: 'Roll-up door' });
  await expect(card.getByRole('img', { name: /held down 4″/ })).toBeVisible();
  await card.getByLabel('Threshold of Roll-up door', { exact: true }).selectOption('slab-inside');
  await expect(card.getByRole('img', { name: /^Threshold cut across: The slab stops inside/ })).toBeVisible();

  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Bucks and lumber' }).click();
  await expect(page.getByText('lowest possible, proved').first()).toBeVisible();
  await page.getByLabel('Stock length of Foam').fill('5ft');
  await expect(page.getByText('2 spliced from more than one')).toBeVisible();
  await page.getByRole('button', { name: /^Fasteners of all bucks/ }).click();
  await expect(page.getByRole('region', { name: /^Why: Fasteners/ })).toContainText('every 6″');
  await expectAccessible(page);

  await page.getByRole('tab', { name: /^Inserts/ }).click();
  await page.getByLabel('Water in: to its middle').fill('18ft 5in');
  await page.getByLabel('Water in: middle up').fill('10in');
  await expect(page.getByText(/Runs .* into /).first()).toBeVisible();
  await page.getByLabel('New insert: distance from the corner').fill('14');
  await page.getByLabel('New insert: how far up').fill('5');
  await page.getByLabel('New insert: name').fill('Hose');
  await page.getByLabel('New insert: name').press('Enter');
  await expect(page.getByLabel('Name of Hose')).toHaveValue('Hose');
  await expectAccessible(page);
});

test('CSV goes in row by row or not at all, and comes out again', async ({ page }) => {
  const job = await demoCopy(page, 'Lists');
  await page.goto(`${job}/openings`);
  await page.getByRole('tab', { name: 'CSV files' }).click();
  const paste = page.getByLabel(/^Openings: wall, at, width/);
  const take = page.getByRole('button', { name: 'Use these' }).first();
  await paste.fill('wall,at,width,height\nA-B,30ft,3ft,4ft\nQ-R,2ft,3ft,4ft');
  await take.click();
  await expect(page.getByText(/Row 3: There is no wall “Q-R”/)).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Openings (4)' })).toBeVisible();
  await paste.fill('wall,from,at,width,height,sill,name\nA-B,B,6ft,3ft,4ft,5ft,"Tool room, east"');
  await take.click();
  await expect(page.getByText('1 openings taken.')).toBeVisible();
  await expect(page.getByRole('tab', { name: 'Openings (5)' })).toBeVisible();
  await saved(page);
  const openings = await page.request.get(`/api${job}/openings.csv`);
  expect(openings.headers()['content-type']).toContain('text/csv');
  expect(await openings.text()).toContain('"Tool room, east",window,A-B,B,near,72,36,48,60');
  const inserts = await page.request.get(`/api${job}/inserts.csv`);
  expect(await inserts.text()).toContain('Tank drain,sleeve,E-F,E,220,10,6');
  expect((await page.request.get('/api/jobs/none/openings.csv')).status()).toBe(404);
});

test('an opening is parked when its wall goes, and comes back with it', async ({ page }) => {
  const job = await demoCopy(page, 'Parked');
  await page.goto(`${job}/outline`);
  await page.getByRole('button', { name: /^Remove .*B–C/ }).click();
  await page.keyboard.press('4');
  await page.keyboard.press('1');
  await openNoticesOf(page, 'Openings');
  await expect(noticeOf(page, 'opening-wall-gone')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(noticeOf(page, 'opening-wall-gone')).toHaveCount(0);
  await page.keyboard.press('4');
  await expect(page.locator('[data-opening]')).toHaveCount(4);
});

test('the openings sheet marks every opening; a plan with all of it goes out and in', async ({ page }) => {
  const job = await demoCopy(page, 'On paper');
  await page.goto(`${job}/openings`);
  await expect(page.locator('[data-opening]')).toHaveCount(4);
  await page.keyboard.press('p');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('On paper: openings');
  await expect(page.getByText('from A: 12′ to center, hole from 9′ 10 1/2″')).toBeVisible();
  await expect(page.getByText('cut course 3 plus 4 1/2″ to course 6 plus 1 1/2″')).toBeVisible();
  await expect(page.getByRole('row', { name: /Tank drain/ })).toContainText('6″ round, fall 1/2″');
  await expectAccessible(page);
  const file = JSON.parse(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8')) as { openings: unknown[] };
  const out = (await (await page.request.get(`/api${job}/plan.json`)).json()) as { openings: unknown[] };
  expect(out.openings.length).toBe(file.openings.length);
});
