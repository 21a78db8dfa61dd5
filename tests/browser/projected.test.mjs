// The wall's photo and the plan on the real wall, played: what is drawn onto what, and what the client agrees to.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

// From a square to a quadrilateral in closed form (Heckbert 1989), which solves no equations: from memory.
const square = ([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]) => (u, v) => {
  const [dx1, dx2, sx] = [x1 - x2, x3 - x2, x0 - x1 + x2 - x3];
  const [dy1, dy2, sy] = [y1 - y2, y3 - y2, y0 - y1 + y2 - y3];
  const den = dx1 * dy2 - dx2 * dy1;
  const [g, h] = [(sx * dy2 - dx2 * sy) / den, (dx1 * sy - sx * dy1) / den];
  const w = g * u + h * v + 1;
  return [((x1 - x0 + g * x1) * u + (x3 - x0 + h * x3) * v + x0) / w, ((y1 - y0 + g * y1) * u + (y3 - y0 + h * y3) * v + y0) / w];
};

const middle = async locator => {
  const box = await locator.boundingBox();
  return [box.x + box.width / 2, box.y + box.height / 2];
};

const drag = async (page, locator, [x, y]) => {
  const [fromX, fromY] = await middle(locator);
  await page.mouse.move(fromX, fromY);
  await page.mouse.down();
  await page.mouse.move((fromX + x) / 2, (fromY + y) / 2);
  await page.mouse.move(x, y, { steps: 3 });
  await page.mouse.up();
};

test('four corners are drawn onto their tapes, and the fifth lies where it should', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/6/throw?wall=w1');
  const tapes = [[520, 210], [1130, 150], [1080, 620], [560, 560]];
  for (const [i, tape] of tapes.entries()) {
    await drag(page, page.locator(`.throw-point[data-point="${i}"] circle`), tape);
  }
  const ring = () => middle(page.locator('.throw-check circle'));
  // The check is the middle of the four: a half both ways.
  const near = ([x, y], [u, v]) => assert.ok(Math.hypot(x - u, y - v) < 1, `${x} ${y} against ${u} ${v}`);
  near(await ring(), square(tapes)(.5, .5));
  // And so is what is thrown: the display's own outline ends on the four tapes.
  const thrown = await page.locator('.t-thing').evaluate(e => {
    const [box, screen] = [e.getBBox(), e.getScreenCTM()];
    const svg = document.getElementById('thrown');
    const m = new DOMMatrix(getComputedStyle(svg).transform);
    return [[box.x, box.y], [box.x + box.width, box.y], [box.x + box.width, box.y + box.height], [box.x, box.y + box.height]].map(([x, y]) => {
      const p = m.transformPoint(new DOMPoint(x, y, 0, 1));
      return [p.x / p.w, p.y / p.w, Boolean(screen)];
    });
  });
  thrown.forEach((corner, i) => near(corner, tapes[i]));
  // Words go, and nothing of the picture moves; a page that is opened again is as it was.
  await page.keyboard.press('h');
  assert.equal(await page.locator('.throw-words').isVisible(), false);
  near(thrown[0], tapes[0]);
  await page.keyboard.press('h');
  await page.reload();
  near(await ring(), square(tapes)(.5, .5));
  // A pixel at a time by the keys.
  await page.focus('.throw-point[data-point="2"]');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowUp');
  near(await ring(), square([tapes[0], tapes[1], [1090, 619], tapes[3]])(.5, .5));
  // What reads from three metres: letters of two inches and more on the wall, ten units to the inch.
  const letters = await page.locator('.t-words, .t-warning').evaluateAll(all => all.map(e => parseFloat(getComputedStyle(e).fontSize)));
  assert.ok(Math.min(...letters) >= 20, letters.join());
  assert.match(await page.locator('.t-warning').textContent(), /not for drilling/);
  assert.deepEqual(await faults(page), []);
  // Points that do not hold a picture are refused in words, and what was typed stays.
  await page.goto(site.base + '/jobs/6/throw?wall=w1&by=points&a0=0&u0=90&a1=50&u1=90&a2=100&u2=90&a3=0&u3=10&a4=50&u4=40');
  assert.match(await page.innerText('.problem'), /in a row/);
  assert.equal(await page.inputValue('[name="a2"]'), '100');
  assert.deepEqual(page.faults, []);
  await page.context().close();
});

