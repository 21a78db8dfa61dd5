// What is entered on a field page goes through a queue on the device: it is kept there first, sent in order, once, and stays until the server has said
// that it is there, also if the app is closed in between.
import { say } from './said.js';

const STORE = 'sends';
const forms = '.field-answer form[method="post"], .day-steps form[method="post"], .step-photos form[method="post"]';
const PIECE = 512 * 1024;
// A network that takes a request and never answers is no connection either: what waits behind it is not held up for ever.
const LONGEST = 60_000;
const me = () => document.querySelector('.who a')?.textContent.trim() ?? '';
const job = () => document.querySelector('[data-follows]')?.dataset.follows;

let opened = null;
function db() {
  opened ??= new Promise((done, fail) => {
    const asked = indexedDB.open('corrie-queue', 1);
    asked.onupgradeneeded = () => asked.result.createObjectStore(STORE, { keyPath: 'n', autoIncrement: true });
    asked.onsuccess = () => done(asked.result);
    asked.onerror = () => fail(asked.error);
  });
  return opened;
}

async function run(mode, act) {
  const transaction = (await db()).transaction(STORE, mode);
  const asked = act(transaction.objectStore(STORE));
  return new Promise((done, fail) => {
    transaction.oncomplete = () => done(asked?.result);
    transaction.onerror = () => fail(transaction.error);
    transaction.onabort = () => fail(transaction.error);
  });
}

const all = () => run('readonly', store => store.getAll());
const put = item => run('readwrite', store => store.put(item));
const drop = n => run('readwrite', store => store.delete(n));

/** A reading that is not as planned: what comes after it is planned anew with it, on the server. */
const differs = (url, body) => body.some(([name, value]) => (['across', 'up', 'higher', 'gaps', 'layers', 'bottom', 'top'].includes(name) && value.trim() !== '') || (name === 'state' && value !== 'holds') || (name === 'held' && value !== 'yes') || (name === 'how' && value === 'otherwise'));

function line(item) {
  const row = document.createElement('li');
  row.dataset.item = item.n;
  row.textContent = `${item.says}${item.file ? `, photo of ${(item.file.size / 1e6).toFixed(1)} MB` : ''}${item.refused ? `: not taken. ${item.refused}` : ''} `;
  if (item.refused) {
    const [open, gone] = [document.createElement('a'), document.createElement('button')];
    open.href = item.page;
    open.textContent = 'Open the step';
    gone.type = 'button';
    gone.className = 'quiet';
    gone.textContent = 'Leave it out';
    gone.addEventListener('click', async () => { await drop(item.n); show(); });
    row.append(open, ' ', gone);
  }
  if (item.file && !item.refused) {
    const bar = document.createElement('progress');
    bar.max = item.file.size;
    bar.value = 0;
    bar.setAttribute('aria-label', 'how much of the photo is sent');
    row.append(bar);
  }
  return row;
}

async function show() {
  const items = await all();
  const main = document.querySelector('[data-follows]') ?? document.querySelector('main');
  document.getElementById('queue')?.remove();
  document.querySelectorAll('[data-held]').forEach(b => { b.disabled = false; delete b.dataset.held; });
  if (items.length === 0 || !main) {
    return;
  }
  const box = document.createElement('section');
  box.id = 'queue';
  box.className = 'field-caution';
  box.setAttribute('role', 'status');
  const waiting = items.filter(i => !i.refused).length;
  const others = items.filter(i => !i.refused && i.by !== me()).length;
  const words = document.createElement('p');
  words.textContent = [
    waiting > 0 ? `${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} on this device and not sent yet.` : '',
    others > 0 ? `${others} of them ${others === 1 ? 'waits' : 'wait'} for who entered ${others === 1 ? 'it' : 'them'} to sign in.` : '',
    items.some(i => i.refused) ? 'What the server did not take stands below.' : '',
  ].filter(Boolean).join(' ');
  const list = document.createElement('ul');
  list.append(...items.map(line));
  box.append(words, list);
  main.prepend(box);
  // A reading that differs moves marks that are not made yet, and only the server plans: those steps hold.
  const unsure = items.find(i => i.differs && !i.refused && i.job === job());
  if (unsure) {
    const hold = document.createElement('p');
    hold.className = 'field-stop';
    hold.textContent = 'Work holds at marks and bolts: a reading that is not as planned is not sent yet, and what this device shows of the places after it may not be trusted.';
    box.append(hold);
    document.querySelectorAll('.field-answer form[action*="/field"] button').forEach(b => {
      b.disabled = true;
      b.dataset.held = 'yes';
    });
  }
}

