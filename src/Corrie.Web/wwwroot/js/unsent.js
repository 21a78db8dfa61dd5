// What could not be sent is kept, marked where it was typed or dropped, and sent when the connection is back.
import { say } from './said.js';

const kept = [];
let sending = false;

const isSend = ({ verb }) => verb !== 'get';

/** What stands on the page and is not on the server. */
function places({ elt, formData }) {
  const things = [...document.querySelectorAll('[data-drag]')].filter(t => t.dataset.item === formData.get('item') && formData.has('across'));
  const fields = elt.matches?.('form') ? [...elt.elements].filter(f => f.matches('input:not([type="hidden"]), select, textarea') && f.value !== (f.defaultValue ?? '')) : [];
  const labels = fields.filter(f => !f.matches('select') || [...f.options].some(o => o.selected !== o.defaultSelected)).map(f => f.closest('label') ?? f.form);
  return things.length + labels.length > 0 ? [...things, ...labels] : [elt.closest?.('form, .way-out, .probe-card') ?? elt];
}

function show() {
  const bar = document.getElementById('unsent');
  bar.hidden = kept.length === 0;
  bar.querySelector('span').textContent = `${kept.length} ${kept.length === 1 ? 'change is' : 'changes are'} not sent. Sent as soon as there is a connection; leave this page open.`;
  document.querySelectorAll('.unsent').forEach(e => e.classList.remove('unsent'));
  kept.flatMap(places).forEach(e => e.classList.add('unsent'));
}

/** Sends what was kept, in the order in which it was done, and stops at the first that fails again. */
async function send() {
  if (sending) {
    return;
  }
  sending = true;
  for (let before = kept.length + 1; kept.length > 0 && kept.length < before;) {
    before = kept.length;
    const { path, formData } = kept.shift();
    const values = {};
    for (const key of new Set(formData.keys())) {
      const all = formData.getAll(key);
      values[key] = all.length > 1 ? all : all[0];
    }
    await htmx.ajax('POST', path, { target: '#board', swap: 'morph:outerHTML', values, headers: { 'X-Again': '1' } });
  }
  sending = false;
  show();
  if (kept.length === 0) {
    say('The connection is back: everything is sent.');
  }
}

/** Whether something waits to be sent. */
export const waits = () => kept.length > 0;

/** Tries again, where something waits. */
export function again() {
  if (waits()) {
    send();
  }
}

/** Keeps one that failed, in its place in the order. */
function keep({ elt, path, formData, headers }) {
  kept[headers['X-Again'] === '1' ? 'unshift' : 'push']({ elt, path, formData });
  show();
}

/** Keeps what cannot be sent. */
export function unsent() {
  document.body.addEventListener('htmx:sendError', ({ detail: { requestConfig } }) => {
    if (!isSend(requestConfig)) {
      say('No connection: the page stays as it is.');
    } else if ([...requestConfig.formData.values()].some(v => v instanceof File && v.size > 0)) {
      // A picture stays in its own field: it is sent by its own button.
      requestConfig.elt.classList.add('unsent');
      say('No connection: the picture is not sent. It stays chosen; press the button again when there is a connection.');
    } else {
      keep(requestConfig);
      say('No connection: not sent yet, and kept here.');
    }
  });
  // Sent again and refused: somebody has to sign in first, or the server has trouble. It is not lost.
  document.body.addEventListener('htmx:responseError', ({ detail: { requestConfig } }) => requestConfig.headers['X-Again'] === '1' && keep(requestConfig));
  // A board that comes in anew shows nothing of what waits.
  document.body.addEventListener('htmx:afterSettle', () => waits() && show());
  window.addEventListener('online', again);
  document.addEventListener('click', ({ target }) => target.closest('#unsent button') && send());
  window.addEventListener('beforeunload', event => waits() && event.preventDefault());
}
