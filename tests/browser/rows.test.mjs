// Several things on one wall and on one mount, and the ways out where a plate misses its studs, played.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, mark, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const open = async (page, path) => {
  await page.goto(site.base + path);
  await page.waitForSelector('.scripted #drawing');
};
const seq = page => page.getAttribute('#board', 'data-seq').then(Number);
const moved = (page, from) => page.waitForFunction(n => Number(document.getElementById('board').dataset.seq) > n, from);
const press = async (page, locator) => {
  const from = await seq(page);
  await locator.click();
  await moved(page, from);
};
// What a button with changes known beforehand would send.
const change = async (page, lines) => {
  const from = await seq(page);
  await page.evaluate(l => {
    const button = Object.assign(document.createElement('button'), { name: 'changes', value: l });
    button.setAttribute('form', 'changes');
    document.body.append(button);
    button.click();
    button.remove();
  }, lines.join('\n'));
  await moved(page, from);
};
// Inches of a figure such as 41 3/16.
const inches = text => {
  const [, whole, over, under] = text.match(/([0-9]+)(?: ([0-9]+)\/([0-9]+))?/);
  return Number(whole) + (over ? over / under : 0);
};

test('three displays are lined up by one press each, and their hook lines bring them within a sixteenth', async () => {
  const page = await site.as('ines');
  await open(page, '/jobs/6/place?view=front');
  const file = await (await page.request.get(site.base + '/api/v1/jobs/6/file')).json();
  const { d1, m1 } = file.items;
  const other = (n, across, height, up) => [
    `/items/m${n} ${JSON.stringify({ ...m1, product: { ...m1.product, armPitch: '13/16 in' } })}`,
    `/items/d${n} ${JSON.stringify({ ...d1, on: `m${n}`, product: { ...d1.product, diagonal: '43 in', width: '38 1/8 in', height, vesaCentreUp: up }, place: { given: 'bottom', height: '44 in', across } })}`,
  ];
  await change(page, ['/walls/w1/features/f1', ...other(2, '42 1/8 in', '22 1/16 in', '9 21/32 in'), ...other(3, '143 13/16 in', '23 3/16 in', '11 1/32 in')]);
  for (const item of ['d2', 'd3']) {
    await open(page, `/jobs/6/place?view=front&item=${item}`);
    await page.locator('.proposals summary').click();
    await press(page, page.locator('.proposals .way-out', { hasText: 'its middle with that of' }).locator('button').first());
  }
  const plan = await (await page.request.get(site.base + '/api/v1/jobs/6/plan')).json();
  const centres = [];
  for (const [n, height] of [[1, 32.75], [2, 22.0625], [3, 23.1875]]) {
    await open(page, `/jobs/6/hang?view=behind&item=m${n}`);
    // What is read off the page as a fitter would: hook line, and hook to bottom edge.
    const hook = inches(await mark(page, `m${n}/hook-line`));
    const says = (await page.innerText('.side-pane')).replace(/[\s\u2009\u202f\u00a0]+/g, ' ').replaceAll('\u2044', '/');
    const bottom = inches(says.match(/bottom edge to hook ([0-9]+(?: [0-9]+\/[0-9]+)?)/)[1]);
    centres.push(hook - bottom + height / 2);
  }
  assert.ok(Math.max(...centres) - Math.min(...centres) <= 1 / 16 + 1 / 16, centres.join());
  // By the plan's own figures, which are not rounded, they are in one line.
  const exact = Object.entries(plan.items).filter(([id]) => /^d[123]$/.test(id)).map(([, i]) => inches(i.outer.bottom) + inches(i.outer.height) / 2);
  assert.equal(exact.length, 3);
  assert.ok(Math.max(...exact) - Math.min(...exact) <= 1 / 16, exact.join());
  assert.deepEqual(page.faults, []);
  await page.context().close();
});

