// Works as a phone does on a bad day: requests are lost, held up, doubled, sent out of order and cut in the middle, the app is closed and the server is
// killed between. Then it is compared: what the phone called sent is there once and in its order, what it did not is still in its queue.
import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { freePort, launch, signIn, start } from './site.mjs';

const phone = { width: 390, height: 844 };

/** A generator of chances from a seed, the same each time. */
function chances(seed) {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A network between phone and server, which goes wrong as often as it is told to. */
async function network(site, chance) {
  const at = new URL(site.base);
  const port = await freePort();
  const counts = { through: 0, lost: 0, unheard: 0, doubled: 0, delayed: 0, cut: 0 };
  const state = { bad: 0, late: 0 };
  const pass = (method, url, headers, body, heard) => new Promise(done => {
    const on = request({ host: at.hostname, port: at.port, method, path: url, headers }, answer => {
      const parts = [];
      answer.on('data', part => parts.push(part));
      answer.on('end', () => { heard?.(answer, Buffer.concat(parts)); done(); });
      answer.on('error', () => { heard?.(null); done(); });
    });
    on.on('error', () => { heard?.(null); done(); });
    on.end(body);
  });
  const server = createServer((asked, answer) => {
    const parts = [];
    asked.on('data', part => parts.push(part));
    asked.on('error', () => {});
    asked.on('end', async () => {
      const body = Buffer.concat(parts);
      const headers = { ...asked.headers, host: at.host, ...(asked.headers.origin ? { origin: site.base } : {}), ...(asked.headers.referer ? { referer: asked.headers.referer.replace(/^http:\/\/[^/]+/, site.base) } : {}), connection: 'close' };
      const drop = () => asked.socket.destroy();
      const back = (said, bytes) => {
        if (!said) {
          drop();
        } else {
          const { 'transfer-encoding': _, connection: __, ...kept } = said.headers;
          answer.writeHead(said.statusCode, { ...kept, ...(kept.location ? { location: kept.location.replace(site.base, '') } : {}), 'content-length': bytes.length });
          answer.end(bytes);
        }
      };
      // Pages that stay open for news would hold everything up.
      if (asked.url.endsWith('/events')) {
        drop();
        return;
      }
      if (asked.method !== 'POST' || chance() >= state.bad) {
        counts.through++;
        await pass(asked.method, asked.url, headers, body, back);
        return;
      }
      const which = Math.floor(chance() * 5);
      if (which === 0) {
        counts.lost++;
        drop();
      } else if (which === 1) {
        counts.unheard++;
        await pass(asked.method, asked.url, headers, body);
        drop();
      } else if (which === 2) {
        counts.doubled++;
        await Promise.all([pass(asked.method, asked.url, headers, body), pass(asked.method, asked.url, headers, body, back)]);
      } else if (which === 3) {
        // The phone gives it up, and it arrives long after something else: out of order.
        counts.delayed++;
        drop();
        state.late++;
        setTimeout(async () => { await pass(asked.method, asked.url, headers, body); state.late--; }, 50 + (chance() * 1500));
      } else {
        counts.cut++;
        const half = body.subarray(0, Math.floor(body.length / 2));
        const on = request({ host: at.hostname, port: at.port, method: 'POST', path: asked.url, headers: { ...headers, 'content-length': String(body.length) } });
        on.on('error', () => {});
        on.write(half);
        setTimeout(() => { on.destroy(); drop(); }, 20);
      }
    });
  });
  await new Promise(done => { server.listen(port, '127.0.0.1', done); });
  return { base: `http://127.0.0.1:${port}`, counts, state, close: () => { server.closeAllConnections(); server.close(); } };
}

/** What waits on the device, from its own store. */
const waiting = page => page.evaluate(() => new Promise((done, fail) => {
  const asked = indexedDB.open('corrie-queue', 1);
  asked.onupgradeneeded = () => asked.result.createObjectStore('sends', { keyPath: 'n', autoIncrement: true });
  asked.onerror = () => fail(asked.error);
  asked.onsuccess = () => {
    const all = asked.result.transaction('sends').objectStore('sends').getAll();
    all.onsuccess = () => { asked.result.close(); done(all.result.map(i => ({ once: i.body.find(b => b[0] === 'once')[1], refused: i.refused ?? null }))); };
    all.onerror = () => fail(all.error);
  };
}));

/** Whether a process of a group is left. */
function alive(group) {
  try {
    process.kill(-group, 0);
    return true;
  } catch {
    return false;
  }
}

/** A browser of its own on a phone, whose store is on the disk: it is killed as a phone kills it, and begins again with what it kept. */
async function device(base, prepare) {
  const store = mkdtempSync(join(tmpdir(), 'corrie-phone-'));
  let [runs, connected, signed] = [null, null, []];
  async function begin() {
    const port = await freePort();
    runs = spawn(launch.executablePath, [...launch.args, '--headless=new', `--user-data-dir=${store}`, `--remote-debugging-port=${port}`, 'about:blank'], { stdio: 'ignore', detached: true });
    for (let tries = 0; connected === null; tries++) {
      try {
        connected = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      } catch (error) {
        if (tries > 150) {
          throw error;
        }
        await new Promise(r => { setTimeout(r, 100); });
      }
    }
    const [context] = connected.contexts();
    await context.addCookies(signed);
    await prepare(context);
    const page = await context.newPage();
    page.setDefaultTimeout(20_000);
    // Whoever leaves is asked about what is not sent, and leaves.
    page.on('dialog', dialog => dialog.accept());
    await page.setViewportSize(phone);
    if (signed.length === 0) {
      await signIn(page, base, 'tom');
      signed = await context.cookies();
    }
    return page;
  }

  async function kill() {
    // All of its processes at once, as a phone does: one that lives on would hold the store.
    const over = new Promise(r => { runs.once('exit', r); });
    process.kill(-runs.pid, 'SIGKILL');
    await over;
    for (let tries = 0; tries < 100 && alive(runs.pid); tries++) {
      await new Promise(r => { setTimeout(r, 20); });
    }
    await connected.close().catch(error => console.debug(error.message));
    connected = null;
  }

  return { begin, kill, end: async () => { await kill(); rmSync(store, { recursive: true, force: true, maxRetries: 20 }); } };
}

/** A small picture that no other is the same as, as a file to choose: noise, so that some take several pieces. */
export async function picture(page, seed, wide) {
  const base64 = await page.evaluate(([n, width]) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [width, width];
    const draw = canvas.getContext('2d');
    const bits = draw.createImageData(width, width);
    for (let i = 0, x = n + 1; i < bits.data.length; i++) {
      x = (Math.imul(x, 1664525) + 1013904223) >>> 0;
      bits.data[i] = i % 4 === 3 ? 255 : x >>> 24;
    }
    draw.putImageData(bits, 0, 0);
    return canvas.toDataURL('image/png').split(',')[1];
  }, [seed, wide]);
  return { name: `${seed}.png`, mimeType: 'image/png', buffer: Buffer.from(base64, 'base64') };
}

