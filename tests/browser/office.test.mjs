// From nothing to a printed set-out, and what the office does around it.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { faults, mark, start } from './site.mjs';

let site;
before(async () => { site = await start(); });
after(async () => { await site?.stop(); });

const answered = async (page, act) => {
  const settles = await page.evaluate(() => window.settles);
  await act();
  await page.waitForFunction(n => window.settles > n, settles);
};
const type = (page, field, words) => answered(page, async () => {
  await page.fill(field, words);
  await page.press(field, 'Enter');
});
const add = (page, what) => answered(page, async () => {
  await page.selectOption('#add-what', what);
  await page.click('form:has(#add-what) button');
});
const choose = (page, field, item) => answered(page, () => page.selectOption(field, item));
const to = (page, key, view) => answered(page, () => page.click(`[data-key="${key}"]`)).then(() => view && answered(page, () => page.click(`.views [data-key="${view}"]`)));

test('a lead goes from an empty wall to a set-out sheet', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/new');
  await page.fill('#title', 'Boot room');
  await page.fill('#width', '13 ft');
  await page.fill('#height', '96');
  await page.selectOption('#site', { index: 0 });
  await page.click('.way .do >> nth=0');
  await page.waitForSelector('#drawing');
  assert.match(await page.innerText('.next'), /Next: Survey/);

  // Two studs, 54 and 70 in, each confirmed by what a bit met and where it fell through.
  for (const line of ['edges 53 1/4 to 54 3/4 @ 50', 'bites 54 1/2 @ 50', 'miss 54 29/32 @ 50', 'edges 69 1/4 to 70 3/4 @ 50', 'bites 70 1/2 @ 50', 'miss 70 29/32 @ 50']) {
    await type(page, '#evidence', line);
  }
  await answered(page, () => page.selectOption('#f-walls-w1-kind', 'wood-studs'));
  assert.equal(await page.locator('.members .confirmed').count(), 2);

  await to(page, '2');
  await add(page, 'display:d-50');
  await type(page, '#f-items-d1-place-height', '40');
  await type(page, '#f-items-d1-place-across', "5' 2\"");
  assert.equal(await mark(page, 'd1/bottom'), '40 up');
  await to(page, '3');
  await add(page, 'mount:m-flat16');
  await to(page, '4', 'b');
  await choose(page, '#f-items-m1-bolt', 'f-516');
  // By hand: a hit at 54 1/2 and a miss at 54 29/32, half a face and 1/32 in each, leave 53 23/32 to 54 3/16; half way is 53 15/16.
  assert.equal(await page.locator('.bolt').count(), 4);
  assert.equal(await mark(page, 'm1/bolts/1+3'), '53 15/16 across');
  assert.equal(await mark(page, 'm1/bolts/2+4'), '69 15/16 across');

  await page.click('text=Set-out sheet');
  await page.waitForSelector('.paper');
  const paper = await page.innerText('.paper');
  for (const words of ['Boot room', 'Hook line', 'Bolts 1, 3', 'Services not looked for']) {
    assert.ok(paper.includes(words), `the sheet does not say ${words}`);
  }
  const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
  assert.equal(pdf.match(/\/Type \/Page\b/g).length, 1);
  assert.deepEqual(page.faults, []);
  await page.context().close();
});

test('jobs are found by words and state, and what is not there says so', async () => {
  const page = await site.as('tom');
  await page.keyboard.press('/');
  await page.keyboard.type('corridor');
  await page.keyboard.press('Enter');
  await page.waitForURL('**search=corridor**');
  assert.deepEqual(await page.locator('.wall-card h2').allInnerTexts().then(t => t.map(w => w.split('\n')[0].trim().replace(/ \d+$/, ''))), ['Bunkhouse corridor']);
  await page.click('.states >> text=Stopped');
  await page.waitForSelector('.empty');
  assert.match(await page.innerText('.empty'), /No job fits corridor stopped/);
  await page.click('.empty a');
  assert.ok(await page.locator('.wall-card').count() >= 6);
  await page.context().close();
});

