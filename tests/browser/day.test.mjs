// The day on site: the list of all steps, hold points, several people at once, and a phone without signal.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const phone = { width: 390, height: 844 };

test('a step waits for its hold point, a tick is seen by others at once, and what they type stays', async () => {
  const [lead, helper] = [await site.as('ines', phone), await site.as('tom', phone)];
  await lead.goto(site.base + '/jobs/6/day');
  assert.match(await lead.innerText('h1'), /of \d+ steps done/);
  assert.deepEqual(await faults(lead), []);
  // Nothing is cut before the circuit is dead; a tick is not enough for that.
  await lead.goto(site.base + '/jobs/6/day?step=cut-b1');
  assert.match(await lead.innerText('.field-stop'), /waits for an earlier step/);
  assert.equal(await lead.locator('.field-answer .do').count(), 0);
  await lead.goto(site.base + '/jobs/6/day?step=isolate-c1');
  assert.match(await lead.innerText('.field-answer .do'), /a tick is not enough/);
  assert.deepEqual(await faults(lead), []);

  // The helper looks at the list; the lead ticks.
  await helper.goto(site.base + '/jobs/6/day');
  await lead.goto(site.base + '/jobs/6/day?step=room');
  await lead.keyboard.press('ArrowRight');
  await lead.waitForURL('**step=dust');
  await lead.keyboard.press('ArrowLeft');
  await lead.waitForURL('**step=room');
  await lead.click('.field-answer .do');
  await helper.waitForSelector('#step-room.done', { timeout: 2500 });

  // What the helper is typing is not taken away by the next tick.
  await helper.goto(site.base + '/jobs/6/day?step=clean');
  await helper.fill('[name="note"]', 'two bags of');
  await lead.goto(site.base + '/jobs/6/day?step=dust');
  await lead.click('.field-answer .do');
  await helper.waitForSelector('.news', { timeout: 2500 });
  assert.equal(await helper.inputValue('[name="note"]'), 'two bags of');
  // Said to be otherwise without a word of how is asked back, and nothing typed is lost.
  await helper.fill('[name="note"]', '');
  await helper.click('[value="otherwise"]');
  assert.match(await helper.innerText('.problem'), /Expected: a few words/);
  await helper.fill('[name="note"]', 'two bags of plaster stay in the boathouse');
  await helper.click('[value="otherwise"]');
  await helper.waitForURL(url => !url.search.includes('clean'));
  await helper.goto(site.base + '/jobs/6/day?step=clean');
  assert.match(await helper.innerText('.field-answer'), /Not as planned, Tom.*: two bags/);
  // A device that can keep nothing more sends as any page does.
  await lead.goto(site.base + '/jobs/6/day?step=tools');
  await lead.evaluate(() => { IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); }; });
  await lead.fill('[name="note"]', 'one bit short');
  await lead.click('.field-answer .do');
  await lead.waitForURL(url => !url.search.includes('step=tools'));
  await lead.goto(site.base + '/jobs/6/day?step=tools');
  assert.match(await lead.innerText('.field-answer'), /Done, Ines.*one bit short/);
  // A network that takes what is sent and never answers is no connection: what waits behind it goes on.
  await helper.clock.install();
  await helper.goto(site.base + '/jobs/6/day?step=dust');
  let stalls = 0;
  await helper.route(url => url.pathname === '/jobs/6/day', (route, request) => {
    if (request.method() === 'POST' && stalls++ === 0) {
      return;
    }
    route.continue();
  });
  await helper.fill('[name="note"]', 'sheets to the door');
  await helper.click('.field-answer .do');
  await helper.waitForFunction(() => document.querySelector('[data-busy]') !== null);
  await helper.clock.fastForward(61_000);
  await helper.waitForURL(url => !url.search.includes('step=dust'));
  for (let tries = 0; tries < 100 && stalls < 2; tries++) {
    await new Promise(r => { setTimeout(r, 50); });
  }
  // Sent again is not kept yet.
  await helper.goto(site.base + '/jobs/6/day?step=dust');
  for (let tries = 0; tries < 50 && !/Tom.*sheets to the door/.test(await helper.innerText('.field-answer')); tries++) {
    await new Promise(r => { setTimeout(r, 100); });
    await helper.goto(site.base + '/jobs/6/day?step=dust');
  }
  assert.match(await helper.innerText('.field-answer'), /Tom.*sheets to the door/);
  assert.deepEqual([...lead.faults, ...helper.faults], []);
  await lead.context().close();
  await helper.context().close();
});

test('a phone that took the day along works without a signal, keeps what is entered when it is closed, and sends it once', async () => {
  const page = await site.as('tom', phone, { serviceWorkers: 'allow' });
  const context = page.context();
  await page.goto(site.base + '/jobs/4/day');
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await page.reload();
  await page.click('[data-along] button');
  await page.waitForFunction(() => /pages are on this device/.test(document.querySelector('[data-along-says]').textContent), null, { timeout: 60_000 });

  await context.setOffline(true);
  await page.goto(site.base + '/jobs/4/day?step=room');
  assert.match(await page.innerText('h1'), /Move furniture/);
  await page.fill('[name="note"]', 'the desk stays');
  await page.click('.field-answer .do');
  await page.waitForURL('**step=dust');
  await page.waitForSelector('#queue');
  assert.match(await page.innerText('#queue'), /1 entry is on this device/);
  await page.click('.field-answer .do');
  await page.waitForFunction(() => !window.location.search.includes('dust') && /2 entries are/.test(document.querySelector('#queue')?.textContent ?? ''));
  assert.deepEqual(await faults(page), []);

  // The app is closed; another opens where there is a signal again.
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(site.base + '/jobs/4/day');
  await again.waitForSelector('#step-room.done');
  await again.waitForFunction(() => document.querySelector('#queue') === null);
  await again.goto(site.base + '/jobs/4/day?step=room');
  assert.match(await again.innerText('.field-answer'), /Done, Tom.*: the desk stays/);

  // A bolt that is not as planned holds what comes after it until the server has planned anew.
  await again.goto(site.base + '/jobs/4/day');
  const bolt = await again.locator('.day-steps a[href*="step=bolt-"]').first().getAttribute('href');
  await context.setOffline(true);
  await again.goto(site.base + bolt);
  await again.fill('.field-answer [name="across"]', '1');
  await again.click('.field-answer .do');
  await again.waitForSelector('#queue .field-stop');
  assert.match(await again.innerText('#queue'), /may not be trusted/);
  assert.equal(await again.locator('.field-answer form[action*="/field"] button:not([disabled])').count(), 0);

  // Who signs out takes the kept pages with them; what is not sent stays for them.
  await context.setOffline(false);
  await again.goto(site.base + '/jobs');
  assert.ok((await again.evaluate(() => caches.keys())).length > 0);
  await Promise.all([again.waitForURL('**/sign-in**'), again.click('form.who button')]);
  await again.waitForFunction(async () => (await caches.keys()).length === 0);
  await context.close();
});