/**
 * Works rounds of one phone.
 * @param count how many rounds, or as many as there is time for
 * @param seconds how long at the most
 * @param seed what the chances come from
 * @param said whether it says how far it is
 * @returns what was counted
 */
export async function rounds(count, seconds, seed = 1, said = false) {
  const chance = chances(seed);
  const site = await start();
  const between = await network(site, chance);
  const until = Date.now() + (seconds * 1000);
  const counted = { rounds: 0, entries: 0, readings: 0, ticks: 0, photos: 0, away: 0, closed: 0, killed: 0, offline: 0 };
  // What the phone has put into its store for good, in that order: from then on it says that it keeps it. It is told at once, since pages come and go.
  const made = [];
  // What did not get there: it went as any page sends it, which is right where a store keeps nothing.
  const unkept = [];
  const held = await device(between.base, async context => {
    await context.exposeBinding('keeps', (_, once) => {
      if (!made.includes(once)) {
        made.push(once);
      }
    });
    await context.addInitScript(() => {
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function keep(item, ...more) {
        const once = item?.body?.find(b => b[0] === 'once')?.[1];
        if (once) {
          this.transaction.addEventListener('complete', () => { window.keeps(once); });
        }
        return put.call(this, item, ...more);
      };
    });
  });
  try {
    let page = await held.begin();
    // What was sent leads on to another page, perhaps while this one is being opened.
    const open = async address => {
      for (let tries = 0; tries < 20; tries++) {
        try {
          await page.goto(between.base + address, { waitUntil: 'domcontentloaded' });
          await page.waitForFunction(wanted => window.location.href.endsWith(wanted) && document.querySelector('[data-follows]') !== null && document.readyState === 'complete', address, { timeout: 3000 });
          return;
        } catch (error) {
          if (tries === 19) {
            throw error;
          }
          await page.waitForTimeout(200);
        }
      }
    };
    const steps = ['room', 'dust', 'clean', 'tools'];
    for (; counted.rounds < count && Date.now() < until; counted.rounds++) {
      await page.context().setOffline(false);
      between.state.bad = 0;
      const kind = counted.rounds % 8 === 7 ? 'photo' : counted.rounds % 8 === 3 ? 'reading' : 'tick';
      const address = kind === 'reading' ? '/jobs/6/field?step=level' : `/jobs/6/day?step=${steps[counted.rounds % steps.length]}`;
      await open(address);
      const before = made.length;
      between.state.bad = .6;
      const offline = chance() < .2;
      if (offline) {
        counted.offline++;
        await page.context().setOffline(true);
      }
      if (kind === 'photo') {
        await page.setInputFiles('.step-photos input[type="file"]', await picture(page, counted.rounds, counted.rounds % 16 === 15 ? 600 : 40));
        await page.fill('.step-photos [name="says"]', `round ${counted.rounds}`);
        await page.click('.step-photos button', { noWaitAfter: true });
        counted.photos++;
      } else if (kind === 'reading') {
        await page.fill('[name="higher"]', `${(1 + (counted.rounds % 7)) / 64}`);
        await page.locator('.field-answer .do').first().click({ noWaitAfter: true });
        counted.readings++;
      } else {
        await page.fill('[name="note"]', `round ${counted.rounds}`);
        await page.click('.field-answer .do', { noWaitAfter: true });
        counted.ticks++;
      }
      counted.entries++;
      for (let tries = 0; tries < 2000 && made.length <= before; tries++) {
        await page.waitForTimeout(10);
      }
      if (made.length <= before) {
        unkept.push(await page.evaluate(n => ({ round: n, at: window.location.href, direct: document.querySelector('[data-direct]') !== null, problem: document.querySelector('.problem')?.textContent ?? null, note: document.querySelector('[name="note"]')?.value ?? null, queue: document.getElementById('queue')?.textContent.slice(0, 200) ?? null }), counted.rounds));
        if (said) {
          console.log(JSON.stringify(unkept.at(-1)));
        }
      }
      await page.waitForTimeout(chance() * 120);
      const fate = chance();
      if (fate < .1) {
        counted.away++;
        // What was sent may lead on to another page at this very moment.
        await page.goto('about:blank').catch(error => console.debug(error.message.split('\n')[0]));
      } else if (fate < .15) {
        counted.closed++;
        await held.kill();
        page = await held.begin();
      } else if (fate < .2) {
        counted.killed++;
        await site.kill();
        await site.again();
      }
      if (said && counted.rounds % 50 === 49) {
        console.log(`${counted.rounds + 1} rounds, ${made.length} entries kept`);
      }
    }

    // The signal is back for good.
    between.state.bad = 0;
    await page.context().setOffline(false);
    await open('/jobs/6/day');
    for (let i = 0; i < 120 && (between.state.late > 0 || (await waiting(page)).some(w => !w.refused)); i++) {
      await page.waitForTimeout(250);
    }
    const left = await waiting(page);
    const entries = await page.evaluate(async () => {
      const all = [];
      for (let after = 0; ;) {
        const list = await (await fetch(`/api/v1/jobs/6/entries?after=${after}`)).json();
        if (list.length === 0) {
          return all;
        }
        all.push(...list);
        after = list.at(-1).seq;
      }
    });
    return { counted, network: between.counts, left, entries, made, unkept };
  } finally {
    between.close();
    await held.end();
    await site.stop();
  }
}

