import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--headless','--no-sandbox','--disable-gpu'] });
const [,, path, out, w='1280', h='800', theme='' , full=''] = process.argv;
const p = await b.newPage({ viewport: { width: +w, height: +h } });
p.on('console', m => { if (m.type()==='error') console.log('console', m.text()); });
if (theme) await p.addInitScript((t) => localStorage.setItem('ombra.theme', t), theme);
await p.goto('http://127.0.0.1:4600' + path); await p.waitForTimeout(2500);
if (process.env.CLICK) { await p.getByRole('button', { name: process.env.CLICK }).click(); await p.waitForTimeout(+(process.env.WAIT ?? 800)); }
console.log(await p.evaluate(() => [document.documentElement.scrollWidth, innerWidth]));
await p.screenshot({ path: out, fullPage: full === 'full' }); await b.close();
