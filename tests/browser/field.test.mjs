// The field sheet on a phone: one bolt first, what was measured moves the rest, a hole that missed is kept clear of.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { enter, faults, start } from './site.mjs';

let site, tom, ines;
before(async () => {
  site = await start();
  tom = await site.as('tom', { width: 390, height: 844 });
  ines = await site.as('ines');
});
after(() => site?.stop());

const plain = async locator => (await locator.innerText()).replace(/[\s\u2009\u202f\u00a0]+/g, ' ').replace(/ ?\u2044 ?/g, '/');

// A job of its own: the warden's office, whose studs are confirmed.
async function copy() {
  const file = await (await ines.request.get(`${site.base}/api/v1/jobs/4/file`)).json();
  const made = await ines.request.post(`${site.base}/api/v1/jobs`, { data: file });
  return (await made.json()).id;
}

const plan = async job => (await tom.request.get(`${site.base}/api/v1/jobs/${job}/plan?units=in`)).json();
const bolts = async job => (await plan(job)).items.m1.bolts;

async function toFirstBolt(job) {
  await tom.goto(`${site.base}/jobs/${job}/field`);
  while (await tom.locator('.field-answer button.do', { hasText: /^Done$/ }).count()) {
    await enter(tom, '.field-answer button.do');
    await tom.waitForLoadState('load');
  }
  assert.match(await plain(tom.locator('.field-does')), /^Bolt 1: drill/);
}

const inches = text => {
  if (text.endsWith('mm')) { return parseFloat(text) / 25.4; }
  const [whole, part] = text.replace(' in', '').split(' ');
  const [n, d] = (part ?? '0/1').split('/');
  return Number(whole) + Number(n) / Number(d);
};

test('an eighth high moves the rest, plate and display, without a finding', async () => {
  const job = await copy();
  await toFirstBolt(job);
  assert.equal(await plain(tom.locator('.field-readings')), 'right of the left corner 55 1/8 in up from the floor 52 13/16 in');
  const size = await tom.locator('.field-readings dd').first().evaluate(e => parseFloat(getComputedStyle(e).fontSize));
  assert.ok(size >= 40, `figures of ${size} px`);
  assert.ok(await tom.evaluate(() => document.documentElement.scrollWidth <= 390), 'scrolls sideways');
  assert.deepEqual(await faults(tom), []);
  const was = await bolts(job);
  await tom.fill('input[name=up]', '52 15/16');
  await enter(tom, '.field-answer button[value=holds]');
  assert.match(await plain(tom.locator('.field-changed')), /Office display, 50 in: 1\/8 in up; 4 holes/);
  assert.equal(await tom.locator('.field-caution, .field-stop').count(), 0);
  const now = await bolts(job);
  now.forEach((b, i) => assert.ok(Math.abs(inches(b.y) - inches(was[i].y) - 0.125) < 0.01, `${b.y} was ${was[i].y}`));
  // Level before the second, and that one from the first.
  assert.match(await plain(tom.locator('.field-does')), /level it/);
  await enter(tom, '.field-answer .do');
  assert.match(await plain(tom.locator('.field-readings')), /^right of bolt 1 16 1\/8 in level with bolt 1 0 in$/);
  for (let n = 0; n < 3; n++) {
    await enter(tom, '.field-answer button[value=holds]');
    await tom.waitForLoadState('load');
  }
  assert.match(await plain(tom.locator('.field-does')), /^Pull down at the plate with 33\.8 lb/);
  await enter(tom, '.field-answer button[value=yes]');
  assert.match(await plain(tom.locator('.field-does')), /^Hang the display/);
  await enter(tom, '.field-answer .do');
  assert.equal((await plan(job)).stages.find(s => s.stage === 'site').state, 'clear');
});

