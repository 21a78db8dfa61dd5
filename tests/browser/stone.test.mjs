// Stone: a stone traced on the wall, gaps in one line, heat in one line; a test hole on a phone that meets wood where block was planned.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { enter, faults, start } from './site.mjs';

let site, ines, tom;
before(async () => {
  site = await start();
  ines = await site.as('ines');
  tom = await site.as('tom', { width: 390, height: 844 });
});
after(() => site?.stop());

const plain = async locator => (await locator.innerText()).replace(/[\s\u2009\u202f\u00a0]+/g, ' ').replace(/ ?\u2044 ?/g, '/');
const plan = async job => (await ines.request.get(`${site.base}/api/v1/jobs/${job}/plan?units=in`)).json();
const file = async job => (await ines.request.get(`${site.base}/api/v1/jobs/${job}/file`)).json();

// A job of its own: the stove lounge, here before anybody has drilled a test hole in its chimney breast.
async function copy() {
  const like = await file(3);
  delete like.walls.w1.testHoles;
  const made = await ines.request.post(`${site.base}/api/v1/jobs`, { data: like });
  return (await made.json()).id;
}

async function settled(page, act) {
  const before = await page.evaluate(() => window.settles);
  await act();
  await page.waitForFunction(n => window.settles > n, before);
}

test('a stone is traced corner by corner, and closed by its first one', async () => {
  const job = await copy();
  await ines.goto(`${site.base}/jobs/${job}/fix?view=front&wall=w1&item=m1`);
  const before = Object.keys((await file(job)).walls.w1.facework.units);
  await ines.click('.tools label:has-text("trace a stone")');
  const box = await ines.locator('svg.drawing').boundingBox();
  const corners = [[0.2, 0.6], [0.25, 0.6], [0.25, 0.68], [0.2, 0.68]].map(([x, y]) => [box.x + box.width * x, box.y + box.height * y]);
  for (const [x, y] of corners) {
    await ines.mouse.click(x, y);
  }
  assert.match(await ines.locator('.wall-hold .readout').innerText(), /4 corners/);
  await settled(ines, () => ines.mouse.click(corners[0][0] + 3, corners[0][1] + 2));
  const units = Object.entries((await file(job)).walls.w1.facework.units);
  assert.equal(units.length, before.length + 1);
  assert.equal(units.find(([k]) => !before.includes(k))[1].outline.length, 4);
  // Given up by Escape, nothing is on record; the knock is, where it was tapped.
  await ines.mouse.click(...corners[0]);
  await ines.keyboard.press('Escape');
  await ines.click('.tools label:has-text("crumbles")');
  await settled(ines, () => ines.mouse.click(...corners[2]));
  assert.equal(Object.keys((await file(job)).walls.w1.facework.units).length, before.length + 1);
  assert.ok((await plan(job)).findings.some(f => f.code === 'masonry.crumbles'));
  assert.deepEqual(await faults(ines), []);
});

test('gaps and heat are typed in a line, and what is nonsense is kept and answered', async () => {
  const job = await copy();
  await ines.goto(`${site.base}/jobs/${job}/fix?view=behind&wall=w1&item=m1`);
  await ines.fill('#gap-line', '3/8, soft, 0');
  await settled(ines, () => ines.press('#gap-line', 'Enter'));
  assert.equal(await ines.inputValue('#gap-line'), '3/8, soft, 0');
  assert.match(await plain(ines.locator('form:has(#gap-line) .says')), /'soft' is no gap behind a plate.*3\/8, 1\/2, 0, 7\/16/);
  await ines.fill('#gap-line', '0, 0, 0, 5/16');
  await settled(ines, () => ines.press('#gap-line', 'Enter'));
  const face = (await plan(job)).items.m1.face;
  assert.deepEqual(face.holes.map(h => h.gap), ['0 in', '0 in', '0 in', '5/16 in']);
  assert.deepEqual((await plan(job)).items.m1.bolts.map(b => b.length), ['7 in', '7 in', '7 in', '7 in']);
  await ines.fill('#heat-line', 'air 57, 130 F, 65 min');
  await settled(ines, () => ines.press('#heat-line', 'Enter'));
  assert.ok((await plan(job)).findings.some(f => f.code === 'masonry.too-hot'));
  await ines.goto(`${site.base}/jobs/${job}/packing?item=m1`);
  assert.match(await plain(ines.locator('.bags')), /Hole 4.*gap 5\/16 in: rubber washer against the stone, pressed to 3\/16 in, 1 x steel washer 1\/8 in/);
  assert.deepEqual(await faults(ines), []);
});

test('a test hole that meets wood where block was planned changes fixing, bits and lengths at once', async () => {
  const job = await copy();
  await tom.goto(`${site.base}/jobs/${job}/field?item=m1&step=bolt-1`);
  assert.match(await plain(tom.locator('.field-does')), /1\/4 in masonry bit first, 7 3\/16 in deep, then 7\/16 in masonry bit.*Then set the bonded rod 3\/8 in, 7 in long/);
  // The dust is no tick that can be left out: the bolt waits for it.
  assert.match(await plain(tom.locator('.field-stop')), /This waits for an earlier step/);
  await tom.goto(`${site.base}/jobs/${job}/field?item=m1&step=test-hole`);
  assert.ok(await tom.evaluate(() => document.documentElement.scrollWidth <= 390), 'scrolls sideways');
  assert.deepEqual(await faults(tom), []);
  await tom.fill('input[name=layers]', 'cobbles about four');
  await enter(tom, '.field-form .do');
  assert.match(await plain(tom.locator('.problem')), /is no layer with its thickness/);
  assert.equal(await tom.inputValue('input[name=layers]'), 'cobbles about four');
  await tom.fill('input[name=layers]', 'cobble facing 4');
  await tom.selectOption('select[name=behind]', 'wood');
  await tom.fill('input[name=bite]', '1 1/4');
  await tom.fill('input[name=dust]', 'grey, then pale wood');
  await enter(tom, '.field-form .do');
  await tom.waitForLoadState('load');
  assert.match(await plain(tom.locator('.field-changed')), /What changed/);
  assert.match(await plain(tom.locator('main')), /the block of 7 5\/8 in is not there: the bit met wood/);
  const then = await plan(job);
  assert.ok(then.items.m1.bolts.every(b => b.stud !== 'backing'), JSON.stringify(then.items.m1.bolts));
  await tom.goto(`${site.base}/jobs/${job}/field?item=m1&step=bolt-1`);
  assert.match(await plain(tom.locator('.field-does')), /7\/16 in masonry bit, 4 in deep, then 7\/32 in wood bit, 5 13\/16 in deep. Then drive the lag screw 3\/8 in, 6 in long/);
  await tom.goto(`${site.base}/jobs/${job}/sheet?wall=w1`);
  assert.match(await plain(tom.locator('main')), /drill, (15\/64|7\/32) in wood bit/);
  // Taken over with one press, it contradicts nothing any more.
  await tom.goto(`${site.base}/jobs/${job}/field?item=m1&step=test-hole`);
  await enter(tom, 'button:has-text("The wall is as this hole shows")');
  await tom.waitForLoadState('load');
  assert.ok(!(await plan(job)).findings.some(f => f.code === 'survey.build-up-differs'));
});
