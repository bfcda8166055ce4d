import { readFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { type APIRequestContext, expect, test } from '@playwright/test';
import * as shapes from '../app/src/server/api/shapes';

const ORIGIN = 'http://127.0.0.1:4399';
const headers = { Origin: ORIGIN };
const plan = JSON.parse(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8')) as Record<string, unknown>;

interface Answer {
  readonly problems?: readonly { readonly where: string; readonly what: string }[];
  readonly job?: { readonly id: string; readonly version: number; readonly name: string };
  readonly current?: { readonly version: number };
  readonly version?: number;
}

const made = async (request: APIRequestContext, name: string): Promise<string> => {
  const answer = (await (
    await request.post('/api/jobs', { headers, data: { plan: { ...plan, name } } })
  ).json()) as Answer;
  return answer.job?.id ?? '';
};

const first = async (response: {
  json: () => Promise<unknown>;
}): Promise<{ where: string; what: string }> => {
  const { problems } = (await response.json()) as Answer;
  return problems?.[0] ?? { where: '', what: '' };
};

test('bad requests get a plain sentence, the right status, and change nothing', async ({ request }) => {
  const id = await made(request, 'Untouched');
  const save = { baseVersion: 1, saveId: 's1', plan };
  const cases: readonly [number, string, unknown][] = [
    [422, 'baseVersion', { ...save, baseVersion: 'one' }],
    [422, 'saveId', { ...save, saveId: '' }],
    [422, 'the plan', { ...save, plan: 'no plan' }],
    [422, 'version', { ...save, plan: { ...plan, version: 9 } }],
    [422, 'format', { ...save, plan: { ...plan, format: 'x' } }],
    [422, 'outline.walk', { ...save, plan: { ...plan, outline: { closed: true, walk: 'long' } } }],
  ];
  for (const [status, where, data] of cases) {
    const response = await request.put(`/api/jobs/${id}`, { headers, data });
    expect([response.status(), where]).toEqual([status, (await first(response)).where]);
  }
  const notJson = await request.put(`/api/jobs/${id}`, {
    headers: { ...headers, 'Content-Type': 'application/json' },
    data: '{"half":',
  });
  expect([notJson.status(), (await first(notJson)).what]).toEqual([
    422,
    'This is not a readable JSON object; check what was sent.',
  ]);
  const form = await request.put(`/api/jobs/${id}`, { headers, form: { a: 'b' } });
  expect(form.status()).toBe(415);
  const job = (await (await request.get(`/api/jobs/${id}`)).json()) as Answer;
  expect(job.job).toMatchObject({ name: 'Untouched', version: 1 });
});

test('a body of 17 MB is refused, announced or not', async ({ request }) => {
  const id = await made(request, 'Large');
  const large = JSON.stringify({
    baseVersion: 1,
    saveId: 'big',
    plan: { ...plan, name: 'x'.repeat(17_000_000) },
  });
  const announced = await request.put(`/api/jobs/${id}`, {
    headers: { ...headers, 'Content-Type': 'application/json' },
    data: large,
  });
  expect([announced.status(), (await first(announced)).where]).toEqual([413, 'the request']);
  // The same in pieces, without a length beforehand.
  const status = await new Promise<number>((resolve, reject) => {
    const sent = httpRequest(
      `${ORIGIN}/api/jobs/${id}`,
      {
        method: 'PUT',
        headers: { ...headers, 'Content-Type': 'application/json', 'Transfer-Encoding': 'chunked' },
      },
      (response) => {
        resolve(response.statusCode ?? 0);
        response.resume();
      },
    );
    sent.on('error', reject);
    for (let at = 0; at < large.length; at += 500_000) sent.write(large.slice(at, at + 500_000));
    sent.end();
  });
  expect(status).toBe(413);
  expect(((await (await request.get(`/api/jobs/${id}`)).json()) as Answer).job?.version).toBe(1);
});

test('a job that does not exist is said to be missing, on pages and in answers', async ({
  request,
  page,
}) => {
  for (const response of [
    await request.get('/api/jobs/nobody'),
    await request.put('/api/jobs/nobody', { headers, data: { baseVersion: 1, saveId: 's', plan } }),
    await request.delete('/api/jobs/nobody', { headers }),
    await request.post('/api/jobs/nobody/restore', { headers, data: {} }),
    await request.get('/api/jobs/nobody/plan.json'),
  ]) {
    expect([response.status(), (await first(response)).what]).toEqual([
      404,
      'There is no job “nobody”; it may have been removed. See the list of jobs.',
    ]);
  }
  for (const path of [
    '/jobs/nobody',
    '/jobs/nobody/courses',
    '/jobs/nobody/sheets/courses',
    '/jobs/sorrel-fork-hatchery/roof',
    '/nowhere',
  ]) {
    const response = await page.goto(path);
    expect([path, response?.status()]).toEqual([path, 404]);
    await expect(page.getByRole('link', { name: 'See all jobs' })).toBeVisible();
  }
});

test('a plan that is sent bare is refused, not taken for the name of an empty job', async ({ request }) => {
  const response = await request.post('/api/jobs', { headers, data: { ...plan, name: 'Bare' } });
  expect(response.status()).toBe(422);
  expect((await first(response)).what).toContain('a plan file under “plan”');
  const listed = (await (await request.get('/api/jobs?search=Bare')).json()) as { jobs: readonly unknown[] };
  expect(listed.jobs).toEqual([]);
});

test('writes from elsewhere are refused, and so is another name for this machine', async ({ request }) => {
  for (const origin of ['http://evil.example', 'null', undefined]) {
    const response = await request.post('/api/jobs', {
      headers: origin === undefined ? {} : { Origin: origin },
      data: { name: 'Foreign' },
    });
    expect([response.status(), (await first(response)).where]).toEqual([403, 'Origin']);
  }
  const renamed = await request.get('/api/jobs', { headers: { Host: 'evil.example:4399' } });
  expect([renamed.status(), (await first(renamed)).where]).toEqual([403, 'Host']);
});

test('stale and repeated saves', async ({ request }) => {
  const id = await made(request, 'Versions');
  const save = (baseVersion: number, saveId: string, name: string) =>
    request.put(`/api/jobs/${id}`, { headers, data: { baseVersion, saveId, plan: { ...plan, name } } });
  expect(await (await save(1, 'a', 'One')).json()).toEqual({ version: 2 });
  expect(await (await save(1, 'a', 'One')).json()).toEqual({ version: 2 });
  const stale = await save(1, 'b', 'Two');
  expect(stale.status()).toBe(409);
  expect(((await stale.json()) as Answer).current?.version).toBe(2);
});

test('every answer carries the security headers; pages name their own scripts only', async ({ request }) => {
  const page = await request.get('/jobs/sorrel-fork-hatchery/courses');
  const policy = page.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toContain('unsafe-inline');
  expect(policy).not.toContain('unsafe-eval');
  const answer = await request.get('/api/jobs');
  expect(answer.headers()['content-security-policy']).toContain("default-src 'none'");
  for (const response of [page, answer, await request.get('/favicon.svg')]) {
    expect(response.headers()).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'same-origin',
    });
  }
});

