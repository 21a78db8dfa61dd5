// What somebody is typing is theirs: it is sent once, and no answer but its own takes it away.

let answered = null;
const refused = new WeakSet();

/** What a form asks, whichever way the wall is turned: its handler and the part of the sheet that it is about. */
const asks = form => [
  new URLSearchParams(form.getAttribute('action')?.split('?')[1]).get('handler'),
  ...[...form.querySelectorAll('input[type="hidden"]')].filter(i => !['seen', '__RequestVerificationToken'].includes(i.name)).map(i => i.value),
].join();

/** Whether a part of the page stays as it is when the board is brought up to date. */
function stays(old, next) {
  if (old.matches?.('form')) {
    const stillRefused = old.querySelector('.says strong') && old !== answered?.elt && next.matches?.('form') && asks(old) === asks(next);
    refused[stillRefused ? 'add' : 'delete'](old);
    return false;
  }
  const form = old.closest?.('form');
  if (refused.has(form)) {
    // It stays, with the reason, until it is mended.
    return old.matches('.says, input:not([type="hidden"]), textarea');
  }
  if (!old.matches?.('input:not([type="hidden"]), textarea') || old.id !== next.id || old.name !== next.name) {
    return false;
  }
  const box = old.type === 'checkbox';
  const typed = box ? old.checked !== old.defaultChecked : old.value !== old.defaultValue;
  // What was sent comes back as it was understood, unless more has been typed since.
  return typed && !(form && form === answered?.elt && (box || answered.formData.get(old.name) === old.value));
}

/** Sends fields when they are left or chosen, and keeps what is being typed. */
export function typed() {
  if (window.Idiomorph) {
    const { callbacks } = window.Idiomorph.defaults;
    callbacks.beforeNodeMorphed = (old, next) => !stays(old, next);
    // What somebody has folded away stays folded.
    callbacks.beforeAttributeUpdated = (name, node) => !(name === 'open' && node.matches?.('details')) && !(name === 'class' && refused.has(node));
  }

  // Enter makes a change and a submit of one field: they are sent as one.
  const waiting = new WeakMap();
  document.addEventListener('change', ({ target }) => {
    if (target.matches('[data-submit]')) {
      waiting.set(target.form, setTimeout(() => target.form.requestSubmit()));
    }
  });
  document.addEventListener('submit', ({ target }) => clearTimeout(waiting.get(target)), true);

  document.body.addEventListener('htmx:beforeSwap', ({ detail }) => { answered = detail.requestConfig; });
}
