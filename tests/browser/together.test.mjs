// Office, lead and helper work one job through to its hand-over: the helper's phone has no signal for a while, two of them say different things, one stop
// is final, one is overridden, and the client signs for what nobody could know before.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { picture } from './rounds.mjs';
import { enter, faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const job = '/jobs/6';
const to = (page, address) => page.goto(site.base + job + address);

/** Writes to the job as a program of somebody who is signed in. */
const write = (page, path, value) => page.evaluate(async ([address, entry]) => {
  const token = JSON.parse(document.body.getAttribute('hx-headers')).RequestVerificationToken;
  const answer = await fetch(address, { method: 'POST', headers: { 'Content-Type': 'application/json', RequestVerificationToken: token }, body: JSON.stringify([entry]) });
  return answer.ok ? 201 : `${answer.status} ${await answer.text()}`;
}, [`/api/v1${job}/entries`, { id: crypto.randomUUID(), path, value }]);

test('three people and a client bring a job to its hand-over', { timeout: 230_000 }, async () => {
  const office = await site.as('olive');
  const lead = await site.as('ines', { width: 820, height: 1180 });
  const helper = await site.as('tom', { width: 390, height: 844 }, { serviceWorkers: 'allow' });
  const phone = helper.context();

  // The helper takes the day along, and the signal is gone.
  await to(helper, '/day');
  await helper.waitForFunction(() => navigator.serviceWorker.controller !== null);
  await helper.reload();
  await helper.click('[data-along] button');
  await helper.waitForFunction(() => /pages are on this device/.test(document.querySelector('[data-along-says]').textContent), null, { timeout: 90_000 });
  await phone.setOffline(true);
  await to(helper, '/day?step=dust');
  await helper.fill('[name="note"]', 'no vacuum here, wet sponge');
  await helper.click('.field-answer [value="otherwise"]');
  await helper.waitForSelector('#queue');
  await to(helper, '/day?step=room');
  await helper.click('.field-answer .do');
  await helper.waitForFunction(() => /2 entries/.test(document.querySelector('#queue')?.textContent ?? ''));

  // Meanwhile the lead says something else of the same step, and the office moves on elsewhere: that merges.
  await to(lead, '/day?step=dust');
  await lead.fill('[name="note"]', 'fan in the window');
  await enter(lead, '.field-answer .do');
  assert.equal(await write(office, '/visits/v1', { on: '2026-12-01', for: 'install', people: ['Ines', 'Tom'] }), 201);

  // The signal is back: both values stand, the lead decides, and the visit is there too.
  await phone.setOffline(false);
  await to(helper, '/day');
  await helper.waitForSelector('#step-room.done');
  await helper.waitForFunction(() => document.querySelector('#queue') === null);
  assert.match(await helper.innerText('main'), /2026-12-01/);
  await to(lead, '/site');
  const rivals = lead.locator('.rivals');
  assert.match(await rivals.innerText(), /fan in the window/);
  assert.match(await rivals.innerText(), /no vacuum here/);
  await rivals.locator('button', { hasText: 'no vacuum here' }).click();
  await lead.waitForFunction(() => document.querySelector('.rivals') === null);
  await to(helper, '/day?step=dust');
  assert.match(await helper.innerText('.field-answer'), /Not as planned.*wet sponge/);

  // A cord in the wall is passed by nobody, whatever is sent.
  assert.equal(await write(office, '/walls/w1/routes/r1/mains/cord', true), 201);
  await to(lead, '/feed');
  const cord = lead.locator('.finding[data-code="feed.cord-in-wall"]').first();
  await cord.waitFor();
  assert.equal(await cord.locator('.override').count(), 0);
  const refused = await lead.evaluate(async address => {
    const found = (await (await fetch(`/api/v1${address}/plan`)).json()).findings.find(f => f.code === 'feed.cord-in-wall');
    const token = JSON.parse(document.body.getAttribute('hx-headers')).RequestVerificationToken;
    const answer = await fetch(`${address}/feed?handler=Override`, { method: 'POST', body: new URLSearchParams({ code: found.code, about: found.part, reason: 'I know what I do', says: '', __RequestVerificationToken: token }) });
    return [answer.status, await answer.text()];
  }, job);
  assert.equal(refused[0], 422);
  assert.match(refused[1], /Nobody overrides this/);
  await to(lead, '/history');
  assert.doesNotMatch(await lead.innerText('main'), /I know what I do/);
  assert.equal(await write(office, '/walls/w1/routes/r1/mains/cord', null), 201);

  // A stud that nobody has probed on both sides is passed by the lead, in her name and with a reason.
  await to(lead, '/survey?view=behind');
  const stop = lead.locator('.finding[data-code="survey.framing-unconfirmed"]');
  await stop.locator('.override > summary').click();
  await stop.locator('input[name=reason]').fill('seen through the old box');
  await stop.locator('.override button').click();
  await lead.waitForSelector('.finding.overridden[data-code="survey.framing-unconfirmed"]');

  // What was found is put to the client, who signs with a finger.
  await to(lead, '/changes');
  await lead.fill('textarea[name="says"]', 'An old cable runs loose behind the board: take it out');
  await lead.fill('[name="hours"]', '1.5');
  await lead.fill('[name="price"]', '120');
  await lead.check('[name="unsafe"]');
  await enter(lead, lead.locator('button', { hasText: 'Put it to the client' }));
  const order = lead.locator('.change-order');
  const first = await lead.locator('.change-order details[open] summary').count();
  assert.equal(first, 1);
  await enter(lead, order.locator('button', { hasText: 'I agree' }));
  assert.match(await lead.innerText('.problem'), /No name is signed/);
  await order.locator('[name="signed"]').fill('A. Warden');
  const pad = await order.locator('.signature').boundingBox();
  await lead.mouse.move(pad.x + 30, pad.y + 60);
  await lead.mouse.down();
  for (let i = 1; i <= 20; i++) {
    await lead.mouse.move(pad.x + 30 + (i * 12), pad.y + 60 + (Math.sin(i) * 30));
  }
  await lead.mouse.up();
  await enter(lead, order.locator('button', { hasText: 'I agree' }));
  await lead.waitForSelector('.change-order.agreed .signed');
  assert.match(await lead.innerText('.change-order'), /Approved by A\. Warden/);
  assert.deepEqual(await faults(lead), []);

  // The electrician's record makes the circuit dead; then everything is worked off, step by step.
  assert.equal(await write(office, '/electrics/isolations/i1', { circuit: 'c1', by: 'Ed Sparrow', licence: 'E-1204', off: true, locked: true, tester: 'two-pole tester', on: '2026-12-01 08:40' }), 201);
  for (let i = 0; i < 90; i++) {
    // Each answer leads on to the next step; what does not is looked for in the list.
    if (!/step=/.test(helper.url()) || await helper.locator('.field-answer button.do, .step-photos .do').count() === 0 || /, done/.test(await helper.innerText('.field-walk'))) {
      await to(helper, '/day');
      const next = await helper.evaluate(() => document.querySelector('.day-steps li.open a')?.getAttribute('href') ?? null);
      if (next === null) {
        break;
      }
      await helper.goto(site.base + next);
    }
    const open = helper.url();
    if (open.includes('=stud-')) {
      // The override holds for the plan; what the crew then sees with a thin bit is better.
      for (const [id, kind, at] of [['t1', 'probe-hit', '109 1/8 in'], ['t2', 'probe-miss', '108 1/4 in'], ['t3', 'probe-miss', '110 1/16 in']]) {
        assert.equal(await write(helper, `/walls/w1/evidence/${id}`, { kind, at, ...(kind === 'probe-hit' ? { bite: '1 in' } : {}), by: 'Tom' }), 201);
      }
    } else if (await helper.locator('.step-photos .do').count() > 0) {
      await helper.setInputFiles('.step-photos input[type="file"]', await picture(helper, 5, 200));
      await enter(helper, '.step-photos .do');
      assert.equal(await helper.locator('.problem').count(), 0, (await helper.locator('.problem').allInnerTexts()).join());
      await helper.waitForSelector('.step-photos img');
    } else {
      if (open.includes('step=sign')) {
        await helper.fill('[name="signed"]', 'A. Warden');
      }
      await enter(helper, '.field-answer button.do');
    }
    assert.equal(await helper.locator('.problem').count(), 0, `${open}: ${await helper.locator('.problem').allInnerTexts()}`);
  }
  assert.match(await helper.innerText('main'), /All of it is done/);
  assert.deepEqual(await faults(helper), []);

  // The pack has all of it.
  const pack = await lead.evaluate(async address => {
    const answer = await fetch(address);
    return [answer.status, answer.headers.get('content-type'), (await answer.arrayBuffer()).byteLength];
  }, `${job}/hand-over`);
  assert.deepEqual(pack.slice(0, 2), [200, 'application/pdf']);
  assert.ok(pack[2] > 20_000);
  assert.deepEqual([...office.faults, ...lead.faults, ...helper.faults].filter(f => !/ERR_INTERNET_DISCONNECTED|Failed to fetch/.test(f)), []);
});
