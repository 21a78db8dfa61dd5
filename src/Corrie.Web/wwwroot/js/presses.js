// One press is one answer: what comes next takes the place of what was answered, and a thumb that comes down twice says nothing of it. That holds
// for probes, for questions with answers to press, and for remedies.
const pause = 1000;
const answers = '.probe-card button, .asked .fix, .proposals .fix, .finding .fix';
let fresh = [];
let answered = null;

function settle(buttons) {
  fresh.forEach(button => button.classList.remove('fresh'));
  fresh = buttons;
  fresh.forEach(button => button.classList.add('fresh'));
}

/** Keeps what comes next from taking a second press. */
export function presses() {
  document.addEventListener('submit', event => {
    if (!event.submitter?.matches(answers)) {
      return;
    }
    if (fresh.includes(event.submitter)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      return;
    }
    answered = event.submitter.closest('.probe-card') ? 'probe' : 'other';
  }, true);
  document.body.addEventListener('htmx:afterSettle', ({ detail }) => {
    if (!answered) {
      // Who goes elsewhere on purpose has nothing put under the thumb; what others changed meanwhile may have been.
      settle(/handler=(Board|Wall)/.test(detail.requestConfig?.path) ? fresh : []);
      return;
    }
    const next = [...document.querySelectorAll(answers)];
    settle(next);
    setTimeout(() => fresh === next && settle([]), pause);
    if (answered === 'probe') {
      // What was asked next is read out, and Enter on it does nothing.
      (document.querySelector('.probe-card p') ?? document.querySelector('.members'))?.focus({ preventScroll: true });
    }
    answered = null;
  });
}
