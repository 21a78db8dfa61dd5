// One answer is one answer: the next card takes the place of the one that was answered, and a thumb that comes down twice says nothing of it.
const pause = 1000;
let changed = -pause;

/** Keeps the next card from taking a second tap. */
export function probes() {
  document.addEventListener('submit', event => {
    if (event.target.id === 'probes' && performance.now() - changed < pause) {
      event.preventDefault();
      event.stopImmediatePropagation();
    }
  }, true);
  document.body.addEventListener('htmx:afterSettle', ({ detail }) => {
    if (detail.requestConfig?.elt?.id !== 'probes') {
      return;
    }
    changed = performance.now();
    const cards = [...document.querySelectorAll('.probe-card')];
    cards.forEach(card => card.classList.add('fresh'));
    setTimeout(() => cards.forEach(card => card.classList.remove('fresh')), pause);
    // What was asked next is read out, and Enter on it does nothing.
    (cards[0]?.querySelector('p') ?? document.querySelector('.members'))?.focus({ preventScroll: true });
  });
}