test('an item of the catalogue is changed for later jobs, and the jobs planned with it keep their copy', async () => {
  const page = await site.as('olive');
  await page.goto(site.base + '/catalogue/display/d-65');
  await page.fill('#m-height', '5//8');
  await page.click('.item-form .do');
  await page.waitForSelector('.problem');
  assert.equal(await page.inputValue('#m-height'), '5//8');
  await page.fill('#m-height', '33 in');
  await page.click('.item-form .do');
  await page.waitForFunction(() => document.querySelector('aside')?.innerText.includes('Version 2'));
  assert.match(await page.innerText('aside'), /Map room/);
  await page.goto(site.base + '/jobs/6/place?view=front');
  assert.equal(await mark(page, 'd1/top'), '68 3/4 up');
  const older = page.locator('.older', { hasText: 'The catalogue has other figures of the Living display, 65 in' });
  await older.locator('summary').click();
  assert.match(await older.innerText(), /Outer height: 32 3\/4 here, 33 in the catalogue/);
  assert.match((await older.innerText()).replace(/\s+/g, ' '), /Moves: Living display, 65 in: 33 in high instead of 32 3\u20444 in/);
  await answered(page, () => older.locator('button').click());
  assert.equal(await older.count(), 0);
  // 36 in and the display's new 33.
  assert.equal(await mark(page, 'd1/top'), '69 up');
  await page.context().close();
});

test('the history says who set what from what, and what was taken back is struck out', async () => {
  const page = await site.as('tom');
  await page.goto(site.base + '/jobs/4/place?view=front');
  await type(page, '#f-items-d1-place-height', '47');
  await answered(page, () => page.click('[data-key="u"]'));
  await page.click('text=History');
  await page.waitForSelector('.scripted');
  assert.match(await page.innerText('.visit h2'), /Tom Birkett/);
  // In the reader's own time, which is not called UTC.
  assert.doesNotMatch(await page.innerText('.visit'), /UTC/);
  const lines = (await page.locator('.entries li').allInnerTexts()).map(l => l.replace(/\s+/g, ' '));
  assert.match(lines[0], /took back: display, height over the floor$/);
  assert.match(lines[1], /display, height over the floor: 46 in → 47 in taken back/);
  assert.deepEqual(await faults(page), []);
  await page.context().close();
});

test('whoever leaves is signed out, and the list says so on a phone too', async () => {
  const [ines, tom] = [await site.as('ines', { width: 390, height: 844 }), await site.as('tom')];
  await ines.goto(site.base + '/people');
  assert.ok(await ines.evaluate(() => document.documentElement.scrollWidth) <= 390);
  await ines.locator('tr', { hasText: 'Tom' }).getByText('Has left').click();
  await ines.waitForSelector('.fact');
  assert.match(await ines.innerText('.fact'), /Tom Birkett has left/);
  await tom.goto(site.base + '/jobs');
  assert.match(tom.url(), /sign-in/);
  await ines.locator('tr', { hasText: 'Tom' }).getByText('Is back').click();
  await ines.waitForFunction(() => document.querySelector('.fact')?.innerText.includes('is back'));
  assert.deepEqual(await faults(ines), []);
  await ines.context().close();
  await tom.context().close();
});

test('a measure on an item\'s drawing leads to its question, and lights up with it', async () => {
  const page = await site.as('ines');
  await page.goto(site.base + '/catalogue/mount/m-tilt24');
  await page.focus('#m-plateWidth');
  assert.deepEqual(await page.locator('.measure.lit').evaluateAll(all => all.map(m => m.dataset.of)), ['plateWidth']);
  assert.match(await page.locator('.measure.lit text').textContent(), /^24/);
  await page.locator('.measure[data-of="hookUp"] text').click();
  assert.equal(await page.evaluate(() => document.activeElement.id), 'm-hookUp');
  // Every question of the form stands under one heading.
  for (const [kind, item, asked] of [['mount', 'm-tilt24', 41], ['display', 'd-65', 23], ['fastener', 'f-38', 16]]) {
    await page.goto(`${site.base}/catalogue/${kind}/${item}`);
    assert.equal(await page.locator('.item-form fieldset .ask').count(), asked);
    assert.equal(await page.locator('legend:text("Besides")').count(), 0);
    assert.deepEqual(await faults(page), []);
  }
  await page.context().close();
});

