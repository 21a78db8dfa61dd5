// The survey step and the practice wall, as a crew uses them.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const plain = text => text.replace(/[\s\u2009\u00a0]+/g, ' ').replaceAll('\u2044', '/').replace(/ ?\/ ?/g, '/').trim();
const settled = async (page, act) => {
  const before = await page.evaluate(() => window.settles);
  await act();
  await page.waitForFunction(n => window.settles > n, before);
};

test('evidence typed in one line becomes a member, and what is not understood is kept', async () => {
  const page = await site.as('tom');
  await page.goto(`${site.base}/jobs/4/survey?view=behind`);
  await settled(page, async () => { await page.fill('#evidence', 'edges 22 to'); await page.press('#evidence', 'Enter'); });
  assert.equal(await page.inputValue('#evidence'), 'edges 22 to');
  assert.match(await page.locator('form:has(#evidence) .says').innerText(), /Expected/);
  for (const line of ['edges 22 1/4 to 23 3/4 @ 34', 'magnet 23 @ 40', 'bites 23 1/2 @ 50', 'miss 23 3/4 @ 50', 'bites 22 3/8 @ 50', 'miss 22 1/8 @ 50']) {
    await settled(page, async () => { await page.fill('#evidence', line); await page.press('#evidence', 'Enter'); });
  }
  const members = plain(await page.locator('.members').innerText());
  // By hand: half a face and 1/32 in from the misses leave 22 27/32 to 23 1/32.
  assert.match(members, /22 15\/16 confirmed/);
  assert.equal(await page.locator('.evidence.probe-hit').count(), 2);
  assert.deepEqual(page.faults, []);
});

test('the answer to a proposed probe changes the map in one round trip, and clears the stop when it confirms', async () => {
  const page = await site.as('ines');
  await page.goto(`${site.base}/jobs/6/survey?view=behind`);
  assert.equal(await page.locator('.finding[data-code="survey.framing-unconfirmed"]').count(), 1);
  const requests = [];
  page.on('request', r => r.url().includes('/jobs/6') && !r.url().includes('/events') && requests.push(r.url()));
  for (let i = 0; i < 6 && await page.locator('.finding[data-code="survey.framing-unconfirmed"]').count(); i++) {
    const card = page.locator('.probe-card').filter({ hasText: 'to confirm the stud' }).first();
    const at = plain(await card.locator('.big').innerText());
    // The stud's right edge is at 109 7/8 in this test's wall.
    const [whole, fraction = '0/1'] = at.split(' ');
    const [n, d] = fraction.split('/');
    const hit = Number(whole) + n / d < 109.875 && Number(whole) + n / d > 108.375;
    requests.length = 0;
    await settled(page, () => card.getByRole('button', { name: hit ? 'Goes on biting' : 'Falls through' }).click());
    assert.equal(requests.length, 1);
  }
  assert.equal(await page.locator('.finding[data-code="survey.framing-unconfirmed"]').count(), 0);
  assert.deepEqual(page.faults, []);
});

test('a tool is tapped on the wall, and a tape is laid between two points', async () => {
  const page = await site.as('tom');
  await page.goto(`${site.base}/jobs/4/survey?view=behind`);
  const marks = page.locator('.evidence.probe-miss');
  const before = await marks.count();
  await page.locator('.tools label', { hasText: 'falls through' }).click();
  const box = await page.locator('#drawing').boundingBox();
  await page.mouse.move(box.x + box.width * 0.6, box.y + box.height * 0.3);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.61, box.y + box.height * 0.32, { steps: 3 });
  assert.match(await page.locator('.readout').innerText(), /across .* up/s);
  await settled(page, () => page.mouse.up());
  assert.equal(await marks.count(), before + 1);

  await page.locator('.tools label', { hasText: 'tape' }).click();
  const corner = await page.locator('.wall').first().boundingBox();
  await page.mouse.click(corner.x + 3, corner.y + corner.height * 0.4);
  await page.mouse.click(corner.x + corner.width - 3, corner.y + corner.height * 0.4);
  assert.equal(await page.inputValue('#measure'), 'left corner -> right corner ');
  assert.deepEqual(page.faults, []);
});

test('probes that contradict each other ask, and one click answers', async () => {
  const page = await site.as('ines');
  await page.goto(`${site.base}/jobs/5/survey?view=behind`);
  const finding = page.locator('.finding[data-code="survey.evidence-contradicts"]');
  assert.match(plain(await finding.innerText()), /fell through at 3000 mm, between hits at 2988 mm and 3013 mm/);
  await settled(page, () => finding.getByRole('button', { name: 'Two members with a gap' }).click());
  assert.equal(await finding.count(), 0);
  await page.keyboard.press('u');
  await finding.waitFor();
  assert.deepEqual(await faults(page), []);
});

test('the practice wall is played to its end with the planner at hand', async () => {
  const page = await site.as('tom');
  await page.goto(`${site.base}/jobs`);
  await page.getByRole('link', { name: 'Practice' }).click();
  await page.waitForURL('**/practice/*');
  await page.getByRole('link', { name: /Sweep the scanner, 34/ }).click();
  await page.waitForURL('**did=s34');
  await page.getByRole('link', { name: /Sweep the scanner, 62/ }).click();
  await page.waitForURL('**s62');
  assert.equal(await page.locator('.true-member').count(), 0);
  for (let i = 0; i < 14 && !await page.locator('.holes em').count(); i++) {
    await page.getByRole('link', { name: 'Ask the planner' }).click();
    await page.waitForURL('**hint=true');
    const at = plain(await page.locator('.probe-card .big').innerText());
    await page.fill('#at', at);
    await page.getByRole('button', { name: 'Push the bit in' }).click();
    await page.waitForURL(url => !url.search.includes('hint'));
  }
  assert.equal(await page.locator('.holes em').innerText(), 'two studs confirmed');
  const holes = Number(await page.locator('.holes b').innerText());
  assert.ok(holes >= 2 && holes <= 8, `${holes} holes`);
  await page.fill('#at', '9999');
  await page.getByRole('button', { name: 'Push the bit in' }).click();
  await page.locator('.says strong').waitFor();
  assert.match(await page.locator('.says strong').innerText(), /beyond the wall/);
  await page.getByRole('link', { name: /Done/ }).click();
  await page.waitForURL('**done=true');
  assert.ok(await page.locator('.true-member').count() > 4);
  assert.match(plain(await page.locator('.side-pane').innerText()), /of 100.*What the planner did/);
  assert.deepEqual(await faults(page), []);
  assert.deepEqual(page.faults, []);
});

test('a bit is pushed in where the practice wall is tapped, on a phone too', async () => {
  const page = await site.as('tom', { width: 390, height: 844 });
  await page.goto(`${site.base}/practice/2?did=s34`);
  await page.locator('.tools label', { hasText: 'bit' }).click();
  const box = await page.locator('#drawing').boundingBox();
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await page.locator('.holes b', { hasText: '1' }).waitFor();
  assert.equal(await page.evaluate(() => document.documentElement.scrollWidth <= 390), true);
  assert.deepEqual(await faults(page), []);
});
