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

/** Keeps what cannot be sent. */
export function unsent() {
  document.body.addEventListener('htmx:sendError', ({ detail: { requestConfig } }) => {
    if (!isSend(requestConfig)) {
      say('No connection: the page stays as it is.');
      return;
    }
    const first = requestConfig.headers['X-Again'] === '1';
    kept[first ? 'unshift' : 'push']({ elt: requestConfig.elt, path: requestConfig.path, formData: requestConfig.formData });
    show();
    say('No connection: not sent yet, and kept here.');
  });
  // A board that comes in anew shows nothing of what waits.
  document.body.addEventListener('htmx:afterSettle', () => waits() && show());
  window.addEventListener('online', again);
  document.addEventListener('click', ({ target }) => target.closest('#unsent button') && send());
  window.addEventListener('beforeunload', event => waits() && event.preventDefault());
}
