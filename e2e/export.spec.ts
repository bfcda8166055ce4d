import { readFileSync } from 'node:fs';
import JSZip from 'jszip';
import { demoCopy, expect, test } from './support/page';

const headers = { Origin: 'http://127.0.0.1:4399' };

test('a whole job goes out as one ZIP and comes back in, the same to the bit', async ({ page, request }) => {
  const path = await demoCopy(page, 'Packed');
  // Any picture does; this one is at hand.
  const picture = readFileSync('docs/screenshots/jobs.png');
  const sent = await request.post(`/api${path}/files`, {
    headers: { ...headers, 'Content-Type': 'image/png' },
    data: picture,
  });
  const { hash } = (await sent.json()) as { hash: string };
  const entries = [
    {
      id: 'p1',
      at: '2027-04-06T15:00:00-04:00',
      who: 'Ida',
      kind: 'picture',
      body: { file: hash, what: 'The list' },
    },
    {
      id: 'p2',
      at: '2027-04-06T16:00:00-04:00',
      who: 'Bo',
      kind: 'note',
      body: { what: 'Rain — from the west' },
    },
  ];
  expect((await request.post(`/api${path}/entries`, { headers, data: { entries } })).status()).toBe(201);
  await page.goto(`${path}/courses`);
  await page.getByRole('button', { name: 'Job settings' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Download the whole job, log and pictures' }).click(),
  ]);
  const packed = readFileSync(await download.path());

  await page.goto('/');
  await expect(page.getByRole('button', { name: 'New job', exact: true })).toBeEnabled();
  await page
    .getByLabel('Plan file')
    .setInputFiles({ name: 'job.zip', mimeType: 'application/zip', buffer: packed });
  await expect(page).toHaveURL(/\/jobs\/[^/]+\/outline$/);
  const back = new URL(page.url()).pathname.replace(/\/outline$/, '');
  expect(back).not.toBe(path);
  await page.goto(`${back}/days/log`);
  await expect(page.getByRole('region', { name: 'The log' })).toContainText('Rain — from the west');
  await expect(page.getByRole('img', { name: 'The list' })).toBeVisible();
  const again = await request.get(`/api${back}/export/job.zip`);
  expect(Buffer.compare(await again.body(), packed)).toBe(0);
});

test('what is no packed job is refused and makes nothing', async ({ request, page, watched }) => {
  watched.allowErrors();
  const refused = await request.post('/api/import/job', { headers, data: Buffer.from('no zip') });
  expect(refused.status()).toBe(422);
  expect(await refused.text()).toContain('no ZIP that can be read');
  expect((await request.get('/api/jobs/none/export/job.zip')).status()).toBe(404);
  await page.goto('/');
  await expect(page.getByRole('button', { name: 'New job', exact: true })).toBeEnabled();
  const chooser = page.getByLabel('Plan file');
  await chooser.setInputFiles({
    name: 'job.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('PK'),
  });
  await expect(page.getByRole('alert')).toContainText('no ZIP that can be read');
  // A good plan beside a log that is none: nothing half of it is made.
  const plan = { format: 'ombra.plan', version: 2, name: 'Half a job', units: 'imperial' };
  const half = await new JSZip()
    .file('plan.json', JSON.stringify(plan))
    .file('log.jsonl', '{"kind":"song"}')
    .generateAsync({ type: 'nodebuffer' });
  await chooser.setInputFiles({ name: 'half.zip', mimeType: 'application/zip', buffer: half });
  await expect(page.getByRole('alert')).toContainText('log.jsonl, line 1');
  const found = (await (await request.get('/api/jobs?search=Half%20a%20job')).json()) as { total: number };
  expect(found.total).toBe(0);
});
