import { start } from './site.mjs';
const site = await start();
const page = await site.as('ines', { width: 1280, height: 800 });
await page.goto(site.base + '/jobs/6/place?view=front'); await page.waitForSelector('.scripted #drawing');
const settled = async act => { const s = await page.evaluate(() => window.settles); await act(); await page.waitForFunction(n => window.settles > n, s, {timeout: 8000}).catch(() => console.log('NO SETTLE')); };
await page.focus('[data-drag]');
await settled(() => page.keyboard.press('ArrowUp'));
console.log(await page.textContent('#heard'));
console.log(await page.evaluate(() => [...document.querySelectorAll('.wall-pane select')].map(s => s.name + ':' + [...s.options].map(o => o.value).join(','))));
await page.evaluate(() => { const s = [...document.querySelectorAll('.wall-pane select')].find(s => /up$/.test(s.name)); s.value = [...s.options].find(o => /top/.test(o.value)).value; s.dispatchEvent(new Event('change', { bubbles: true })); });
await page.waitForTimeout(800);
console.log(await page.textContent('#heard'), await page.locator('.speaks').allInnerTexts(), page.faults);
await page.goto(site.base + '/jobs/1/place?view=front'); await page.waitForSelector('.scripted #drawing');
if (await page.locator('.finding .fix').count()) { await page.locator('.finding summary').evaluateAll(all => all.forEach(s => { s.parentElement.open = true; })); console.log(await page.locator('.finding .fix').first().innerText()); await settled(() => page.locator('.finding .fix').first().click()); console.log(await page.textContent('#heard')); }
await page.screenshot({ path: '/tmp/run/speaks.png' });
await site.stop();
