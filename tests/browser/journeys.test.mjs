// From an empty job to a sheet without a stop, with every click and key counted: what a day costs a hand.
// The wall: 12 ft 4 in by 8 ft with a mantel and an outlet, three hits of a scanner of which one is false, two studs confirmed by a bit, a 65 in
// display on a tilting mount with lag screws. The truth behind the board answers the planner's probes.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const studs = [66.1, 82.1];
const halfFace = 0.75;
const display = 'Living display, 65 in';
const mount = 'Tilting mount, plate 24 in wide';
const bolt = 'lag screw 5/16 by 3 in';

/** Somebody's hands on a page: every press counts, and is waited for. */
function hands(page) {
  const count = { clicks: 0, keys: 0, loads: 0 };
  page.on('load', () => { count.loads++; });
  const settled = async act => {
    const settles = await page.evaluate(() => window.settles);
    await act();
    await page.waitForFunction(n => window.settles > n, settles);
  };
  return {
    count,
    click: async (target, tap = false) => {
      count.clicks++;
      await (tap ? page.locator(target).first().tap() : page.locator(target).first().click());
    },
    answers: async (target, tap = false) => {
      await ready(page);
      count.clicks++;
      await settled(() => (tap ? page.locator(target).first().tap() : page.locator(target).first().click()));
    },
    type: async words => {
      count.keys += words.length;
      await page.keyboard.type(words);
    },
    press: async (...keys) => {
      for (const key of keys) {
        count.keys++;
        await page.keyboard.press(key);
      }
    },
    sends: async (...keys) => {
      await ready(page);
      count.keys += keys.length;
      for (const key of keys.slice(0, -1)) {
        await page.keyboard.press(key);
      }
      await settled(() => page.keyboard.press(keys.at(-1)));
    },
  };
}

/** Types the new job's name and its wall. */
async function begin(page, hand) {
  await page.waitForSelector('#title');
  await hand.type('Hall');
  await hand.press('Tab');
  await hand.type('148');
  await hand.press('Tab');
  await hand.type('96');
  await hand.press('Enter');
  await page.waitForSelector('.scripted #drawing');
}

const asked = words => `.asked .fix:text-is("${words}")`;
const confirmed = page => page.locator('.members .confirmed').count();

/** What the bit does at the place that the first card names. */
async function bit(page) {
  const [, whole, over, under] = (await page.innerText('.probe-card .big >> nth=0')).match(/([0-9]+)(?:[\s\u2009]*([0-9]+)\u2044([0-9]+))?/);
  const at = Number(whole) + (over ? over / under : 0);
  return studs.some(stud => Math.abs(stud - at) <= halfFace) ? 'Goes on biting' : 'Falls through';
}

// The next card takes nothing for a second.
const ready = page => page.waitForFunction(() => !document.querySelector('button.fresh'));

async function checkSheet(page) {
  await page.waitForSelector('.paper');
  const paper = await page.innerText('.paper');
  assert.ok(!paper.includes('Not to be drilled'), paper.slice(0, 600));
  assert.match(paper, /4 × lag screw/);
  assert.deepEqual(page.faults, []);
}

test('in inches with mouse and keyboard', async () => {
  const page = await site.as('ines');
  const hand = hands(page);
  await hand.click('text=New job');
  await begin(page, hand);
  for (const words of ['board on wood studs', 'Yes, it was seen', 'Yes, crossings in the studs too']) {
    await hand.answers(asked(words));
  }
  await hand.press('/');
  for (const line of ['mantel 44 to 104 @ 50 to 52 deep 8', 'outlet 20 @ 12']) {
    await hand.type(line);
    await hand.sends('Enter');
  }
  await hand.click('.tools >> text=scanner');
  await hand.press('/');
  for (const place of ['66', '73', '82']) {
    await hand.type(place);
    await hand.sends('Enter');
  }
  await hand.answers(asked('None'));
  await hand.answers(asked('No'));
  while (await confirmed(page) < 2) {
    await ready(page);
    await hand.answers(`.probe-card >> nth=0 >> text="${await bit(page)}"`);
  }
  await hand.answers('.steps >> text=Place');
  await hand.answers(asked(display));
  await hand.answers('.asked .fix:has-text("over a mantel")');
  await hand.click('#approve-by');
  await hand.type('Ann');
  await hand.sends('Enter');
  await hand.answers('.steps >> text=Hang');
  await hand.answers(asked(mount));
  await hand.answers('.steps >> text=Fix');
  await hand.answers(asked(bolt));
  await hand.click('.next a');
  await checkSheet(page);
  console.log('mouse and keyboard', hand.count);
  assert.ok(hand.count.clicks <= 35, `${hand.count.clicks} clicks`);
  assert.ok(hand.count.keys <= 160, `${hand.count.keys} keys`);
  await page.context().close();
});

