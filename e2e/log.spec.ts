import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { demoCopy, expect, expectAccessible, noticeOf, openSetting, saved, test } from './support/page';

const headers = { Origin: 'http://127.0.0.1:4399' };

/** An entry as a device sends it. */
const entry = (id: string, kind: string, body: object, more: object = {}) => ({
  id,
  at: '2027-04-06T15:00:00-04:00',
  who: 'Ida',
  kind,
  body,
  ...more,
});
const note = (id: string, what: string, more: object = {}) => entry(id, 'note', { what }, more);

const send = (request: APIRequestContext, path: string, data: unknown) =>
  request.post(`/api${path}/entries`, { headers, data });

/** Opens the log of a job and waits until it has been read. */
async function openLog(page: Page, path: string): Promise<void> {
  await page.goto(`${path}/days/log`);
  await expect(page.getByRole('region', { name: 'The log' })).toContainText(/Nothing is recorded|entr/);
}
const record = (page: Page) => page.getByRole('region', { name: 'Record' });
const theLog = (page: Page) => page.getByRole('region', { name: 'The log' });
const kind = (page: Page, name: string) =>
  page.getByRole('group', { name: 'What to record' }).getByRole('button', { name, exact: true }).click();
/** Changes a house rule of the job. */
async function setRule(page: Page, name: RegExp, set: (field: Locator) => Promise<unknown>): Promise<void> {
  await openSetting(page, 'House rules');
  const dialog = page.getByRole('dialog', { name: 'House rules of this job' });
  await set(dialog.getByLabel(name));
  await dialog.getByRole('button', { name: 'Close' }).click();
}
/** Walls that stand in red chalk on the strip. */
const chalk = (page: Page) => page.locator('[data-layer="record"] line');

test('a day is recorded: people, a course tapped on the strip, its place kept over a reload, taken back and put back', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Log of a day');
  await openLog(page, path);
  await kind(page, 'People');
  await record(page).getByLabel('Day').fill('2027-04-06');
  await record(page).getByLabel('Name 1').fill('Ida');
  await record(page).getByRole('button', { name: 'Person', exact: true }).click();
  await record(page).getByLabel('Name 2').fill('Bo');
  await record(page).getByLabel('Bo is new to this work').check();
  await record(page).getByRole('button', { name: 'Record 2 people' }).click();
  await expect(theLog(page)).toContainText('Ida, Bo (new) · 16 h in all');
  // The same people are offered again.
  await expect(record(page).getByLabel('Name 2')).toHaveValue('Bo');

  await kind(page, 'Work done');
  await record(page).getByRole('combobox', { name: 'Work', exact: true }).selectOption({ label: 'Course 1' });
  await record(page).getByLabel('Day').fill('2027-04-06');
  await record(page).getByLabel('Man-hours').fill('2.5');
  // C–D and D–E are the low walls: the other four begin higher.
  const walls = record(page).getByRole('group', { name: /^Laid/ }).getByRole('button');
  const count = await walls.count();
  await expect(record(page).getByText('100 % of the course’s face')).toBeVisible();
  await page.locator('[data-layer="record"] rect.cursor-pointer').first().click();
  await expect(walls.first()).toHaveAttribute('aria-pressed', 'false');
  await expect(record(page).getByText('Not signed:')).toBeVisible();
  const button = record(page).getByRole('button', { name: 'Record Course 1' });
  await expect(button).toBeDisabled();
  await record(page).getByLabel('Gone on anyway').check();
  await button.click();
  await expect(theLog(page)).toContainText('Course 1');
  await expect(theLog(page)).toContainText('2.5 man-hours');
  await expect(chalk(page)).toHaveCount(count - 1);
  await expectAccessible(page);

  await page.reload();
  await expect(chalk(page)).toHaveCount(count - 1);
  await expect(page).toHaveURL(/\/days\/log$/);
  await theLog(page)
    .getByRole('button', { name: /^Take back: Work done/ })
    .click();
  await expect(chalk(page)).toHaveCount(0);
  await theLog(page).getByText('Taken back (1)').click();
  await theLog(page).getByRole('button', { name: 'Put back' }).click();
  await expect(chalk(page)).toHaveCount(count - 1);
});

