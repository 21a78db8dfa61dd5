import { start } from './site.mjs';
const site = await start();
const page = await site.as('ines', { width: 726, height: 1054 });
for (const j of [6, 5, 4]) {
await page.goto(site.base + `/jobs/${j}/sheet`);
await page.emulateMedia({ media: 'print' });
console.log(j, await page.evaluate(() => [document.querySelector('.paper').scrollHeight, ...[...document.querySelectorAll('.paper-columns > section, .paper-wall')].map(e => e.offsetHeight)]));
const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1'); console.log(pdf.match(/\/Type \/Page\b/g).length);
await page.screenshot({ path: `/tmp/run/print${j}.png`, fullPage: true });
}
await site.stop();
