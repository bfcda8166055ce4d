import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from '../e2e/support/chromium';
const [, , path = '/', out = '/tmp/s.png', size = '1280x800', theme = '', ...steps] = process.argv;
const [w, h] = size.split('x').map(Number);
const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS] });
const context = await browser.newContext({ viewport: { width: w!, height: h! }, hasTouch: w! < 1100 });
const page = await context.newPage();
if (theme) await page.addInitScript((t) => { localStorage.setItem('ombra.theme', t); }, theme);
await page.goto(`http://127.0.0.1:4600${path}`);
await page.waitForTimeout(2500);
for (const step of steps) {
  if (step.startsWith('key:')) await page.keyboard.press(step.slice(4));
  else if (step.startsWith('type:')) await page.keyboard.type(step.slice(5));
  else if (step === 'full') { /* below */ }
  else if (step.startsWith('eval:')) console.log(await page.evaluate(step.slice(5)));
  else await page.locator(step).first().click();
  await page.waitForTimeout(700);
}
await page.screenshot({ path: out, fullPage: steps.includes('full') });
await browser.close();
