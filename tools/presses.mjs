// How long it takes from a key to the new drawing on a processor slowed four times, by the browser's own trace, beside a page that does nothing but
// put the same bytes in place. Build first: dotnet build src/Corrie.Web -c Release
import { start } from '../tests/browser/site.mjs';

const slowed = 4;
const rounds = 6;
// Nobody asks the page meanwhile whether it is ready: that would have it paint frame after frame.
const longest = 800;
const keys = ['b', 's', 'a', 'f', '3', '4', '2'];
const site = await start();

/** The times from each key to the mark 'drawn' after it, in milliseconds, from a trace. */
async function traced(page, press) {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  const events = [];
  cdp.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  await cdp.send('Tracing.start', { traceConfig: { includedCategories: ['devtools.timeline', 'blink.user_timing'] }, transferMode: 'ReportEvents' });
  await press();
  const complete = new Promise(resolve => { cdp.once('Tracing.tracingComplete', resolve); });
  await cdp.send('Tracing.end');
  await complete;
  const downs = events.filter(e => e.name === 'EventDispatch' && e.args?.data?.type === 'keydown').map(e => e.ts).sort((a, b) => a - b);
  const drawn = events.filter(e => e.name === 'drawn').map(e => e.ts).sort((a, b) => a - b);
  return downs.map((down, i) => (drawn.find(d => d > down && !(d > downs[i + 1])) - down) / 1000).filter(Number.isFinite);
}

// Two frames on, what was put in place has been painted.
const marks = () => { window.drawn = () => requestAnimationFrame(() => requestAnimationFrame(() => performance.mark('drawn'))); };

async function wall() {
  const page = await site.as('ines');
  await page.goto(site.base + '/jobs/6/place?view=front');
  await page.waitForSelector('.scripted #drawing');
  await page.evaluate(marks);
  await page.evaluate(() => document.addEventListener('htmx:afterSettle', () => window.drawn()));
  return traced(page, async () => {
    for (let i = 0; i < rounds; i++) {
      for (const key of keys) {
        await page.keyboard.press(key);
        await page.waitForTimeout(longest);
      }
    }
  });
}

async function bare() {
  const page = await site.as('ines');
  await page.goto(site.base + '/guide');
  await page.evaluate(marks);
  await page.evaluate(() => {
    const address = { b: 'place?view=behind', s: 'place?view=side', a: 'place?view=above', f: 'place?view=front', 3: 'hang?view=front', 4: 'fix?view=front', 2: 'place?view=front' };
    document.addEventListener('keydown', async event => {
      event.stopImmediatePropagation();
      const answer = await fetch(`/jobs/6/${address[event.key]}&handler=Board`, { headers: { 'HX-Request': 'true' } });
      document.querySelector('#main').innerHTML = await answer.text();
      window.drawn();
    }, true);
  });
  return traced(page, async () => {
    for (let i = 0; i < rounds; i++) {
      for (const key of keys) {
        await page.keyboard.press(key);
        await page.waitForTimeout(longest);
      }
    }
  });
}

const middle = times => times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
const [here, there] = [await wall(), await bare()];
console.log(`From a key to the new drawing, processor slowed ${slowed} times: median ${middle(here).toFixed(0)} ms of ${here.length}; a page that only puts the same bytes in place: ${middle(there).toFixed(0)} ms of ${there.length}; ${(middle(here) / middle(there)).toFixed(2)} times.`);
await site.stop();
