// Power, boxes and cables: brought behind a display, followed from port to port, tested, labelled, and found again in the wall.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(() => site?.stop());

const plain = text => text.replace(/[\s\u2009\u202f\u00a0]+/g, ' ').replace(/ ?\u2044 ?/g, '/');

test('one press brings signal behind a display, another takes the surface, and a look into a bay answers its question', async () => {
  const page = await site.as('ines');
  const answered = async act => {
    const settles = await page.evaluate(() => window.settles);
    await act();
    await page.waitForFunction(n => window.settles > n, settles);
  };
  await page.goto(`${site.base}/jobs/7/feed?view=behind`);
  await answered(() => page.click('button[value="signal:d2"]'));
  assert.equal(await page.locator('.way-card.signal').count(), 1);
  assert.equal(await page.locator('.feed-way.signal').count(), 1);
  assert.equal(await page.locator('.box-opening').count(), 2);
  // Both boxes went where nothing is wrong with them, and under each other: straight up the bay.
  assert.equal(await page.locator('.finding[data-code^="feed.box"]').count(), 0);
  assert.match(plain(await page.locator('.way-card.signal .fact').first().innerText()), /up the bay to/);
  assert.ok(await page.locator('.box-window').count() > 0);
  assert.ok(await page.locator('.way-card .question').count() > 0);
  await answered(() => page.click('.way-card .question button'));
  assert.equal(await page.locator('.way-card .question').count(), 0);
  await answered(() => page.click('.way-card.signal button:has-text("Take that one")'));
  assert.equal(await page.locator('.raceway').count(), 1);
  await answered(() => page.click('.way-card.signal button:has-text("Back to the cheapest")'));
  assert.equal(await page.locator('.feed-way.signal').count(), 1);
  // The same press twice is one box and no more.
  assert.equal(await page.locator('button[value="signal:d2"]').count(), 0);
  assert.deepEqual(await faults(page), []);
  await page.context().close();
});

test('a port is drawn onto another, the tester names a fault, and a passing retest clears the stop', async () => {
  const page = await site.as('ines');
  await page.goto(`${site.base}/jobs/6/connections`);
  const before = await page.locator('.cable-list > li').count();
  const jack = (holder, port) => page.locator(`.jack[data-holder="${holder}"][data-port="${port}"]`);
  const middle = async which => { const box = await which.boundingBox(); return [box.x + box.width / 2, box.y + box.height / 2]; };
  await page.mouse.move(...await middle(jack('p1', 'network')));
  await page.mouse.down();
  await page.mouse.move(...await middle(jack('d1', 'inlet')), { steps: 4 });
  await page.mouse.move(...await middle(jack('d1', 'network')), { steps: 4 });
  await page.mouse.up();
  await page.waitForFunction(n => document.querySelectorAll('.cable-list > li').length === n, before + 1);
  const cable = page.locator('.cable-list > li', { hasText: "'network' of" });
  await cable.locator('select[name="product"]').selectOption('c-network');
  await Promise.all([page.waitForNavigation(), cable.locator('form:has(select[name="product"]) button').click()]);
  assert.match(plain(await cable.innerText()), /Take K\d, the Network cable for walls of .* One end into 'network' of the .*\. Through the signal box .* The other end into 'network' of the/);
  const tested = async fault => {
    await cable.locator('details').evaluate(d => { d.open = true; });
    await cable.locator('select[name="fault"]').selectOption(fault);
    await Promise.all([page.waitForNavigation(), cable.locator('form:has(select[name="fault"]) button').click()]);
  };
  await tested('split');
  assert.match(plain(await page.locator('.field-stop').innerText()), /Cable tester shows a fault\. Mend it and test again: .* split: .* not twisted with each other/);
  await tested('');
  assert.equal(await page.locator('.field-stop').count(), 0);
  // By keys: Enter on one port, Enter on the other; two plugs in one socket are said.
  await jack('s1', 'optical').focus();
  await page.keyboard.press('Enter');
  await jack('d1', 'picture 1').focus();
  await Promise.all([page.waitForNavigation(), page.keyboard.press('Enter')]);
  assert.match(plain(await page.locator('.field-stop').first().innerText()), /A source without an input/);
  await Promise.all([page.waitForNavigation(), page.locator('.cable-list > li', { hasText: "'optical' of" }).locator('button', { hasText: 'Unplug' }).click()]);
  assert.equal(await page.locator('.field-stop').count(), 0);
  // Nonsense is answered, and what was typed stays.
  await page.selectOption('#connect [name="from"]', 'p1');
  await page.fill('#connect [name="fromPort"]', 'kettle');
  await page.selectOption('#connect [name="to"]', 'd1');
  await page.click('#connect button');
  assert.match(plain(await page.locator('.problem').innerText()), /has no port 'kettle'\. Expected: picture, network, inlet/);
  assert.equal(await page.inputValue('#connect [name="fromPort"]'), 'kettle');
  assert.deepEqual(await faults(page), []);
  await page.context().close();
});

test('both ends of every cable have a label, and what is in the wall is listed with two readings each', async () => {
  const page = await site.as('tom');
  await page.goto(`${site.base}/jobs/3/labels`);
  assert.equal(await page.locator('.labels li').count(), 14);
  assert.equal(await page.locator('.labels .qr').count(), 14);
  assert.deepEqual(await faults(page), []);
  await page.goto(`${site.base}/jobs/6/in-wall`);
  const rows = (await page.locator('.in-wall tbody tr').allInnerTexts()).map(plain);
  assert.ok(rows.some(r => /Power box behind the display 97 in .* of the .* 47 in/.test(r)), rows.join('|'));
  assert.ok(rows.some(r => /Power cable through the bottom plate 50 1\/8 in/.test(r)));
  assert.ok(rows.some(r => /Lag screw .* 1 93 1\/4 in/.test(r)));
  assert.ok(rows.every(r => !/map chest|soundbar/.test(r)), 'what stands there may be gone next year');
  assert.deepEqual(await faults(page), []);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const address of ['/jobs/6/in-wall', '/jobs/6/labels', '/jobs/6/connections', '/jobs/6/feed?view=behind']) {
    await page.goto(site.base + address);
    assert.equal(await page.evaluate(() => document.documentElement.scrollWidth), 390, address);
    assert.deepEqual(await faults(page), [], address);
  }
  await page.context().close();
});

test('ways stand side by side with their holes, and one press takes another', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/6/routes');
  const taken = page.locator('[data-way="taken"]').first();
  assert.match(await taken.innerText(), /cheapest that is allowed/);
  await page.locator('[data-way="Next"], [data-way="Surface"]').first().locator('button').click();
  await page.waitForURL('**/feed**');
  await page.goto(site.base + '/jobs/6/routes');
  assert.doesNotMatch(await page.locator('[data-way="taken"]').first().innerText(), /cheapest that is allowed/);
  await page.locator('[data-way="Cheapest"] button').first().click();
  await page.waitForURL('**/feed**');
  await page.goto(site.base + '/jobs/6/routes');
  assert.match(await page.locator('[data-way="taken"]').first().innerText(), /cheapest that is allowed/);
  assert.equal(page.faults.length, 0);
  await page.context().close();
});