/** Holds what was counted against what has to be. */
export function judge({ counted, left, entries, made, unkept }) {
  assert.deepEqual(left, [], 'what could be sent is sent, and nothing was refused');
  // The first change of each has the key itself; the others of one entry follow it.
  const there = entries.map(e => e.id).filter(id => /^[0-9a-f]{32}-0$/.test(id)).map(id => id.slice(0, 32));
  const said = { twice: there.filter((id, i) => there.indexOf(id) !== i), lost: made.filter(id => !there.includes(id)), strange: there.filter(id => !made.includes(id)).slice(unkept.length), outOfOrder: there.filter(id => made.includes(id)).filter((id, i, all) => i > 0 && made.indexOf(id) < made.indexOf(all[i - 1])) };
  assert.deepEqual(said, { twice: [], lost: [], strange: [], outOfOrder: [] }, 'each is there once, in the order of the phone');
  const photos = entries.filter(e => e.path.startsWith('/pictures/'));
  assert.equal(new Set(photos.map(e => e.value.picture)).size, counted.photos, 'every photo is another one');
  assert.equal(made.length + unkept.length, counted.entries);
  // A store that was killed while it wrote may keep nothing for a while; more than one in a hundred would be ours.
  assert.ok(unkept.length <= counted.rounds / 100, JSON.stringify(unkept));
}

if (process.argv[1]?.endsWith('rounds.mjs')) {
  const found = await rounds(Number(process.argv[2] ?? 1000), Number(process.argv[3] ?? 3600), Number(process.argv[4] ?? 1), true);
  console.log(JSON.stringify({ ...found.counted, network: found.network, left: found.left.length }));
  judge(found);
  console.log(`${found.counted.entries} entries: each there once and in order, nothing left behind`);
}
