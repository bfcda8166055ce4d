import { readFileSync } from 'node:fs';
import {
  demoCopy,
  expect,
  expectAccessible,
  openNewJob,
  saved,
  test,
  typeWalls,
  noticeOf,
} from './support/page';

const DEMO = '/jobs/sorrel-fork-hatchery';

test('the footing is given, chalked, squared, levelled and looked at; all of it is kept', async ({
  page,
}) => {
  const id = await openNewJob(page, 'Footing');
  await typeWalls(page, ['40', '28', '40', '28']);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Footing', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^A–B/ })
    .click();
  await expect(page.getByRole('img', { name: /outer chalk line 5 1\/2″/ })).toBeVisible();
  await page.getByLabel('Width of the footing', { exact: true }).fill('20in');
  await expect(page.getByRole('img', { name: /outer chalk line 3 1\/2″/ })).toBeVisible();
  await page.getByLabel('How far A–B is off').fill('out 5in');
  await expect(page.getByText('The outside chalk line runs 1 1/2″ off the footing')).toBeVisible();
  await page.getByRole('button', { name: 'Center it' }).click();
  await expect(page.getByText('off the footing. Move the wall')).toBeHidden();
  await page.getByLabel('Width of the footing', { exact: true }).fill('12in');
  await expect(noticeOf(page, 'narrower-than-wall').first()).toBeVisible();
  await page.getByLabel('Width of the footing', { exact: true }).fill('24in');
  await page.getByRole('button', { name: /^Concrete in it/ }).click();
  await expect(page.getByText('concrete in the footing:', { exact: false })).toBeVisible();
  await expectAccessible(page);

  // Square: the long diagonal's corner comes in.
  await page.getByRole('tab', { name: 'Square' }).click();
  await page.getByLabel('Measured from A to C').fill(`48' 10 1/4"`);
  await page.getByLabel('Measured from B to D').fill(`48' 9 1/2"`);
  await expect(page.getByText(/Move C .* toward D/)).toBeVisible();
  await page.getByLabel('Measured from A to C').fill('90ft');
  await expect(noticeOf(page, 'pull-impossible').getByText(/90′/)).toBeVisible();
  await page.getByLabel('Measured from A to C').fill(`48' 9 7/8"`);
  await page.getByLabel('Measured from B to D').fill(`48' 9 7/8"`);
  await expect(page.getByText('Every corner is where it should be.')).toBeVisible();
  await expectAccessible(page);

  // Level: typed, pasted, refused, imported and saved again.
  await page.getByRole('tab', { name: 'Level' }).click();
  await page.getByLabel('New reading: how far from A').fill('0');
  await page.getByLabel('New reading: on the rod').fill('4-2');
  await page.getByLabel('New reading: on the rod').press('Enter');
  await expect(noticeOf(page, 'one-reading')).toBeVisible();
  await page.getByText('file or paste').click();
  const paste = page.getByLabel(/^Paste here/);
  await paste.fill('wall, at, reading\nA-B, 50ft, 4ft');
  await page.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByText('Row 2: The reading lies off wall A–B')).toBeVisible();
  await paste.fill('wall, at, reading\nA-B, 20ft, 4ft\nB-C, 10ft, 1250 mm');
  await page.getByRole('button', { name: 'Use these' }).click();
  await expect(page.getByText('Write the whole column in one unit')).toBeVisible();
  await page.setInputFiles('input[type=file][accept*=csv]', {
    name: 'survey.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'wall,at,reading\nA-B,20ft,4ft 2 1/8in\nB-C,14ft,4ft 2 1/4in\nC-D,20ft,4ft 2in\nD-A,14ft,4ft 2in\n',
    ),
  });
  await expect(page.getByText('4 readings taken.')).toBeVisible();
  await expect(page.getByText('Shims by thickness')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('tab', { name: 'First course' }).click();
  await page.getByText('track', { exact: true }).click();
  await expect(page.getByRole('button', { name: /Track lengths/ })).toBeVisible();
  await page.getByRole('tab', { name: /^Ready/ }).click();
  await page.getByLabel(/^Dowels clear of the webs/).check();
  await expect(page.getByRole('tab', { name: /^Ready for the wall \(1 of/ })).toBeVisible();
  await expectAccessible(page);
  await saved(page);
  const csv = await (await page.request.get(`/api/jobs/${id}/survey.csv`)).text();
  expect(csv.split('\n')[2]).toBe('A-B,240,50.125');
  await page.reload();
  await expect(page.getByLabel(/^Dowels clear of the webs/)).toBeChecked();
});

