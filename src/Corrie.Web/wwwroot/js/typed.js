// What somebody is typing is theirs: it is sent once, and no answer but its own takes it away.

let answered = null;
const isField = element => element.matches?.('input:not([type="hidden"]), textarea, select');
const isNew = field => field.name.includes('/_/');

/** Whether a field holds something that the page did not have. */
function touched(field) {
  if (field.type === 'checkbox') {
    return field.checked !== field.defaultChecked;
  }
  return field.matches('select') ? [...field.options].some(o => o.selected !== o.defaultSelected) : field.value !== field.defaultValue;
}

/** Whether a field was refused, and the answer that comes in is to something else: it stays, with its reason, until it is mended. */
const waits = (field, mine) => field.getAttribute('aria-invalid') === 'true' && !mine;

/** Whether a part of the page stays as it is when the board is brought up to date. */
function stays(old, next) {
  if (old.matches?.('.says')) {
    const field = old.closest('label, form')?.querySelector('[aria-invalid="true"]');
    return Boolean(field) && waits(field, field.form === answered?.elt);
  }
  // What is in the hand stays there.
  if (old.name === 'tool' && old.type === 'radio') {
    return old.value === next.value;
  }
  if (!isField(old) || old.id !== next.id || old.name !== next.name) {
    return false;
  }
  const mine = old.form !== null && old.form === answered?.elt;
  if (waits(old, mine)) {
    return true;
  }
  // What was sent comes back as it was understood, unless more has been typed since.
  return touched(old) && !(mine && (old.type === 'checkbox' || answered.formData.get(old.name) === old.value)) && (isNew(old) || !old.matches('select') || !mine);
}

/** Sends fields when they are left or chosen, and keeps what is being typed. */
export function typed() {
  if (window.Idiomorph) {
    const { callbacks } = window.Idiomorph.defaults;
    callbacks.beforeNodeMorphed = (old, next) => {
      // What becomes another fold is as that one is.
      if (old.matches?.('details') && old.id !== next.id) {
        old.open = next.hasAttribute('open');
      }
      // The browser compares and replaces whole pieces faster than node after node.
      if (old.firstElementChild && old.isEqualNode(next) && ![...old.querySelectorAll('input, textarea, select')].some(touched)) {
        return false;
      }
      if (old.id === 'drawing' && !old.contains(document.activeElement)) {
        [...old.attributes].filter(a => !next.hasAttribute(a.name)).forEach(a => old.removeAttribute(a.name));
        [...next.attributes].forEach(a => old.setAttribute(a.name, a.value));
        old.replaceChildren(...next.childNodes);
        return false;
      }
      return !stays(old, next);
    };
    // What somebody has folded away stays folded, and what they have opened stays open.
    callbacks.beforeAttributeUpdated = (name, node, kind) => !(name === 'open' && node.matches?.('details') && !(kind === 'update' && node.matches('.thing')));
  }

  // Enter makes a change and a submit of one field: they are sent as one.
  const waiting = new WeakMap();
  // Going through a list with the arrows is no choice yet: it is sent when one leaves it or presses Enter.
  let browsing = null;
  document.addEventListener('keydown', event => {
    if (event.target.matches('select')) {
      browsing = event.key === 'Enter' || event.key === 'Tab' ? browsing : event.target;
      if (event.key === 'Enter' && browsing?.dataset.chosen) {
        event.preventDefault();
        chosen(browsing);
      }
    }
  }, true);
  document.addEventListener('pointerdown', () => { browsing = null; }, true);
  document.addEventListener('focusout', ({ target }) => target.dataset?.chosen && chosen(target));
  function chosen(select) {
    delete select.dataset.chosen;
    browsing = null;
    select.dispatchEvent(new Event('change', { bubbles: true }));
  }
  document.addEventListener('change', ({ target }) => {
    if (target === browsing) {
      target.dataset.chosen = '1';
      return;
    }
    if (target.matches('[data-submit]') || (target.closest('form.asks') && !isNew(target))) {
      const { form } = target;
      waiting.set(form, setTimeout(() => form.requestSubmit(form.querySelector('.first') ?? undefined)));
    }
  });
  document.addEventListener('submit', ({ target }) => clearTimeout(waiting.get(target)), true);

  // In a row that is not there yet Enter adds it.
  document.addEventListener('keydown', event => {
    if (event.key === 'Enter' && event.target.matches('form.asks input') && isNew(event.target)) {
      event.preventDefault();
      event.target.closest('.new').querySelector('button[name="add"]').click();
    }
  });

  // Whoever opens a row goes on in it.
  let opened = '';
  let added = '';
  document.addEventListener('submit', ({ submitter }) => { added = submitter?.name === 'add' ? submitter.closest('[id]')?.id ?? '' : ''; }, true);
  document.addEventListener('click', ({ target }) => { opened = target.closest?.('a.row')?.closest('[id]')?.id ?? ''; });
  document.body.addEventListener('htmx:afterSettle', () => {
    document.getElementById(opened)?.querySelector('input, select')?.focus();
    opened = '';
    // After a row was added the next one begins.
    const next = document.getElementById(added);
    if (next && !next.querySelector('[aria-invalid="true"]')) {
      next.querySelector('input, select, textarea')?.focus();
    }
    added = '';
  });

  document.body.addEventListener('htmx:beforeSwap', ({ detail }) => { answered = detail.requestConfig; });
}
