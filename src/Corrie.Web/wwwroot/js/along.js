// Takes a day along: every step of it, and what its pages need, onto this device.
import { say } from './said.js';

const ALONG = 'corrie-along';
let registered = null;

const able = () => 'serviceWorker' in navigator && 'caches' in window && window.isSecureContext;

function register() {
  registered ??= navigator.serviceWorker.register('/sw.js').catch(error => {
    // A browser that is told to keep nothing works with a signal.
    console.debug(error);
    return null;
  });
  return registered;
}

async function space() {
  const { usage, quota } = await (navigator.storage?.estimate?.() ?? {});
  return usage === undefined ? '' : `; ${(usage / 1e6).toFixed(1)} of ${Math.round(quota / 1e6)} MB used`;
}

const stamp = job => `/jobs/${job}/day`;
const jobs = box => box.dataset.along.split(' ');

/** The pages of a job's day: each step, and what is looked up beside it. */
async function pagesOf(job) {
  const list = new DOMParser().parseFromString(await (await fetch(stamp(job))).text(), 'text/html');
  return [...[...list.querySelectorAll('.day-steps a')].map(a => a.getAttribute('href')), ...['in-wall', 'electrician', 'changes'].map(page => `/jobs/${job}/${page}`)];
}

async function shown(box) {
  const kept = await (await caches.open(ALONG)).match(stamp(jobs(box).at(-1)));
  if (kept) {
    const pages = (await (await caches.open(ALONG)).keys()).filter(r => jobs(box).some(job => new URL(r.url).pathname.startsWith(`/jobs/${job}/`))).length;
    box.querySelector('[data-along-says]').textContent = `${pages} pages are on this device, as of ${new Date(kept.headers.get('date') ?? Date.now()).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}${await space()}.`;
    box.querySelector('button').textContent = 'Take it along anew';
  }
}

async function take(box) {
  const button = box.querySelector('button');
  const says = box.querySelector('[data-along-says]');
  button.disabled = true;
  try {
    const cache = await caches.open(ALONG);
    const days = jobs(box).map(stamp);
    const pages = [...new Set((await Promise.all(jobs(box).map(pagesOf))).flat()), '/mine'];
    const parts = ['/sw.js', ...performance.getEntriesByType('resource').map(r => r.name).filter(n => n.startsWith(window.location.origin) && /\.(css|js|woff2|svg)(\?|$)/.test(n))];
    let done = 0;
    for (const address of [...new Set(parts), ...pages, ...days]) {
      const answer = await fetch(address, { cache: 'no-cache' });
      // The day itself is kept last: what it stands for is there then.
      if (answer.ok && !answer.redirected) {
        await cache.put(address, answer);
      }
      done++;
      says.textContent = `${done} of ${pages.length + days.length + new Set(parts).size} kept …`;
    }
    await shown(box);
    say('The day is on this device.');
  } catch (error) {
    console.debug(error);
    says.textContent = 'Not all of it could be kept: there is no connection. Press again when there is one.';
  } finally {
    button.disabled = false;
  }
}

/** Offers to take a day along, and forgets it with who signs out. */
export function along() {
  if (!able()) {
    return;
  }
  document.querySelector('form.who')?.addEventListener('submit', () => { caches.delete(ALONG); });
  const box = document.querySelector('[data-along]');
  if (document.querySelector('[data-follows], .mine')) {
    register();
  }
  if (!box) {
    return;
  }
  box.hidden = false;
  box.querySelector('button').onclick = () => take(box);
  shown(box);
}
