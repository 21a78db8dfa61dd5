import { start } from './site.mjs';
export const change = async (page, lines) => { const n = Number(await page.getAttribute('#board','data-seq')); await page.evaluate(l => { const b = document.createElement('button'); b.name='changes'; b.value=l; b.setAttribute('form','changes'); document.body.append(b); b.click(); b.remove(); }, lines); await page.waitForFunction(n => Number(document.getElementById('board').dataset.seq) > n, n); };
const site = await start();
try {
  const page = await site.as('ines');
  const say = async what => console.log(what, await page.evaluate(() => document.documentElement.scrollWidth), page.faults);
  await page.goto(site.base + '/jobs/6/hang?view=behind'); await page.waitForSelector('#drawing');
  await page.goto(site.base + '/jobs/6/ways?item=m1');
  await page.screenshot({ path: '/tmp/run/w0.png', fullPage: true }); await say('as it is');
  await page.goto(site.base + '/jobs/6/hang?view=behind'); await page.waitForSelector('.scripted #drawing');
  await change(page, '/items/m1/product/slide "1/2 in"');
  await page.screenshot({ path: '/tmp/run/w1.png' });
  await page.goto(site.base + '/jobs/6/ways?item=m1');
  await page.screenshot({ path: '/tmp/run/w2.png', fullPage: true }); await say('off');
} finally { await site.stop(); }