test('with the keyboard alone', async () => {
  const page = await site.as('ines');
  const hand = hands(page);
  await hand.press('n');
  await begin(page, hand);
  await hand.sends('n', 'Enter');
  await hand.sends('n', 'Enter');
  await hand.sends('n', 'Tab', 'Enter');
  await hand.press('/');
  for (const line of ['mantel 44 to 104 @ 50 to 52 deep 8', 'outlet 20 @ 12', 'scan 66', 'scan 73', 'scan 82']) {
    await hand.type(line);
    await hand.sends('Enter');
  }
  await hand.press('Escape');
  await hand.sends('n', 'Enter');
  await hand.sends('n', 'Enter');
  while (await confirmed(page) < 2) {
    await ready(page);
    await hand.sends('n', ...(await bit(page) === 'Falls through' ? ['Tab', 'Tab'] : []), 'Enter');
  }
  const choose = async words => {
    await hand.press('n');
    while (await page.evaluate(() => document.activeElement.textContent) !== words) {
      await hand.press('Tab');
    }
    await hand.sends('Enter');
  };
  await hand.sends('2');
  await choose(display);
  await hand.press('n');
  while (!(await page.evaluate(() => document.activeElement.textContent)).includes('over a mantel')) {
    await hand.press('Tab');
  }
  await hand.sends('Enter');
  await hand.sends('3');
  await choose(mount);
  await hand.sends('4');
  await choose(bolt);
  await hand.sends('n');
  await page.waitForFunction(() => document.activeElement.id === 'approve-by');
  await hand.type('Ann');
  await hand.sends('Enter');
  await hand.press('Escape', 'n');
  await checkSheet(page);
  console.log('keyboard alone', hand.count);
  assert.equal(hand.count.clicks, 0);
  assert.ok(hand.count.keys <= 220, `${hand.count.keys} keys`);
  await page.context().close();
});

test('on a phone, with the wall in view at every probe', async () => {
  const page = await site.as('ines', { width: 390, height: 844 }, { hasTouch: true, isMobile: true });
  const hand = hands(page);
  const seen = () => page.evaluate(() => {
    const { top, bottom } = document.getElementById('drawing').getBoundingClientRect();
    return top >= -1 && bottom <= window.innerHeight;
  });
  await hand.click('text=New job', true);
  await page.waitForSelector('#title');
  await hand.type('Hall');
  await hand.click('#width', true);
  await hand.type('148');
  await hand.click('#height', true);
  await hand.type('96');
  await hand.press('Enter');
  await page.waitForSelector('.scripted #drawing');
  for (const words of ['board on wood studs', 'Yes, it was seen', 'Yes, crossings in the studs too']) {
    await hand.answers(asked(words), true);
  }
  await hand.click('#evidence', true);
  for (const line of ['mantel 44 to 104 @ 50 to 52 deep 8', 'outlet 20 @ 12', 'scan 66', 'scan 73', 'scan 82']) {
    await hand.type(line);
    await hand.sends('Enter');
  }
  await hand.answers(asked('None'), true);
  await hand.answers(asked('No'), true);
  while (await confirmed(page) < 2) {
    await ready(page);
    const answer = `.probe-card >> nth=0 >> text="${await bit(page)}"`;
    await page.locator(answer).scrollIntoViewIfNeeded();
    assert.ok(await seen(), 'the wall is out of sight while a probe is asked for');
    await hand.answers(answer, true);
  }
  await hand.answers('.steps >> text=Place', true);
  await hand.answers(asked(display), true);
  await hand.answers('.asked .fix:has-text("over a mantel")', true);
  await hand.click('#approve-by', true);
  await hand.type('Ann');
  await hand.sends('Enter');
  await hand.answers('.steps >> text=Hang', true);
  await hand.answers(asked(mount), true);
  await hand.answers('.steps >> text=Fix', true);
  await hand.answers(asked(bolt), true);
  await hand.click('.next a', true);
  await checkSheet(page);
  console.log('phone', hand.count);
  assert.ok(hand.count.clicks <= 70, `${hand.count.clicks} taps`);
  assert.ok(hand.count.keys <= 120, `${hand.count.keys} keys`);
  await page.context().close();
});
