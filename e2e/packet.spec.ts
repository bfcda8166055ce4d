import { readFileSync } from 'node:fs';
import { demoCopy, expect, expectAccessible, saved, test } from './support/page';

const headers = { Origin: 'http://127.0.0.1:4399' };

test('a packet by role is made with its progress, saved, and made anew in French', async ({ page }) => {
  const path = await demoCopy(page, 'Packed lunch');
  await page.goto(`${path}/courses`);
  await saved(page);
  await page.keyboard.press('9');
  await expect(page).toHaveURL(`${path}/packet`);
  await expect(page.getByRole('heading', { name: 'Packet to print' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'None' }).click();
  await expect(page.getByRole('button', { name: 'Make packet' })).toBeDisabled();
  const hose = page.getByRole('button', { name: 'Hose' });
  await hose.click();
  await expect(hose).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('checkbox', { name: 'Pour card' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'Bar shop' })).not.toBeChecked();
  await page.getByText('Français').click();
  const made = page.waitForResponse(/packet\.pdf/);
  await page.getByRole('button', { name: 'Make packet' }).click();
  expect((await made).url()).toContain('sheets=hose%2Ctrouble&language=fr&paper=letter');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /^Save PDF/ }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Packed lunch.pdf');
  expect(
    readFileSync(await download.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('a packet under way can be cancelled, and the next one is made', async ({ page, watched }) => {
  // The browser tells of the request that was let go.
  watched.allowErrors();
  const path = await demoCopy(page, 'Let go');
  await page.goto(`${path}/packet`);
  await page.getByRole('button', { name: 'Make packet' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('button', { name: 'Make packet' })).toBeVisible();
  await page.getByRole('button', { name: 'None' }).click();
  await page.getByRole('button', { name: 'Lay out' }).click();
  await page.getByRole('button', { name: 'Make packet' }).click();
  await expect(page.getByRole('link', { name: /^Save PDF/ })).toBeVisible({ timeout: 60_000 });
});

test('a scanned page opens its place, and says so when the plan has changed since', async ({
  page,
  request,
}) => {
  const path = await demoCopy(page, 'Scanned');
  await page.goto(`${path}/paper?state=1&to=steel`);
  await expect(page).toHaveURL(`${path}/steel`);
  await page.goto(`${path}/paper?state=1&to=courses&course=3`);
  await expect(page.getByRole('heading', { name: 'Course 3, wall A–B, from above' })).toBeVisible();
  await expect(page).toHaveURL(`${path}/courses`);
  const job = `/api${path}`;
  const plan = (await (await request.get(`${job}/plan.json`)).json()) as object;
  const sent = await request.put(job, {
    headers,
    data: { baseVersion: 1, saveId: 'newer', plan: { ...plan, name: 'Scanned again' } },
  });
  expect(sent.status()).toBe(200);
  await page.goto(`${path}/paper?state=1&to=steel`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('this page is old');
  await expect(page.getByRole('main')).toContainText('state 1');
  await page.getByRole('link', { name: 'Open the newest plan here' }).click();
  await expect(page).toHaveURL(`${path}/steel`);
  await page.goto(`${path}/paper?state=9&to=nowhere`);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('not from this plan');
});

test('every file of a job is there under its name, and a name that is none is refused', async ({
  page,
  request,
}) => {
  const path = await demoCopy(page, 'Every file');
  await page.goto(`${path}/packet`);
  await expect(page.getByRole('link', { name: 'plan.dxf' })).toBeVisible();
  const links = await page
    .getByRole('region', { name: 'Files for other programs' })
    .getByRole('link')
    .evaluateAll((all) => all.map((link) => (link as HTMLAnchorElement).pathname));
  expect(links.length).toBeGreaterThan(20);
  for (const link of links) {
    const answer = await request.get(link);
    expect(answer.status(), link).toBe(200);
    expect(answer.headers()['content-disposition'], link).toContain('attachment');
    expect((await answer.body()).byteLength, link).toBeGreaterThan(40);
  }
  const none = await request.get(`/api${path}/export/plan.doc`);
  expect(none.status()).toBe(404);
  expect(await none.text()).toContain('There is no file “plan.doc”');
  const strange = await request.get(`/api${path}/export/packet.pdf?roles=owner`);
  expect(strange.status()).toBe(422);
  expect(await strange.text()).toContain('no role “owner”');
});
