// A finding leads to the question that clears it, with the cursor in it; a tag on the wall leads to its finding, and the finding lights its tag.

const field = 'input:not([type="hidden"]):not([type="radio"]):not([disabled]), select:not([disabled]), textarea, button:not([disabled])';

/** The question that is meant: by its own name, by the beginning of its name, or the first one that is open. */
function question(names) {
  for (const name of names.split(' ').filter(Boolean)) {
    const found = document.getElementById(name) ?? document.querySelector(`.questions [id^="${CSS.escape(name)}"]`);
    if (found) {
      return found.matches(field) ? found : found.querySelector(field) ?? found;
    }
  }
  const all = [...document.querySelectorAll('.questions input:not([type="hidden"]):not([type="radio"]), .questions select')].filter(f => !f.disabled && f.closest('form.asks'));
  return all.find(f => f.value === '') ?? all[0] ?? document.querySelector(`.questions ${field.split(',')[0]}`);
}

/** Shows something that may be folded away, and goes there. */
function reveal(element) {
  for (let fold = element.closest('details'); fold; fold = fold.parentElement.closest('details')) {
    fold.open = true;
  }
  element.scrollIntoView({ block: 'nearest' });
  element.focus({ preventScroll: true });
}

/** Leads from findings to questions and from tags to findings. */
export function ask() {
  let wanted = null;
  const go = () => {
    if (wanted !== null) {
      const element = question(wanted);
      wanted = null;
      if (element) {
        reveal(element);
      }
    }
  };
  document.addEventListener('click', event => {
    const link = event.target.closest('[data-ask]');
    if (link) {
      wanted = link.dataset.ask;
      // A question of this page is gone to at once; another page's when that has come.
      if (!link.hasAttribute('hx-get')) {
        event.preventDefault();
        go();
      }
    }
    const tag = event.target.closest('.tag[data-finding]');
    const finding = tag && document.getElementById(tag.dataset.finding);
    if (finding) {
      finding.open = true;
      reveal(finding.querySelector('summary'));
    }
  });
  for (const [event, lit] of [['focusin', true], ['focusout', false], ['pointerover', true], ['pointerout', false]]) {
    document.addEventListener(event, ({ target }) => {
      const finding = target.closest?.('details.finding');
      if (finding) {
        document.querySelectorAll(`.tag[data-finding="${CSS.escape(finding.id)}"]`).forEach(t => t.classList.toggle('lit', lit));
      }
    });
  }
  document.body.addEventListener('htmx:afterSettle', go);
  if (location.hash.startsWith('#ask=')) {
    wanted = decodeURIComponent(location.hash.slice(5));
    go();
  }
}
