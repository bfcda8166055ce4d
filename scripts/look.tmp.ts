import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from '../e2e/support/chromium';
const O = 'http://127.0.0.1:4600', J = '/jobs/sorrel-fork-hatchery';
const b = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS] });
const c = await b.newContext({ viewport: { width: 1280, height: 800 } });
const p = await c.newPage();
await p.goto(O + '/people');
await p.waitForTimeout(800);
await p.screenshot({ path: '/tmp/l-signin.png' });
await p.getByLabel('Your name').fill('Ada Quill'); await p.getByLabel('Passphrase').fill('gravel moon seven ladders'); await p.keyboard.press('Enter');
await p.waitForURL(/people/);
await p.getByLabel('For whom').fill('Crew two'); await p.getByRole('button', { name: 'Make a link' }).click();
await p.waitForSelector('img');
await p.waitForTimeout(300);
await p.screenshot({ path: '/tmp/l-people.png', fullPage: true });
await p.setViewportSize({ width: 390, height: 844 });
await p.screenshot({ path: '/tmp/l-people-s.png', fullPage: true });
console.log('people', await p.evaluate(() => document.documentElement.scrollWidth));
await p.setViewportSize({ width: 1024, height: 768 });
await p.goto(O + J + '/today'); await p.waitForSelector('text=Works without signal');
await p.screenshot({ path: '/tmp/l-today-t.png' });
await p.setViewportSize({ width: 390, height: 844 });
for (const th of ['night', 'sun']) { await c.addCookies([{ name: 'ombra-theme', value: th, url: O }]); await p.goto(O + J + '/today'); await p.waitForTimeout(1500); await p.getByRole('button', { name: 'Next' }).click(); await p.getByRole('button', { name: 'Next' }).click(); await p.screenshot({ path: `/tmp/l-today-${th}.png` }); console.log(th, await p.evaluate(() => document.documentElement.scrollWidth)); }
await c.addCookies([{ name: 'ombra-theme', value: 'day', url: O }]);
for (const st of ['outline','footing','courses','openings','steel','bracing','pour','days','packet','forms','days/log']) { await p.goto(O + J + '/' + st); await p.waitForTimeout(1500); const r = await p.evaluate(() => [document.documentElement.scrollWidth, [...document.querySelectorAll('button, a.button, select, input:not([type=hidden])')].filter((e) => { const r = e.getBoundingClientRect(); return r.width > 0 && r.height > 0 && r.height < 44 && getComputedStyle(e).visibility !== 'hidden'; }).length]); console.log(st, r.join(' ')); }
await b.close();
