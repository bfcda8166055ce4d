import { demoCopy, expect, expectAccessible, openNewJob, saved, test } from './support/page';

const headers = { Origin: 'http://127.0.0.1:4399', 'Content-Type': 'application/octet-stream' };

test('a drawing comes in as an outline: shown first, taken as one edit that undo takes back', async ({
  page,
  request,
}) => {
  const from = await demoCopy(page, 'Drawn elsewhere');
  const drawing = await (await request.get(`/api${from}/export/plan.dxf`)).body();
  await openNewJob(page, 'From a drawing');
  await page.getByRole('button', { name: 'Outline from a file' }).click();
  const dialog = page.getByRole('dialog', { name: 'Outline from a file' });
  await dialog
    .locator('input[type=file]')
    .setInputFiles({ name: 'plan.dxf', mimeType: 'image/vnd.dxf', buffer: drawing });
  await expect(dialog).toContainText('DXF drawing');
  await dialog.getByLabel('Which line').selectOption({ label: 'layer Form face: 6 walls, closed' });
  await expect(dialog.getByRole('img', { name: /6 walls, 152′ round/ })).toBeVisible();
  await expectAccessible(page);
  await expect(page.getByLabel('Length of A–B')).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Use this outline' }).click();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('44′');
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Length of A–B')).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByLabel('Length of A–B')).toHaveValue('44′');
});

test('points are asked for their unit and order; what crosses itself is refused until the order is right', async ({
  page,
  watched,
}) => {
  // The browser tells of an answer that refuses.
  watched.allowErrors();
  await openNewJob(page, 'Surveyed');
  await page.getByRole('button', { name: 'Outline from a file' }).click();
  const dialog = page.getByRole('dialog', { name: 'Outline from a file' });
  await dialog
    .getByLabel('Lengths and turns, or points')
    .fill('name,northing,easting\nP1,100,200\nP3,80,230\nP2,100,230\nP4,80,200');
  await dialog.getByRole('button', { name: 'Read text' }).click();
  await expect(dialog).toContainText('It crosses itself. Try another order');
  await dialog
    .getByLabel('Lengths and turns, or points')
    .fill('name,northing,easting\nP1,100,200\nP2,100,230\nP3,80,230\nP4,80,200');
  await dialog.getByRole('button', { name: 'Read text' }).click();
  await expect(dialog.getByRole('img', { name: /4 walls, 100′ round/ })).toBeVisible();
  await dialog.getByText('m', { exact: true }).click();
  await expect(dialog.getByRole('img', { name: /4 walls, 328′ 1″ round/ })).toBeVisible();
  await dialog.getByText('ft', { exact: true }).click();
  await dialog.getByText('By name').click();
  await expect(dialog.getByRole('img', { name: /100′ round/ })).toBeVisible();
  await dialog.getByText('Concrete').click();
  await dialog.getByRole('button', { name: 'Use this outline' }).click();
  await expect(page.getByLabel('Length of A–B')).toHaveValue('30′');
  await expect(page.locator('main, body').first()).toContainText('outside of concrete');
});

test('bad files and asks are refused in plain words', async ({ request }) => {
  const post = (data: string, query = '') => request.post(`/api/import/outline${query}`, { headers, data });
  for (const [data, query, status, said] of [
    ['A house by the lake', '', 422, 'is no length'],
    ['', '', 422, 'empty'],
    ['0\nSECTION\n2\nENTITIES\n', '', 422, 'no DXF drawing'],
    ['ISO-10303-21;\n', '', 422, 'IFC'],
    ["10' R", '?unit=parsec', 422, 'survey-ft'],
    ["10' R", '?order=odd', 422, 'file, name, round'],
    ["10' R", '?units=cubits', 422, 'imperial or metric'],
  ] as const) {
    const answer = await post(data, query);
    expect(answer.status(), data).toBe(status);
    expect(await answer.text(), data).toContain(said);
  }
  expect((await request.get('/api/import/outline')).status()).toBe(405);
});