test('what is recorded without the server waits in the browser, is shown as waiting, and arrives by itself', async ({
  page,
  watched,
}) => {
  watched.allowErrors();
  const path = await demoCopy(page, 'Log without signal');
  await openLog(page, path);
  await page.route('**/entries**', (route) => route.abort());
  await kind(page, 'Note');
  await record(page).getByLabel('What', { exact: true }).fill('Written in a cellar');
  await record(page).getByRole('button', { name: 'Record it' }).click();
  await expect(theLog(page)).toContainText('Written in a cellar');
  await expect(theLog(page)).toContainText('waiting to be sent');
  // The page may be closed meanwhile.
  await page.goto('/');
  await page.unroute('**/entries**');
  await openLog(page, path);
  await expect(theLog(page)).toContainText('Written in a cellar');
  await expect(theLog(page)).not.toContainText('waiting to be sent');
  const kept = (await (await page.request.get(`/api${path}/entries?after=0`)).json()) as {
    entries: { entry: { body: { what: string } } }[];
  };
  expect(kept.entries.map(({ entry: each }) => each.body.what)).toEqual(['Written in a cellar']);
});

test('two people write: both see all of it; a correction keeps the old words', async ({
  page,
  context,
  request,
}) => {
  const path = await demoCopy(page, 'Log of two');
  await openLog(page, path);
  const other = await context.newPage();
  await openLog(other, path);
  await kind(other, 'Incident');
  await record(other).getByLabel('What happened').fill('Bulge at the door');
  await record(other).getByLabel('Cause').fill('vibrated too long');
  await record(other).getByRole('button', { name: 'Record the incident' }).click();
  await expect(theLog(page)).toContainText('Bulge at the door Cause: vibrated too long');
  await theLog(page)
    .getByRole('button', { name: /^Correct: Incident/ })
    .click();
  await expect(record(page).getByLabel('What happened')).toHaveValue('Bulge at the door');
  await record(page).getByLabel('Cure').fill('plywood both sides');
  await record(page).getByRole('button', { name: 'Record the incident' }).click();
  await expect(theLog(other)).toContainText('Cure: plywood both sides');
  await expect(theLog(other).getByText('corrected')).toHaveCount(1);
  const all = (await (await request.get(`/api${path}/entries`)).json()) as { entries: unknown[] };
  expect(all.entries).toHaveLength(2);
  await theLog(page).getByLabel('Find in the log').fill('plywood');
  await expect(theLog(page)).toContainText('1 entry');
  await theLog(page).getByLabel('Find in the log').fill('nothing like it');
  await expect(theLog(page)).toContainText('No entry like this.');
});

test('laid is laid: an edit leaves what stands, says so, and asks; kept as it stands, laid anew, taken down', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Laid is laid');
  await openLog(page, path);
  const lay = async (course: number) => {
    await record(page)
      .getByRole('combobox', { name: 'Work', exact: true })
      .selectOption({ label: `Course ${String(course)}` });
    await record(page).getByLabel('Gone on anyway').check();
    await record(page)
      .getByRole('button', { name: `Record Course ${String(course)}` })
      .click();
    await expect(theLog(page)).toContainText(`Work done Course ${String(course)}`);
  };
  await lay(1);
  await lay(2);
  await setRule(page, /^Value of: In the first course/, (field) => field.selectOption('ending-wall'));
  await saved(page);
  await page.keyboard.press('3');
  await expect(noticeOf(page, 'laid-otherwise').first()).toBeVisible();
  await page.goto(`${path}/days/log`);
  const otherwise = page.getByRole('region', { name: 'Laid otherwise than planned' });
  await otherwise.getByRole('button', { name: 'Keep it as it stands' }).first().click();
  await expect(otherwise.getByText('Course 1', { exact: true })).toHaveCount(0);
  await otherwise.getByRole('button', { name: 'Lay course 2 anew' }).click();
  await expect(otherwise).toHaveCount(0);
  await expect(theLog(page)).toContainText('course 2 taken down');
  await kind(page, 'Taken down');
  await expect(record(page).getByRole('combobox', { name: 'Course' })).toHaveValue('1');
  await record(page).getByLabel('Why').fill('out of line');
  await record(page).getByRole('button', { name: 'Record that it was taken down' }).click();
  await expect(chalk(page)).toHaveCount(0);
});

