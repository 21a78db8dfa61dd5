import { start } from './site.mjs';
const site = await start();
try {
const page = await site.as('ines', { width: Number(process.env.W ?? 1280), height: Number(process.env.H ?? 800) });
for (const s of process.argv.slice(2)) { const [name, path, full] = s.split('::'); await page.goto(site.base + path); await page.waitForTimeout(300); await page.screenshot({ path: `/tmp/run/${name}.png`, fullPage: full === 'full' }); }
console.log(page.faults);
} finally { await site.stop(); }
