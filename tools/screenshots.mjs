// Makes docs/screenshots from fresh demo data. Build first: dotnet build src/Corrie.Web -c Release
import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { start } from '../tests/browser/site.mjs';

const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
mkdirSync(folder, { recursive: true });
const site = await start();
const page = await site.as('ines');
const shots = {
  'wall-front': '/jobs/6/place?view=front', 'wall-behind': '/jobs/6/hang?view=behind', 'wall-side': '/jobs/3/place?view=side', 'wall-above': '/jobs/4/fix?view=above',
  survey: '/jobs/6/survey?view=behind', practice: '/practice/2?did=s34;s62;p955040;p949960;p1349248;p1344168&done=true', 'wall-metric': '/jobs/5/place?view=front', jobs: '/jobs', catalogue: '/catalogue/mount',
  sheet: '/jobs/6/sheet', feed: '/jobs/6/feed?view=behind&item=b1', connections: '/jobs/6/connections', 'in-wall': '/jobs/6/in-wall', photo: '/jobs/6/photo', face: '/jobs/3/fix?view=behind&wall=w1&item=m1', packing: '/jobs/3/packing?item=m1',
};
for (const [name, path] of Object.entries(shots)) {
  await page.goto(site.base + path);
  await page.waitForTimeout(250);
  await page.screenshot({ path: `${folder}${name}.png`, fullPage: name === 'sheet' });
}
// A plate that misses its studs, for the ways out: the mount's slide is read wrong, and set right again.
await page.goto(site.base + '/jobs/6/hang?view=behind');
await page.waitForSelector('.scripted #drawing');
const slip = async value => {
  const settles = await page.evaluate(() => window.settles);
  await page.evaluate(v => {
    const button = Object.assign(document.createElement('button'), { name: 'changes', value: `/items/m1/product/slide ${v}` });
    button.setAttribute('form', 'changes');
    document.body.append(button);
    button.click();
    button.remove();
  }, value);
  await page.waitForFunction(n => window.settles > n, settles);
};
await slip('"1/2 in"');
await page.goto(site.base + '/jobs/6/ways?item=m1');
await page.screenshot({ path: `${folder}ways.png` });
await page.goto(site.base + '/jobs/6/hang?view=behind');
await page.waitForSelector('.scripted #drawing');
await slip('"6 in"');
// What the guide in the program shows.
const guide = fileURLToPath(new URL('../src/Corrie.Web/wwwroot/guide/', import.meta.url));
mkdirSync(guide, { recursive: true });
for (const [step, path] of Object.entries({ survey: '/jobs/6/survey?view=behind', place: '/jobs/6/place?view=front', hang: '/jobs/6/hang?view=behind', fix: '/jobs/4/fix?view=behind', feed: '/jobs/6/feed?view=behind&item=b2', site: '/jobs/4/field?step=bolt-1' })) {
  await page.goto(site.base + path);
  await page.waitForTimeout(250);
  await page.screenshot({ path: `${guide}${step}.png` });
}
await page.setViewportSize({ width: 390, height: 844 });
await page.goto(site.base + '/jobs/6/day');
await page.waitForTimeout(250);
await page.screenshot({ path: `${folder}day.png` });
await page.goto(site.base + '/jobs/4/field?step=bolt-1');
await page.waitForTimeout(250);
await page.screenshot({ path: `${folder}field.png` });
await site.stop();