test('a photo is squared by five points, and the client agrees on it', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/6/photo?wall=w1');
  assert.match(await page.innerText('.photo-side'), /All 5 points agree/);
  // One point is drawn off by a hand's breadth: which fits worst is said.
  const two = page.locator('.photo-point[data-point="2"]');
  const [x, y] = await middle(two.locator('circle'));
  await drag(page, two.locator('circle'), [x + 40, y]);
  await page.click('.squaring .do');
  await page.waitForURL('**/photo?**');
  assert.match(await page.innerText('.photo-side'), /fits worst/);
  // Back by the keys' own way: typed per cents.
  await page.fill('[name="p2-x"]', '16.017');
  await page.fill('[name="p2-y"]', '57.884');
  await page.click('.squaring .do');
  await page.waitForURL('**/photo?**');
  // Crossed points are refused, and stay.
  await page.fill('[name="p3-across"]', '164');
  await page.fill('[name="p3-up"]', '96');
  await page.fill('[name="p4-across"]', '147 1/2');
  await page.fill('[name="p4-up"]', 'fourteen');
  await page.click('.squaring .do');
  assert.match(await page.innerText('.problem'), /Point 4, up/);
  await page.fill('[name="p4-up"]', '14');
  await page.click('.squaring .do');
  assert.match(await page.innerText('.problem'), /crossed/);
  assert.equal(await page.inputValue('[name="p4-across"]'), '147 1/2');
  assert.deepEqual(await faults(page), []);
  // Holes that were drilled: as the plan has them they are all in their places; one that is drawn half a hand off is named.
  await page.goto(site.base + '/jobs/6/photo?wall=w1');
  await page.click('.holes-form .do');
  await page.waitForSelector('.seen-holes');
  // What is dragged before the page has its script stays where it is.
  await page.waitForLoadState('load');
  assert.equal(await page.locator('.seen-holes .off').count(), 0);
  const hole = page.locator('.photo-point.hole').first();
  const number = (await hole.textContent()).trim();
  const [hx, hy] = await middle(hole.locator('circle'));
  await drag(page, hole.locator('circle'), [hx + 30, hy]);
  await page.click('.holes-form .do');
  await page.waitForSelector('.seen-holes .off');
  assert.match(await page.innerText('.seen-holes .off'), new RegExp(`^Hole ${number} of the .* is off: .* to the right`));
  assert.equal(await page.locator('.seen-holes .off').count(), 1);
  page.faults.length = 0;
  // The plan has moved since the client agreed: they look at the picture, and agree anew.
  await page.goto(site.base + '/jobs/6/place?view=front');
  await page.waitForSelector('.scripted #drawing');
  assert.equal(await page.locator('#drawing .wall-photo').count(), 1);
  // Squared twice over by one person it is one value, and nobody has to choose.
  assert.equal(await page.locator('.rivals').count(), 0);
  await page.fill('#f-items-d1-place-height', '38');
  await page.press('#f-items-d1-place-height', 'Enter');
  await page.waitForFunction(() => document.querySelector('[data-mark="d1/bottom"] b').textContent.startsWith('38'));
  const client = await site.as('warden');
  await client.goto(site.base + '/jobs/6/place');
  const seen = client.locator('.on-wall img');
  await client.waitForFunction(() => document.querySelector('.on-wall img').naturalWidth > 1000);
  assert.match(await seen.getAttribute('alt'), /planned on it/);
  await client.click('.planned .do');
  await client.waitForSelector('.agreed a');
  // What they agreed on is kept as it was, and the crew opens it too.
  const kept = await client.getAttribute('.agreed a', 'href');
  for (const who of [client, page]) {
    const picture = await who.request.get(site.base + kept);
    assert.equal(picture.status(), 200);
    assert.equal(picture.headers()['content-type'], 'image/jpeg');
  }
  assert.deepEqual([...client.faults, ...page.faults], []);
  await client.context().close();
  await page.context().close();
});