test('the laser receiver reads a wall spot by spot, can be stopped, and one undo takes its readings back', async ({
  page,
}) => {
  await openNewJob(page, 'Laser');
  await typeWalls(page, ['24', '16', '24', '16']);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Footing', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^A–B/ })
    .click();
  await page.getByRole('tab', { name: 'Level' }).click();
  await page.getByRole('button', { name: 'Read A–B' }).click();
  await expect(page.getByText(/of 6 spots read/)).toBeVisible({ timeout: 60_000 });
  const list = page.getByRole('region', { name: 'Readings on A–B' });
  await expect(list.getByLabel(/on the rod$/).first()).toHaveValue(/5′ 6/);
  await page.getByRole('button', { name: 'Read all walls' }).click();
  await expect(page.getByText(/Rod on B–C/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText(/then stopped/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(list.getByRole('button', { name: /^Remove reading/ })).toHaveCount(0);
});

test('rock and insulated forms are worked on the same job', async ({ page }) => {
  await page.goto(`${await demoCopy(page, 'On rock')}/footing`);
  await page.getByLabel('Walls sit on').selectOption('rock');
  await page.getByRole('tab', { name: 'First course' }).click();
  await expect(page.getByRole('region', { name: 'On rock' })).toBeVisible();
  await page.keyboard.press(',');
  await page.keyboard.press(',');
  await page.keyboard.press(',');
  await page.getByLabel('Walls sit on').selectOption('forms');
  await page.getByRole('tab', { name: 'First course' }).click();
  const forms = page.getByRole('region', { name: 'Insulated footing forms' });
  await expect(forms.getByText('Split ties in the miters')).toBeVisible();
  await forms.getByRole('button', { name: /^Stone/ }).click();
  await expect(page.getByText('stone under insulated footing forms:', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await saved(page);
});

test('the footing sheet prints what the first hour on site needs', async ({ page }) => {
  await page.goto(`${DEMO}/footing`);
  await page.getByRole('link', { name: 'Footing sheet' }).click();
  await expect(page.getByRole('heading', { name: 'Sorrel Fork Hatchery: footing and layout' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Chalk lines' })).toContainText('5 1/2″');
  await expect(page.getByRole('region', { name: 'Square' })).toContainText('42′ 6 1/4″');
  await expect(page.getByRole('region', { name: 'Shims' }).getByRole('listitem').first()).toContainText(
    '1 · A–B',
  );
  await expectAccessible(page);
  for (const format of ['Letter', 'A4'] as const) {
    const pdf = (await page.pdf({ format })).toString('latin1');
    expect((pdf.match(/\/Type \/Page\b/g) ?? []).length).toBe(3);
  }
  expect((await page.request.get('/jobs/nowhere/sheets/footing')).status()).toBe(404);
});

test('the receiver and the survey file answer plainly for what is not there', async ({ page }) => {
  const cases = [
    ['/api/receiver?job=nowhere&station=0&round=1&above=0', 404],
    ['/api/receiver?job=sorrel-fork-hatchery', 422],
    ['/api/receiver?job=sorrel-fork-hatchery&station=-5&round=1&above=0', 422],
    ['/api/receiver?job=sorrel-fork-hatchery&station=far&round=1&above=0', 422],
    ['/api/receiver?job=sorrel-fork-hatchery&station=0&round=1&above=', 422],
    ['/api/jobs/nowhere/survey.csv', 404],
  ] as const;
  for (const [path, status] of cases) {
    const answer = await page.request.get(path);
    expect(answer.status(), path).toBe(status);
    const { problems } = (await answer.json()) as { problems: { what: string }[] };
    expect(problems[0]?.what).toMatch(/[.]$/);
  }
  const demo = JSON.parse(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8')) as {
    footing: { shots: unknown[] };
  };
  const csv = await (await page.request.get('/api/jobs/sorrel-fork-hatchery/survey.csv')).text();
  expect(csv.trim().split('\n')).toHaveLength(demo.footing.shots.length + 1);
});

test('two thousand readings are taken from a file, shown without waiting, and removed wall by wall', async ({
  page,
}) => {
  await openNewJob(page, 'Many readings');
  await typeWalls(page, ['40', '28', '40', '28']);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Footing', exact: true }).click();
  await page
    .getByRole('complementary', { name: 'Walls and notices' })
    .getByRole('button', { name: /^A–B/ })
    .click();
  // The parts of the stage by keyboard, there and back.
  await page.keyboard.press('.');
  await expect(page.getByRole('tab', { name: 'Square' })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('.');
  await expect(page.getByRole('tab', { name: 'Level' })).toHaveAttribute('aria-selected', 'true');
  await page.getByText('file or paste').click();
  const rows = ['A-B', 'B-C', 'C-D', 'D-A'].flatMap((wall, side) =>
    Array.from({ length: 500 }, (_, index) => {
      const at = Math.round(((side % 2 === 0 ? 12192 : 8534) * index) / 500);
      return `${wall},${String(at)},${(1270 + Math.sin(index / 30) * 2).toFixed(1)}`;
    }),
  );
  await page.setInputFiles('input[type=file][accept*=csv]', {
    name: 'many.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`wall,at (mm),reading (mm)\n${rows.join('\n')}\n`),
  });
  await expect(page.getByText('2000 readings taken.')).toBeVisible();
  const list = page.getByRole('region', { name: 'Readings on A–B' });
  await expect(list.getByRole('button', { name: 'Show the other 440' })).toBeVisible();
  await expect(page.getByText('high point', { exact: true })).toBeVisible();
  await list.getByRole('button', { name: 'Remove these 500' }).click();
  await expect(list.getByRole('button', { name: /^Remove reading/ })).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(list.getByRole('button', { name: 'Remove these 500' })).toBeVisible();
  await saved(page);
});