test('a log that comes later than its form still says the day that is offered', async ({ page, request }) => {
  const path = await demoCopy(page, 'Late log');
  const sent = await send(request, path, {
    entries: [
      note('01JLATELOG0000000000000001', 'Cold.'),
      entry('01JLATELOG0000000000000002', 'weather', {
        day: '2031-05-06',
        what: 'dry',
        lowF: null,
        highF: null,
        gustMph: null,
      }),
    ],
  });
  expect(sent.status()).toBe(201);
  let letIn: () => void = () => undefined;
  const held = new Promise<void>((resolve) => {
    letIn = resolve;
  });
  await page.route('**/entries**', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`${path}/days/log`);
  await kind(page, 'Gear');
  await record(page).getByLabel('What', { exact: true }).fill('brace frames');
  await expect(record(page).getByLabel('Day')).not.toHaveValue('2031-05-06');
  letIn();
  await expect(theLog(page)).toContainText('2 entries');
  await expect(record(page).getByLabel('Day')).toHaveValue('2031-05-06');
  await expect(record(page).getByLabel('What', { exact: true })).toHaveValue('brace frames');
  // A day that was chosen stays.
  await record(page).getByLabel('Day').fill('2031-05-04');
  await record(page).getByLabel('How many').fill('6');
  await record(page).getByRole('button', { name: 'Record the gear' }).click();
  await expect(theLog(page)).toContainText('2031-05-04');
});

test('a hold point is ticked and signed; it falls off when the job changes, and says why', async ({
  page,
}) => {
  const path = await demoCopy(page, 'Hold points');
  await page.goto(`${path}/days`);
  await page.getByRole('tab', { name: /^Hold points/ }).click();
  const hold = page.locator('[data-hold="braces:pour-1"]');
  await hold.locator('summary').click();
  await hold.getByRole('checkbox').first().check();
  await hold.getByLabel('Signed by').fill('Ida');
  await hold.getByRole('button', { name: /^Sign with \d+ not ticked/ }).click();
  await expect(hold.locator('summary')).toContainText('signed by Ida');
  await expectAccessible(page);
  await setRule(page, /^Value of: Braces are at most/, (field) => field.first().fill('3ft'));
  await expect(hold.locator('summary')).toContainText('sign again');
  await expect(hold.getByRole('checkbox').first()).not.toBeChecked();
  await expect(hold).toContainText('Seen as: A–B');
  await expect(noticeOf(page, 'days:fallen').first()).toBeVisible();
});

test('rates of the logs are offered, with the days that they come from', async ({ page, request }) => {
  const path = await demoCopy(page, 'Rates');
  const days = ['2027-04-06', '2027-04-07', '2027-04-08', '2027-04-09'];
  const sent = await send(request, path, {
    entries: days.map((day, index) =>
      entry(`rate-${String(index)}`, 'work', {
        day,
        item: 'list:pour-1',
        kind: 'list',
        name: 'List before the pump',
        share: 0.25,
        quantity: { unit: 'count', value: 1 },
        manMinutes: 120,
        planned: 60,
        rates: { 'days.rate.list': 60 },
      }),
    ),
  });
  expect(sent.status()).toBe(201);
  await page.goto(`${path}/days`);
  await page.getByRole('tab', { name: 'Our rates' }).click();
  const row = page.locator('[data-rate="days.rate.list"]');
  await row.locator('summary').click();
  await expect(row).toContainText('2027-04-09 · 120');
  await row.getByRole('button', { name: /^Use ours/ }).click();
  await expect(row).toContainText('The list before the pump takes 120 man-minutes.');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(row).toContainText('The list before the pump takes 60 man-minutes.');
});

test('the evening before a pour: what speaks against it, and what a day later costs', async ({ page }) => {
  const path = await demoCopy(page, 'Go or not');
  await page.goto(`${path}/days`);
  await page.getByRole('tab', { name: 'Go or not' }).click();
  const card = page.getByRole('region', { name: /go or not$/ });
  await expect(card).toContainText('Not yet');
  await expect(card.getByRole('row', { name: /^Hold points/ })).toContainText(
    'Not signed: Footing inspected',
  );
  await expect(card.getByRole('row', { name: /^Weather/ })).toContainText('gusts of');
  await card.getByRole('button').last().click();
  await expect(page.getByText('What a day later costs').first()).toBeVisible();
  await expectAccessible(page);
});