test('the plan file goes out and comes in again; its schema is published', async ({ request, page }) => {
  const out = await request.get('/api/jobs/sorrel-fork-hatchery/plan.json');
  expect(out.headers()['content-disposition']).toBe('attachment; filename="sorrel-fork-hatchery.json"');
  const sent = JSON.parse((await out.body()).toString()) as Record<string, unknown>;
  const file = Buffer.from(JSON.stringify({ ...sent, name: 'Brought in' }));
  await page.goto('/');
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0);
  await page
    .getByLabel('Plan file')
    .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: file });
  await expect(page.getByText('Closed: gap 0')).toBeVisible();
  const schema = (await (await request.get('/schema/plan-2.json')).json()) as { title: string };
  expect(schema.title).toBe('Ombra plan');
});

test('a job’s own export comes in again, however much was measured on it', async ({ request }) => {
  const readings = (prefix: string) =>
    Array.from({ length: 5000 }, (_, index) => ({
      id: `${prefix}-${String(index)}-with-a-long-name-of-its-own`,
      wall: 'wall-1',
      at: `${String(index % 900)} 15/16in`,
      reading: '4ft 2 63/64in',
    }));
  const walk = ['80ft', '40ft', '80ft', '40ft'].map((length, index) => ({
    id: `wall-${String(index + 1)}`,
    length,
    turn: 'right 90',
  }));
  const large = {
    ...plan,
    name: 'Measured all over',
    outline: { closed: true, walk },
    footing: { kind: 'strip', shots: readings('shot'), after: readings('after') },
  };
  const answer = await request.post('/api/jobs', { headers, data: { plan: large } });
  expect(answer.status()).toBe(201);
  const { job } = (await answer.json()) as { job: { id: string } };
  const file = await (await request.get(`/api/jobs/${job.id}/plan.json`)).text();
  expect(file.length).toBeGreaterThan(1_000_000);
  const again = await request.post('/api/jobs', { headers, data: { plan: JSON.parse(file) as unknown } });
  expect(again.status()).toBe(201);
  const back = (await again.json()) as { job: { id: string } };
  expect(await (await request.get(`/api/jobs/${back.job.id}/plan.json`)).text()).toBe(file);
});