async function ask(url, what) {
  const gone = new AbortController();
  const over = setTimeout(() => gone.abort(), LONGEST);
  try {
    const answer = await fetch(url, { redirect: 'manual', ...what, signal: gone.signal });
    return { ok: answer.ok, status: answer.status, type: answer.type, text: await answer.text() };
  } finally {
    clearTimeout(over);
  }
}

const tokenOf = page => JSON.parse(page.body.getAttribute('hx-headers') || '{}').RequestVerificationToken;

async function post(item, token) {
  if (item.file) {
    return pieces(item, token);
  }
  const body = new FormData();
  item.body.filter(([name]) => name !== '__RequestVerificationToken').forEach(([name, value]) => body.append(name, value));
  body.append('__RequestVerificationToken', token);
  return ask(item.url, { method: 'POST', body, headers: { 'X-Queue': '1', Accept: 'text/html' } });
}

/** Sends a photo piece by piece, from where it was cut off; the last answer says where to go on. */
async function pieces(item, token) {
  const url = new URL(item.url);
  url.searchParams.set('handler', 'Piece');
  const once = item.body.find(([name]) => name === 'once')[1];
  const asked = await ask(`${url}&once=${once}`, { headers: { Accept: 'application/json' } });
  if (!asked.ok) {
    return asked;
  }
  for (let { have } = JSON.parse(asked.text); ;) {
    const body = new FormData();
    item.body.filter(([name]) => name !== '__RequestVerificationToken').forEach(([name, value]) => body.append(name, value));
    body.append('__RequestVerificationToken', token);
    body.append('offset', have);
    body.append('total', item.file.size);
    body.append('piece', item.file.slice(have, have + PIECE), 'piece');
    const answer = await ask(url, { method: 'POST', body, headers: { 'X-Queue': '1', Accept: 'text/html' } });
    const more = answer.ok ? JSON.parse(answer.text) : {};
    if (more.have === undefined) {
      return answer;
    }
    ({ have } = more);
    document.querySelectorAll(`[data-item="${item.n}"] progress`).forEach(p => { p.value = have; });
  }
}

/** Sends one; says where to go on, null where it was not taken, and throws where there is no connection or nobody is signed in. */
async function sent(item) {
  let answer = await post(item, tokenOf(document));
  if (answer.status === 400) {
    // A page that was kept has the token of another day.
    const page = new DOMParser().parseFromString((await ask(`/jobs/${item.job}/day`, { redirect: 'follow' })).text, 'text/html');
    answer = await post(item, tokenOf(page));
  }
  if (answer.ok) {
    return JSON.parse(answer.text).next;
  }
  if (answer.type === 'opaqueredirect' || answer.status === 401 || answer.status === 429 || answer.status >= 500) {
    throw new Error(`later: ${answer.status}`);
  }
  const page = new DOMParser().parseFromString(answer.text, 'text/html');
  item.refused = page.querySelector('.problem')?.textContent.trim() || (answer.status === 403 ? 'Your role does not allow it.' : 'The plan has moved on since: open the step and enter it again.');
  await put(item);
  return null;
}

/** Sends what waits, in order, from one page at a time. */
function flush() {
  return navigator.locks.request('corrie-queue', async () => {
    let next = null;
    for (const item of (await all()).filter(i => !i.refused && i.by === me())) {
      next = await sent(item);
      if (next !== null) {
        await drop(item.n);
      }
    }
    return next;
  });
}