test('three sixteenths are said, and nonsense is kept and explained', async () => {
  const job = await copy();
  await toFirstBolt(job);
  await tom.fill('input[name=up]', '53//');
  await enter(tom, '.field-answer button[value=holds]');
  assert.match(await plain(tom.locator('.problem')), /Expected/);
  assert.equal(await tom.inputValue('input[name=up]'), '53//');
  await tom.fill('input[name=up]', '53');
  await enter(tom, '.field-answer button[value=holds]');
  assert.match(await plain(tom.locator('.field-caution')), /^Off the place that was agreed\. By the bolts that are set its centre comes to .* 3\/16 in higher/);
  // What a hold point waits for is not passed.
  await tom.goto(`${site.base}/jobs/${job}/field?step=proof`);
  await enter(tom, '.field-answer button[value=yes]');
  assert.match(await plain(tom.locator('.problem')), /waits for a hold point/);
  assert.equal((await plan(job)).findings.some(f => f.code === 'site.proof-missing'), false);
});

test('a hole that met nothing is kept clear of', async () => {
  const job = await copy();
  await toFirstBolt(job);
  const shown = await tom.inputValue('input[name=seen]');
  await tom.click('.field-answer summary');
  await enter(tom, '.field-answer button[value=missed]');
  await tom.waitForLoadState('load');
  // The same press once more, as a thumb does it: the plan has moved on, and no second hole is entered.
  const holes = async () => Object.keys((await (await tom.request.get(`${site.base}/api/v1/jobs/${job}/file`)).json()).items.m1.built.holes).length;
  const token = await tom.inputValue('input[name=__RequestVerificationToken]');
  const again = await tom.request.post(`${site.base}/jobs/${job}/field?item=m1&step=bolt-1&handler=Hole`, { form: { __RequestVerificationToken: token, seen: shown, state: 'missed', across: '', up: '' } });
  assert.equal(again.status(), 422);
  assert.match(await again.text(), /moved on since this page was shown/);
  assert.equal(await holes(), 1);
  const drilled = { x: 55.125, y: 52.8125 };
  const now = await bolts(job);
  // 3 diameters of 3/8 in.
  now.forEach(b => assert.ok(Math.hypot(inches(b.x) - drilled.x, inches(b.y) - drilled.y) >= 1.12, `bolt ${b.number} at ${b.x}, ${b.y}`));
  assert.ok(await tom.locator('.field-stop').count() > 0, 'work holds');
  assert.equal(await tom.locator('.field-wall .spent-hole').count(), 3);
  assert.deepEqual(tom.faults, []);
});

test('a bolt\'s calculation unfolds, the template is at true scale, and one trip takes what is enough', async () => {
  const job = await copy();
  await ines.goto(`${site.base}/jobs/${job}/calculation`);
  const worst = ines.locator('details.calculation[open]');
  assert.match(await plain(worst), /W = 1800 G\^1\.5 D\^0\.75/);
  assert.match(await plain(worst), /mode IIIs is least/);
  assert.deepEqual(await faults(ines), []);
  await ines.goto(`${site.base}/jobs/${job}/template`);
  assert.ok(await ines.locator('.template-picture circle').count() >= 8);
  assert.deepEqual(await faults(ines), []);

  await ines.goto(`${site.base}/jobs/${job}/trip`);
  await ines.selectOption('select[name=path]', '/walls/w1/layers/l1/thickness');
  await ines.fill('input[name=answers]', '1/2 in');
  await ines.click('.trip .add .do');
  assert.match(await plain(ines.locator('.problem')), /two to six/);
  await ines.fill('input[name=answers]', '1/2 in, 1 1/8 in');
  await ines.click('.trip .add .do');
  assert.match(await plain(ines.locator('.trip')), /It may turn out in 2 ways\..*4 × lag screw/);
  assert.deepEqual(await faults(ines), []);
  await ines.click('.trip-open button');
  assert.match(await plain(ines.locator('.trip')), /Nothing is said to be open yet/);
  // A stop is passed by a lead with a reason, and stands on the sheet.
  await ines.goto(`${site.base}/jobs/6/survey?view=behind`);
  const stop = ines.locator('.finding[data-code="survey.framing-unconfirmed"]');
  await stop.locator('.override > summary').click();
  await stop.locator('input[name=reason]').fill('seen through the old box');
  await stop.locator('.override button').click();
  await ines.waitForSelector('.finding.overridden[data-code="survey.framing-unconfirmed"]');
  await ines.goto(`${site.base}/jobs/6/sheet`);
  assert.match(await plain(ines.locator('.paper')), /Overridden: 1 stop.*seen through the old box/);
  assert.deepEqual(ines.faults, []);
});
