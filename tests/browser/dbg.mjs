import { start } from './site.mjs';
const site = await start();
const page = await site.as('ines');
for (const [n, u] of [['corridor','/jobs/5/place?view=front'],['survey','/jobs/6/survey?view=behind']]) { await page.goto(site.base+u); await page.screenshot({path:`/tmp/run/${n}.png`}); }
const phone = await site.as('tom', {width:390,height:844});
for (const [n, u] of [['p-survey','/jobs/6/survey?view=behind'],['p-place','/jobs/6/place?view=front']]) { await phone.goto(site.base+u); await phone.screenshot({path:`/tmp/run/${n}.png`, fullPage:true}); }
await site.stop();
