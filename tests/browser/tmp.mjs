import { start } from './site.mjs';
const site = await start();
const page = await site.as('ines', { width: 1280, height: 800 });
for (const a of (process.argv[2] ?? '').split(' ')) {
  await page.goto(site.base + '/' + a);
  await page.waitForTimeout(300);
  await page.screenshot({ path: `/tmp/run/${a.replace(/\W+/g, '-')}.png`, fullPage: process.argv[3] === 'full' });
}
await site.stop();
