// Starts Corrie with fresh demo data on a free port, and a browser that is signed in.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chromium } from 'playwright-core';

const root = fileURLToPath(new URL('../../', import.meta.url));
const axe = readFileSync(join(root, 'node_modules/axe-core/axe.min.js'), 'utf8');
const passwords = { ines: 'chalk-line-1', tom: 'plumb-bob-2', olive: 'tape-hook-3', warden: 'stove-room-4' };

export const freePort = () => new Promise(resolve => {
  const server = createServer().listen(0, '127.0.0.1', () => {
    const { port } = server.address();
    server.close(() => resolve(port));
  });
});

/** The browser, and how it is told to keep to itself. */
export const launch = {
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
};

/** Signs somebody of the demo in. */
export async function signIn(page, base, who) {
  await page.goto(base + '/sign-in');
  await page.fill('#name', who);
  await page.fill('#password', passwords[who]);
  await page.click('.door-form .do');
  await page.waitForURL('**/jobs');
}

export async function start() {
  const data = mkdtempSync(join(tmpdir(), 'corrie-browser-'));
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const folder = join(root, 'src/Corrie.Web');
  const run = () => spawn('dotnet', [join(folder, 'bin/Release/net10.0/Corrie.Web.dll'), '--environment', 'Development', '--contentRoot', folder, '--Data', data, '--Demo', 'true', '--Urls', base], { stdio: ['ignore', 'pipe', 'pipe'] });
  let log = '';
  let server = null;
  async function again() {
    server = run();
    server.stdout.on('data', d => { log += d; });
    server.stderr.on('data', d => { log += d; });
    for (let i = 0; ; i++) {
      try {
        await fetch(base + '/sign-in');
        break;
      } catch {
        if (i > 150) {
          throw new Error('Corrie did not start: ' + log);
        }
        await new Promise(r => setTimeout(r, 200));
      }
    }
  }

  /** Kills the server in the middle of what it does. */
  async function kill() {
    const over = new Promise(r => server.once('exit', r));
    server.kill('SIGKILL');
    await over;
  }

  await again();
  const browser = await chromium.launch(launch);

  /** A page of somebody's own browser window, signed in; faults of the console are collected in page.faults. */
  async function as(who, viewport = { width: 1280, height: 800 }, more = {}, through = base) {
    const context = await browser.newContext({ viewport, serviceWorkers: 'block', ...more });
    const page = await context.newPage();
    page.setDefaultTimeout(20_000);
    // Tests wait for the page to have taken an answer in, not for some time to pass.
    await page.addInitScript(() => {
      window.settles = 0;
      document.addEventListener('htmx:afterSettle', () => { window.settles++; });
    });
    page.faults = [];
    page.on('pageerror', e => page.faults.push(e.message));
    page.on('console', m => m.type() === 'error' && !m.text().includes('422') && page.faults.push(m.text()));
    await signIn(page, through, who);
    return page;
  }

  async function stop() {
    await browser.close();
    server.kill('SIGTERM');
    await new Promise(r => server.once('exit', r));
    rmSync(data, { recursive: true, force: true });
  }

  return { base, as, stop, browser, kill, again };
}

/** Faults against WCAG 2.2 AA on a page, in short, and what of a template was left in its words. */
export async function faults(page) {
  if (!await page.evaluate(() => 'axe' in window)) {
    await page.evaluate(axe);
  }
  const { violations } = await page.evaluate(() => window.axe.run(document, { resultTypes: ['violations'], runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] }));
  // An '@' that follows a letter is no code to Razor: its condition is then read by the installer.
  const raw = await page.evaluate(() => document.body.innerText.match(/.{0,30}(@(if|foreach|for|switch|await|using)\b|<\/?text>| is null\b|=> ).{0,30}/)?.[0]);
  return [...raw ? [`a template shows through: ${raw}`] : [], ...violations.map(v => `${v.id}: ${v.nodes.slice(0, 3).map(n => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join(' | ')}`)];
}

/** What a mark reads in the set-out, as plain text. */
export const mark = (page, id) => page.locator(`[data-mark="${id}"] .mark-figures`).innerText().then(t => t.replace(/[\s\u2009\u00a0]+/g, ' ').replace('\u2044', '/').replace(/ ?\/ ?/, '/').trim());

/** Enters something on a field page, and waits until the server has answered: another page, or what was asked back. */
export async function enter(page, button) {
  await page.evaluate(() => {
    window.stays = true;
    document.querySelectorAll('.problem').forEach(p => p.remove());
  });
  await (typeof button === 'string' ? page.locator(button).first() : button).click();
  await page.waitForFunction(() => !window.stays || document.querySelector('.problem') !== null);
  await page.waitForLoadState('load');
}