test('a plan file that cannot be taken says what and where', async ({ page }) => {
  await page.goto('/');
  // A file chosen before the page listens would not be heard.
  await expect(page.locator('astro-island[ssr]')).toHaveCount(0);
  const choose = (text: string) =>
    page
      .getByLabel('Plan file')
      .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await choose('{ half');
  await expect(page.getByRole('alert')).toContainText('the file: This is not readable JSON');
  await choose(JSON.stringify({ ...plan, version: 3 }));
  await expect(page.getByRole('alert')).toContainText('written by a newer Ombra (version 3)');
  await choose(JSON.stringify({ ...plan, roof: 'gable' }));
  await expect(page.getByRole('alert')).toContainText('does not know “roof”');
  await choose('x'.repeat(16_000_001));
  await expect(page.getByRole('alert')).toContainText('larger than any plan');
});

test('answers have the shapes that the API document tells of', async ({ request }) => {
  const made = await request.post('/api/jobs', { headers, data: { plan: { ...plan, name: 'Shapes' } } });
  const { job } = (await made.json()) as Answer;
  const path = `/api/jobs/${job?.id ?? ''}`;
  const get = async (address: string): Promise<unknown> => (await request.get(address)).json();
  expect(shapes.jobList.safeParse(await get('/api/jobs')).error).toBeUndefined();
  expect(shapes.job.safeParse(await get(path)).error).toBeUndefined();
  expect(shapes.newest.safeParse(await get(`${path}/newest?since=0`)).error).toBeUndefined();
  expect(shapes.worked.safeParse(await get(`${path}/worked?of=tally,levels`)).error).toBeUndefined();
  expect((await request.get(`${path}/worked?of=tally,roof`)).status()).toBe(422);
  expect((await request.get('/api/jobs/none/worked?of=tally')).status()).toBe(404);
  expect(shapes.revisions.safeParse(await get(`${path}/revisions`)).error).toBeUndefined();
  expect(shapes.progress.safeParse(await get('/api/progress?key=none')).error).toBeUndefined();
  expect(shapes.problems.safeParse(await get(`${path}/export/none.pdf`)).error).toBeUndefined();
  const note = {
    id: 's1',
    at: '2027-04-06T15:00:00-04:00',
    who: 'Ida',
    kind: 'note',
    body: { what: 'Rain' },
  };
  const sent = await request.post(`${path}/entries`, {
    headers,
    data: { entries: [note] },
  });
  expect(shapes.addedEntries.safeParse(await sent.json()).error).toBeUndefined();
  expect(shapes.entries.safeParse(await get(`${path}/entries`)).error).toBeUndefined();
  const outline = await request.post('/api/import/outline', {
    headers: { ...headers, 'Content-Type': 'application/octet-stream' },
    data: "44' R 20' R 44' R 20' R",
  });
  expect(shapes.outlineAnswer.safeParse(await outline.json()).error).toBeUndefined();
  const document = (await get('/api/openapi.json')) as { openapi: string; paths: Record<string, unknown> };
  expect(document.openapi).toBe('3.1.0');
  expect(Object.keys(document.paths)).toContain('/api/jobs/{id}/export/{name}');
});