test('a picture is kept by what it holds; what is none is refused in words', async ({ page, request }) => {
  const path = await demoCopy(page, 'Pictures');
  await openLog(page, path);
  await kind(page, 'Picture');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await record(page)
    .getByLabel('Picture', { exact: true })
    .setInputFiles({
      name: 'no.png',
      mimeType: 'image/png',
      buffer: Buffer.from('not a picture'),
    });
  await record(page).getByRole('button', { name: 'Record the picture' }).click();
  await expect(record(page)).toContainText('no picture that the browser can read');
  await record(page)
    .getByLabel('Picture', { exact: true })
    .setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: png });
  await record(page).getByLabel('What it shows').fill('Dowels at B');
  await record(page).getByRole('button', { name: 'Record the picture' }).click();
  const picture = theLog(page).getByRole('img', { name: 'Dowels at B' });
  await expect(picture).toBeVisible();
  await expect.poll(() => picture.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(1);
  const refused = await request.post(`/api${path}/files`, { headers, data: Buffer.from('<svg/>') });
  expect(refused.status()).toBe(415);
});

test('the log’s endpoint: every id once, all of a batch or none, plain words for what is wrong', async ({
  page,
  request,
}) => {
  const path = await demoCopy(page, 'Log by hand');
  const url = `/api${path}/entries`;
  expect((await send(request, path, note('a', 'one'))).status()).toBe(201);
  expect((await send(request, path, note('a', 'one'))).status()).toBe(200);
  expect((await send(request, path, note('a', 'another'))).status()).toBe(409);
  const mixed = await send(request, path, {
    entries: [note('b', 'good'), { ...note('c', 'bad'), at: 'noon' }],
  });
  expect(mixed.status()).toBe(422);
  expect(JSON.stringify(await mixed.json())).toContain('entries[1].at');
  expect((await send(request, path, { entries: 'many' })).status()).toBe(422);
  expect((await request.get(`${url}?after=x`)).status()).toBe(422);
  expect((await request.get('/api/jobs/nobody/entries')).status()).toBe(404);
  expect((await request.delete(url, { headers })).status()).toBe(405);
  expect((await request.post(url, { data: note('d', 'x') })).status()).toBe(403);
  const all = (await (await request.get(`${url}?after=0`)).json()) as {
    entries: { number: number; entry: { id: string } }[];
    last: number;
  };
  expect(all.entries.map(({ entry: each }) => each.id)).toEqual(['a']);
  const none = (await (await request.get(`${url}?after=${String(all.last)}`)).json()) as {
    entries: unknown[];
  };
  expect(none.entries).toEqual([]);
  // Entries for what is gone are kept, and shown as such.
  await send(request, path, note('gone', 'Was here', { place: { wall: 'wall-that-was' } }));
  await openLog(page, path);
  await expect(theLog(page)).toContainText('a wall that is gone');
});

test('a job whose outline does not stand keeps its log within reach', async ({ page, request }) => {
  const made = await request.post('/api/jobs', { headers, data: { name: 'No walls yet' } });
  const { job } = (await made.json()) as { job: { id: string } };
  const path = `/jobs/${job.id}`;
  await send(request, path, note('early', 'Bank cut back'));
  await openLog(page, path);
  await expect(theLog(page)).toContainText('Bank cut back');
  await kind(page, 'Note');
  await record(page).getByLabel('What', { exact: true }).fill('Stakes in');
  await record(page).getByRole('button', { name: 'Record it' }).click();
  await expect(theLog(page)).toContainText('Stakes in');
});

test('the daily sheet says the log of a day, and the log works at the size of a phone', async ({
  page,
  request,
}) => {
  const path = await demoCopy(page, 'Daily sheet');
  await send(request, path, {
    entries: [note('a', 'First day'), note('b', 'Next day', { at: '2027-04-07T08:00:00-04:00' })],
  });
  await page.goto(`${path}/sheets/log`);
  await expect(page.getByText('First day')).toBeVisible();
  await page.goto(`${path}/sheets/log?day=2027-04-07`);
  await expect(page.getByText('Next day')).toBeVisible();
  await expect(page.getByText('First day')).toHaveCount(0);
  await page.setViewportSize({ width: 390, height: 844 });
  await openLog(page, path);
  for (const name of ['Work done', 'People', 'Delivery', 'Pulled length', 'Reading', 'Weather', 'Pour']) {
    await kind(page, name);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});