test('an item is drawn while it is typed, its slots are dragged, and a bare pattern is in millimetres', async () => {
  const page = await site.as('ines');
  const drawn = act => Promise.all([page.waitForResponse(r => r.url().includes('handler=Draw')), act()]).then(() => page.waitForTimeout(60));
  const figure = of => page.locator(`.measure[data-of="${of}"] text`).textContent();
  await page.goto(site.base + '/catalogue/display/new');
  await page.click('.start-from >> text="65 in"');
  await page.waitForSelector('.scripted #m-name[value^="Typical"]');
  assert.equal(await page.inputValue('#m-typical'), 'true');
  await drawn(() => page.fill('#m-width', '56 1/2'));
  assert.match(await figure('width'), /^56/);
  await drawn(() => page.fill('#m-vesaWidth', '200'));
  assert.equal(await figure('vesaWidth'), '200');
  await drawn(() => page.fill('#m-height', '5//8'));
  assert.match(await page.innerText('#w-height'), /no number below the slash/);
  await drawn(() => page.fill('#m-height', '32'));
  assert.equal(await page.innerText('#w-height'), '');
  await page.fill('#m-name', 'Meeting display');
  await page.click('.item-form .do');
  await page.waitForFunction(() => document.querySelector('aside')?.innerText.includes('Version 1'));
  assert.equal(await page.inputValue('#m-vesaWidth'), '200');

  await page.goto(site.base + '/catalogue/mount/m-flat16');
  await page.waitForSelector('.scripted #drawn svg');
  const end = await page.locator('[data-slot="0-1"] [data-part="to"]').boundingBox();
  const scale = await page.evaluate(() => { const svg = document.querySelector('#drawn svg'); return svg.getBoundingClientRect().width / svg.viewBox.baseVal.width * Number(svg.querySelector('[data-slot]').dataset.scale); });
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2);
  await page.mouse.down();
  await page.mouse.move(end.x + end.width / 2 - scale / 2, end.y + end.height / 2, { steps: 4 });
  await drawn(() => page.mouse.up());
  // Half an inch to the left of 9 in.
  assert.equal(await page.inputValue('#row-0-1-to'), '8 1/2');
  await page.click('button:has-text("Add a row")');
  await page.waitForSelector('.scripted [name="row-2-id"]');
  await page.fill('[name="row-2-aboveHook"]', '-3');
  await drawn(() => page.fill('#row-2-0-from', '0'));
  assert.equal(await page.locator('[data-slot^="2-"]').count(), 1);
  await page.click('.item-form .do');
  await page.waitForFunction(() => document.querySelector('aside')?.innerText.includes('Version 2'));
  assert.deepEqual([await page.inputValue('#row-0-1-to'), await page.inputValue('#row-2-0-to')], ['8 1/2', '0']);
  assert.deepEqual(await faults(page), []);
  await page.context().close();
});

test('a job is renamed, copied and archived from the list, and found again', async () => {
  const page = await site.as('ines');
  const card = words => page.locator('.wall-card', { hasText: words });
  await card('Lakeside terrace').locator('summary').click();
  await card('Lakeside terrace').locator('[name="title"]').fill('  ');
  await card('Lakeside terrace').locator('text=Rename').click();
  assert.match(await page.innerText('.problem'), /A job needs a name/);
  await page.locator('.card-more[open] [name="title"]').fill('Terrace by the lake');
  await page.locator('.card-more[open] >> text=Rename').click();
  await page.waitForURL('**/jobs');
  await card('Terrace by the lake').locator('summary').click();
  await card('Terrace by the lake').locator('text="Archive"').click();
  await page.waitForURL('**/jobs');
  assert.equal(await card('Terrace by the lake').count(), 0);
  await page.click('.states >> text=Archived');
  assert.equal(await card('Terrace by the lake').count(), 1);
  await card('Terrace by the lake').locator('summary').click();
  await card('Terrace by the lake').locator('text=Start a like job').click();
  await page.waitForSelector('#board');
  assert.match(await page.innerText('h1'), /Like Terrace by the lake/);
  await page.goto(site.base + '/jobs?search=terrace');
  assert.equal(await page.locator('.wall-card').count(), 2);
  assert.deepEqual(page.faults.filter(f => !f.includes('422')), []);
  const [file] = await Promise.all([page.waitForEvent('download'), page.goto(site.base + '/jobs/3/place').then(() => page.click('text=Job file'))]);
  assert.match(file.suggestedFilename(), /^0[0-9]+-.* [0-9]{4}-[0-9]{2}-[0-9]{2}\.json$/);
  await page.context().close();
});

test('a client sees what concerns them and agrees by themselves, once for each place', async () => {
  const [client, tom] = [await site.as('warden'), await site.as('tom')];
  await client.goto(site.base + '/jobs/6/place?view=front');
  assert.match(await client.innerText('.client-pane'), /agreed to this place/);
  assert.equal(await client.locator('button:disabled, input:disabled, select:disabled, .steps, .foot').count(), 0);
  await tom.goto(site.base + '/jobs/6/place?view=front');
  await type(tom, '#f-items-d1-place-height', '38');
  // What moved is shown by itself, and is to be agreed to anew.
  await client.waitForSelector('text=I agree to this place');
  assert.match((await client.innerText('.client-pane')).replace(/\s+/g, ' '), /bottom edge 38 in over the floor/);
  await answered(client, () => client.click('text=I agree to this place'));
  assert.match(await client.innerText('.client-pane'), /The warden agreed to this place/);
  await tom.waitForFunction(() => document.querySelector('.side-pane').textContent.includes('The warden agreed'));
  assert.deepEqual(await faults(client), []);
  assert.deepEqual(client.faults, []);
  await client.context().close();
  await tom.context().close();
});