async function enter(event) {
  const form = event.target;
  if (!form.matches?.(forms) || form.dataset.direct) {
    return;
  }
  event.preventDefault();
  const pressed = event.submitter;
  const data = new FormData(form, event.submitter);
  data.set('once', [...crypto.getRandomValues(new Uint8Array(16))].map(b => b.toString(16).padStart(2, '0')).join(''));
  data.set('at', new Date().toISOString());
  data.set('shown', document.querySelector('[data-follows]').dataset.seq);
  const body = [...data].filter(([, value]) => typeof value === 'string');
  // A photo is kept as it came from the camera; where nothing was chosen, the server says so.
  const file = [...data].map(([, value]) => value).find(value => value instanceof File && value.size > 0);
  const item = {
    url: form.action, body, job: job(), by: me(), page: window.location.href, differs: differs(form.action, body), ...(file ? { file } : {}),
    says: (form.closest('.day-steps li')?.querySelector('a span') ?? document.querySelector('.field-does'))?.innerText.trim() ?? 'An entry',
  };
  const main = document.querySelector('[data-follows]');
  main.dataset.busy = 'yes';
  form.querySelectorAll('button').forEach(b => { b.disabled = true; });
  try {
    item.n = await put(item);
  } catch (error) {
    // A device that keeps nothing more, or is told to keep nothing: it is sent as any page sends it, and stays as typed where that fails.
    console.debug(error);
    delete main.dataset.busy;
    form.querySelectorAll('button:not([data-held])').forEach(b => { b.disabled = false; });
    form.dataset.direct = 'yes';
    // Whatever the network does with it, it is there once.
    ['once', 'at', 'shown'].forEach(name => {
      const field = document.createElement('input');
      [field.type, field.name, field.value] = ['hidden', name, data.get(name)];
      form.append(field);
    });
    // While a form is being submitted it is not submitted again.
    setTimeout(() => form.requestSubmit(pressed));
    return;
  }
  if (file) {
    await show();
  }
  try {
    const next = await flush();
    const left = (await all()).find(i => i.n === item.n);
    if (left?.refused) {
      // Where somebody stands before it, it is asked back at once, with what was typed.
      await drop(item.n);
      document.querySelector('.problem')?.remove();
      const problem = document.createElement('p');
      problem.className = 'problem';
      problem.setAttribute('role', 'alert');
      problem.textContent = left.refused;
      form.before(problem);
      await show();
    } else {
      leave(next ?? window.location.href);
    }
  } catch (error) {
    console.debug(error);
    await show();
    say('No connection: it is kept on this device, and sent as soon as there is one.');
    form.closest('li')?.classList.add('kept');
    if (file) {
      form.reset();
    } else if (!form.closest('li') && !item.differs) {
      document.querySelector('.field-walk [rel="next"]')?.click();
    }
  } finally {
    delete main.dataset.busy;
    form.querySelectorAll('button:not([data-held])').forEach(b => { b.disabled = false; });
  }
}

function leave(next) {
  const url = new URL(next, window.location.href);
  if (url.pathname + url.search === window.location.pathname + window.location.search) {
    window.location.hash = url.hash;
    window.location.reload();
  } else {
    window.location.assign(url);
  }
}

async function again() {
  try {
    const waited = (await all()).some(i => !i.refused && i.by === me());
    await flush();
    await show();
    if (waited && (await all()).every(i => i.refused || i.by !== me())) {
      say('The connection is back: everything is sent.');
    }
  } catch (error) {
    // Still no connection: the queue stays as it is.
    console.debug(error);
    await show();
  }
}

/** Puts what is entered on field pages into the queue, and sends what waits there. */
export function queue() {
  if (!('indexedDB' in window) || !navigator.locks || !me()) {
    return;
  }
  document.addEventListener('submit', enter);
  window.addEventListener('online', again);
  document.addEventListener('renewed', show);
  setInterval(async () => { if ((await all()).some(i => !i.refused)) { again(); } }, 15_000);
  again();
}
