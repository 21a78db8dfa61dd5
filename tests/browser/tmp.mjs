import { start, enter, faults } from './site.mjs';
import { picture } from './rounds.mjs';
const site = await start();
const p = await site.as('ines', { width: 390, height: 844 });
const d = '/tmp/run/s-';
const wide = async name => console.log(name, await p.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]), await faults(p));
const out = async (path, name) => { if (path) await p.goto(site.base + path); await p.waitForTimeout(300); await p.screenshot({ path: d + name + '.png', fullPage: false }); await wide(name); };
await p.goto(site.base + '/jobs/6/day?step=room');
await p.setInputFiles('.step-photos input[type=file]', await picture(p, 1, 300));
await p.fill('.step-photos [name=says]', 'before: bench and two map cases in the way');
await enter(p, '.step-photos form button');
await p.goto(site.base + '/jobs/6/changes');
await p.fill('textarea[name=says]', 'An old cable runs loose behind the board: take it out'); await p.fill('[name=hours]', '1.5'); await p.fill('[name=price]', '120'); await p.check('[name=unsafe]');
await enter(p, p.locator('button', { hasText: 'Put it' }));
const a = await (async () => { await p.goto(site.base + '/jobs/6/day?step=room'); return p.locator('.step-photos .further').first().getAttribute('href'); })();
for (const light of ['sun', 'night']) {
  await p.context().addCookies([{ name: 'corrie-light', value: light, url: site.base }]);
  await out('/jobs/6/day', light + '-day');
  await out('/jobs/6/day?step=room', light + '-step');
  await out('/jobs/6/day?step=cut-b1', light + '-held');
  await out('/jobs/6/field?item=m1&step=bolt-1', light + '-bolt');
  await out('/jobs/6/changes', light + '-changes');
  await out(a, light + '-pic');
}
await site.stop();