test('a bar on the same arm swings with the display, and is weighed with it', async () => {
  const page = await site.as('ines');
  await open(page, '/jobs/4/hang?view=above');
  const file = await (await page.request.get(site.base + '/api/v1/jobs/4/file')).json();
  const mount = Object.keys(file.items).find(i => file.items[i].kind === 'mount');
  await change(page, [`/items/${mount}/product/kind "articulating"`, `/items/${mount}/product/depthExtended "24 in"`, `/items/b1 ${JSON.stringify({ kind: 'soundbar', on: mount, product: { name: 'bar', width: '36 in', height: '3 in', depth: '4 in', mass: '7 lb' }, place: { given: 'top', height: '33 in', across: '63 in' } })}`]);
  assert.match(await page.innerText('.side-pane'), /Carries .*bar/);
  // The handle turns it: as far as the pointer goes, and the sheet keeps whole degrees and the side.
  const from = await seq(page);
  const [swung, handle] = [page.locator('.swung'), page.locator('.swing-handle')];
  const [x, y] = [Number(await swung.getAttribute('data-x')), Number(await swung.getAttribute('data-y'))];
  const at = await page.locator('#drawing').evaluate((svg, [px, py]) => {
    const p = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM());
    return [p.x, p.y];
  }, [x, y]);
  const box = await handle.boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(at[0] + 120, at[1] - 40, { steps: 4 });
  assert.match(await page.locator('.readout').innerText(), /turned [0-9]+° to the right/);
  await page.mouse.up();
  await moved(page, from);
  const said = await page.locator('.swing-words').textContent();
  assert.match(said, /turned 2[12]° to the right/);
  // By the keys it goes back, a degree at a time and fifteen with Shift.
  await page.locator('.swung').focus();
  const again = await seq(page);
  await page.keyboard.press('Shift+ArrowLeft');
  await moved(page, again);
  assert.notEqual(await page.locator('.swing-words').textContent(), said);
  await change(page, [`/items/${mount}/hang/turn null`, `/items/${mount}/hang/turnSide null`]);
  assert.deepEqual(page.faults, []);
  await page.context().close();
});

test('where a plate misses its studs the ways out stand side by side, and one press takes one', async () => {
  const page = await site.as('ines');
  const stop = async job => {
    await open(page, `/jobs/${job}/hang?view=behind`);
    return page.locator('.finding[data-code="hang.one-stud-only"]').count();
  };
  await open(page, '/jobs/4/hang?view=behind');
  const file = await (await page.request.get(site.base + '/api/v1/jobs/4/file')).json();
  const mount = Object.keys(file.items).find(i => file.items[i].kind === 'mount');
  await change(page, [`/items/${mount}/product/kind "flat"`, `/items/${mount}/product/studs 2`, `/items/${mount}/product/plateWidth "10 in"`, `/items/${mount}/product/slide "0 in"`,
    `/items/${mount}/product/rows ${JSON.stringify([{ id: 'top', aboveHook: '-1/2 in', slots: [{ from: '-4 in', to: '4 in' }] }])}`]);
  assert.equal(await stop(4), 1);
  await page.locator('.finding[data-code="hang.one-stud-only"] a', { hasText: 'Ways out' }).click();
  await page.waitForURL('**/ways?**');
  assert.ok(await page.locator('.way.holds').count() >= 1);
  assert.ok(await page.locator('.mounts tbody tr').count() >= 4);
  assert.deepEqual(await faults(page), []);
  await page.locator('.way[data-way="board"] .do').click();
  await page.waitForURL('**/hang**');
  await open(page, '/jobs/4/hang?view=behind');
  await page.waitForSelector('.backing.board');
  assert.equal(await page.locator('.finding[data-code="hang.one-stud-only"]').count(), 0);
  // What it holds is worked out too: the bolts that were for studs come out behind the board.
  await open(page, '/jobs/4/fix?view=behind');
  assert.equal(await page.locator('.finding[data-code="fix.too-long"]').count(), 1);
  await page.keyboard.press('u');
  await page.waitForFunction(() => !document.querySelector('.backing.board'));
  assert.deepEqual(page.faults, []);
  await page.context().close();
});
