// Every page and every step of the wall: readable by everybody, at the widths of a desk and of phones, and quiet in the console.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const steps = ['survey', 'place', 'hang', 'fix'];
const views = ['front', 'behind', 'side', 'above'];
const pages = ['/jobs', '/jobs?search=nothing-like-this', '/jobs/new', '/catalogue', '/catalogue/display', '/catalogue/mount/m-tilt24', '/figures', '/people', '/account', '/practice', '/guide', '/guide/fix', '/mine',
  '/jobs/6/sheet', '/jobs/6/history', '/jobs/2/survey', '/jobs/5/place?view=front', '/jobs/3/place?view=side', '/jobs/3/fix?view=behind', '/jobs/3/packing', '/jobs/6/routes', '/jobs/6/electrician', '/jobs/6/share', '/jobs/6/photo?wall=w1', '/jobs/3/field?step=test-hole', '/jobs/6/place?view=above', '/no/such/page',
  ...steps.map(s => `/jobs/6/${s}?view=behind`)];

test('no page has a fault against WCAG 2.2 AA or scrolls sideways, at a desk and on phones', async () => {
  const page = await site.as('ines');
  const door = await (await site.browser.newContext()).newPage();
  const wrong = [];
  const look = async (on, path) => {
    await on.goto(site.base + path);
    for (const [width, height] of [[1280, 800], [390, 844], [320, 640]]) {
      await on.setViewportSize({ width, height });
      // The narrowest phone has the page of the wider one, and only less room; on the wider one those are looked at that are made for it.
      if (width > 700 || (width > 320 && /field|packing|electrician|share|sign-in|practice|jobs\/2\/survey|\/6\/fix/.test(path))) {
        wrong.push(...(await faults(on)).map(f => `${path} at ${width} px: ${f}`));
      }

      const wide = await on.evaluate(() => document.documentElement.scrollWidth);
      if (wide > width) {
        wrong.push(`${path} is ${wide} px wide at ${width} px`);
      }
    }
  };
  for (const path of pages) {
    await look(page, path);
  }
  await look(door, '/sign-in');
  assert.deepEqual(wrong, []);
  assert.deepEqual(page.faults.filter(f => !f.includes('404')), []);
  await page.context().close();
  await door.context().close();
});

// Words in a drawing lie over wood and plaster: what counts is what they are drawn on, which is the halo that they have or the lightest ground.
test('every word of every drawing has a contrast of 4.5 at least', async () => {
  const page = await site.as('ines');
  const faint = [];
  for (const path of [...steps.flatMap(s => views.map(v => `/jobs/6/${s}?view=${v}`)), '/jobs/7/place?view=front', '/jobs/5/fix?view=behind', '/jobs/3/place?view=front', '/jobs/3/fix?view=front', '/jobs/3/fix?view=behind', '/jobs/3/fix?view=behind&wall=w2', '/jobs/2/survey?view=front', '/jobs/6/sheet', '/practice']) {
    await page.goto(site.base + path);
    faint.push(...(await page.evaluate(() => {
      const channels = css => css.match(/[\d.]+/g)?.map(Number) ?? [0, 0, 0];
      const light = ([r, g, b]) => [r, g, b].map(c => c / 255).map(c => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)).reduce((sum, c, i) => sum + c * [0.2126, 0.7152, 0.0722][i], 0);
      const over = (top, alpha, ground) => top.slice(0, 3).map((c, i) => c * alpha + ground[i] * (1 - alpha));
      const solid = [...document.querySelectorAll('svg rect, svg path, svg circle')].map(shape => ({ shape, b: shape.getBoundingClientRect(), style: getComputedStyle(shape) }))
        .filter(({ style }) => style.fill !== 'none' && !style.fill.startsWith('url') && Number(style.fillOpacity) > 0.5 && Number(style.opacity) > 0.5);
      return [...document.querySelectorAll('svg text')].filter(t => t.getBoundingClientRect().width > 0).map(text => {
        let alpha = 1;
        for (let element = text; element && element.tagName !== 'svg'; element = element.parentElement) {
          alpha *= Number(getComputedStyle(element).opacity);
        }
        const style = getComputedStyle(text);
        // A word on a shape of its own group (a flag, a tag, a tape, a display) is read on that.
        const box = text.getBoundingClientRect();
        const shapes = solid.filter(({ shape, b }) => b.left <= box.left + box.width / 2 && b.right >= box.right - box.width / 2 && b.top <= box.top + box.height / 2 && b.bottom >= box.bottom - box.height / 2
          && shape.compareDocumentPosition(text) & Node.DOCUMENT_POSITION_FOLLOWING);
        const halo = style.stroke !== 'none' && parseFloat(style.strokeWidth) >= 2 ? channels(style.stroke) : null;
        const ground = halo ?? (shapes.length ? channels(shapes.at(-1).style.fill) : [255, 253, 247]);
        const ink = over(channels(style.fill), alpha * (channels(style.fill)[3] ?? 1), ground);
        const [a, b] = [light(ink), light(ground)].sort((x, y) => y - x);
        return { words: text.textContent, of: text.getAttribute('class'), contrast: (a + 0.05) / (b + 0.05) };
      }).filter(t => t.contrast < 4.5).map(t => `${t.of} '${t.words}' ${t.contrast.toFixed(2)}`);
    })).map(f => `${path}: ${f}`));
  }
  assert.deepEqual([...new Set(faint.map(f => f.replace(/'.*'/, '')))], [], faint.slice(0, 5).join('\n'));
  await page.context().close();
});

test('the drawing is read out in sentences', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/6/fix?view=behind');
  const says = (await page.locator('[aria-label="What the drawing shows"]').innerText()).replace(/[\u2009\u00a0]/g, ' ').replace(/ ?\u2044 ?/g, '/').split('\n');
  assert.ok(says.includes('Living display, 65 in, bottom 36 in, centre 52 3/8 in up and 94 in across, 2 1/2 in over the soundbar.'), says.join('|'));
  assert.ok(says.includes('Bolt 1, 93 1/4 in across, 59 7/8 in up, in a stud that is confirmed.'), says.join('|'));
  assert.ok(says.some(s => s.startsWith('Stop at ') && s.includes('Stud not confirmed')));
  assert.deepEqual(says.filter(s => !/^[A-Z].*\.$/.test(s)), []);
  await page.context().close();
});

test('changes, nudges and remedies are announced, and the page says from where its figures count', async () => {
  const page = await site.as('ines');
  const heard = async act => {
    const settles = await page.evaluate(() => window.settles);
    await act();
    await page.waitForFunction(n => window.settles > n, settles);
    return (await page.textContent('#heard')).replace(/[\u2009\u00a0]/g, ' ');
  };
  await page.goto(site.base + '/jobs/5/place?view=front');
  await page.waitForSelector('.scripted #drawing');
  await page.focus('[data-drag][data-item="d1"]');
  assert.match(await heard(() => page.keyboard.press('ArrowUp')), /height over the floor: 1[0-9]+ mm\. What is wrong: [0-9]+ caution/);
  assert.match(await heard(() => page.locator('[data-code="place.gap-too-small"] .fix').first().click()), /height over the floor: 1260 mm\. What is wrong: /);
  await page.goto(site.base + '/jobs/6/place?view=front');
  await page.waitForSelector('.scripted #drawing');
  assert.equal(await page.locator('.speaks').count(), 0);
  const hook = page.locator('select[name$="/setOut/up"]');
  assert.match(await heard(() => hook.selectOption('ceiling')), /up from the: ceiling/);
  assert.match(await page.innerText('.speaks'), /over the floor and places from the left corner; tapes and marks are read from the ceiling/);
  await page.context().close();
});

test('after a row was added the next one begins', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/4/place?view=front');
  await page.waitForSelector('.scripted #drawing');
  await page.click('a.row.new:has-text("seat")');
  await page.waitForSelector('.thing.new input');
  await page.fill('.thing.new input >> nth=0', 'bench');
  for (const [says, value] of [['Eye height', '46'], ['Eye to screen', '90']]) {
    await page.locator('.thing.new label', { hasText: says }).locator('input').fill(value);
  }
  const settles = await page.evaluate(() => window.settles);
  await page.keyboard.press('Enter');
  await page.waitForFunction(n => window.settles > n, settles);
  assert.ok(await page.evaluate(() => document.activeElement.closest('.thing.new') !== null && document.activeElement.value === ''));
  assert.equal(await page.locator('a.row:has-text("bench")').count(), 1);
  await page.context().close();
});

test('nothing is said in the console, also after Back and Forward', async () => {
  const page = await site.as('ines');
  const seen = ['/jobs', '/jobs/6/survey?view=behind', '/jobs/6/place?view=front', '/jobs/6/sheet', '/catalogue/mount/m-tilt24', '/practice'];
  for (const path of seen) {
    await page.goto(site.base + path);
  }
  await page.goto(site.base + '/jobs/6/survey?view=behind');
  for (const key of ['2', '3', 'b', 's', 'f', '4', '1']) {
    const settles = await page.evaluate(() => window.settles);
    await page.keyboard.press(key);
    await page.waitForFunction(n => window.settles > n, settles);
  }
  for (const way of ['goBack', 'goForward']) {
    for (let i = 0; i < 9; i++) {
      await page[way]();
      await page.waitForTimeout(100);
    }
  }
  // The board still works: it was not left to the browser's memory of it.
  await page.waitForSelector('#drawing');
  const settles = await page.evaluate(() => window.settles);
  await page.keyboard.press('2');
  await page.waitForFunction(n => window.settles > n, settles);
  assert.match(page.url(), /\/jobs\/6\/place/);
  assert.deepEqual(page.faults, []);
  await page.context().close();
});
