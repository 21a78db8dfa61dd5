// What every page does: no-script buttons away, keys, live changes, and the wall.
import { aloud } from './aloud.js';
import { addresses, withQuery } from './address.js';
import { ask } from './ask.js';
import { notes } from './notes.js';
import { photo } from './photo.js';
import { pictures } from './pictures.js';
import { plug } from './plug.js';
import { along } from './along.js';
import { queue } from './queue.js';
import { presses } from './presses.js';
import { say, tell } from './said.js';
import { signs } from './sign.js';
import { slots } from './slots.js';
import { thrown } from './throw.js';
import { typed } from './typed.js';
import { follows } from './follows.js';
import { again, unsent } from './unsent.js';
import { wall } from './wall.js';
import { when } from './when.js';
import { zooming } from './zoom.js';

document.documentElement.classList.add('scripted');
document.addEventListener('click', event => {
  if (event.target.closest('[data-print]')) {
    window.print();
  }
  if (event.target.closest('[data-help]')) {
    help();
  }
});

// On an item of the catalogue the question lights up its measure on the drawing, and the measure leads to its question.
const measures = of => document.querySelectorAll(`.measure[data-of="${of}"]`);
for (const [event, lit] of [['focusin', true], ['focusout', false]]) {
  document.addEventListener(event, ({ target }) => {
    if (target.closest('.item-form')) {
      measures(target.id.slice(2)).forEach(m => m.classList.toggle('lit', lit));
    }
  });
}
document.addEventListener('click', ({ target }) => {
  const measure = target.closest('.measure');
  if (measure) {
    document.getElementById('m-' + measure.dataset.of)?.focus();
  }
});

const board = () => document.getElementById('board');

// Keys: letters for views, figures for steps. Not while something is typed, and never together with a control key.
document.addEventListener('keydown', event => {
  if (event.ctrlKey || event.metaKey || event.altKey) {
    return;
  }
  if (event.target.matches('input:not([type="radio"], [type="checkbox"]), select, textarea')) {
    // Out of the field, to the letter keys.
    if (event.key === 'Escape') {
      event.target.blur();
    }
    return;
  }
  if (event.key === '/') {
    const search = document.querySelector('[type="search"], .side-pane input:not([type="hidden"])');
    if (search) {
      event.preventDefault();
      search.focus();
    }
    return;
  }
  if (event.key === '?') {
    help();
    return;
  }
  if (event.key === 'n' && board()) {
    // To what is asked now, or to where it is asked.
    const asked = document.querySelector('.asked .fix, .probe-card .fix');
    if (asked) {
      event.preventDefault();
      asked.focus();
    } else {
      document.querySelector('.next a')?.click();
    }
    return;
  }
  const target = [...document.querySelectorAll('[data-key]')].find(e => e.dataset.key === event.key.toLowerCase());
  if (target && !target.disabled) {
    event.preventDefault();
    target.click();
  }
});

function help() {
  if (document.querySelector('dialog.keys')) {
    return;
  }
  const dialog = document.createElement('dialog');
  dialog.className = 'keys';
  const rows = [['F B S A', 'in front, behind, side, above'], ['1 2 3 …', 'the steps, from left to right'], ['U R', 'undo, redo'], ['N', 'to what is asked now; Tab goes through the answers'], ['/', 'to the first question, or to the search'],
    ['Two taps', 'on the wall, with nothing in hand: nearer, and away; two fingers do the same'],
    ['Escape', 'out of a field; ends a drag'],
    ['Arrows', 'on a thing: move it a step; with Shift an inch or a centimetre'], ['Arrows', 'on a hook: to the next datum']];
  dialog.innerHTML = '<h2>Keys</h2><dl></dl><form method="dialog"><a href="/guide">Guide</a> <button class="do">Close</button></form>';
  const step = window.location.pathname.match(/^\/jobs\/[0-9]+\/(survey|place|hang|fix|feed)/);
  if (step) {
    dialog.querySelector('a').href = `/guide/${step[1]}`;
  }
  for (const [key, words] of rows) {
    const [dt, dd] = [document.createElement('dt'), document.createElement('dd')];
    [dt.textContent, dd.textContent] = [key, words];
    dialog.querySelector('dl').append(dt, dd);
  }
  document.body.append(dialog);
  dialog.addEventListener('close', () => dialog.remove());
  dialog.showModal();
}

// Others' changes appear by themselves; the page fetches its board anew when the job has moved past what it shows.
let stream = null;
let sending = 0;
let missed = 0;
let refused = false;
let refresh = () => {};
let streaming = null;
function follow() {
  const job = board()?.dataset.job;
  if (job === streaming) {
    return;
  }
  stream?.close();
  stream = null;
  streaming = job;
  if (!job) {
    return;
  }
  stream = new EventSource(`/jobs/${job}/events`);
  refresh = seq => {
    const now = board();
    if (!now || Number(now.dataset.seq) >= seq) {
      return;
    }
    // What this page has sent itself brings its own answer: the news of it may come first.
    if (now.dataset.busy || sending > 0) {
      missed = Math.max(missed, seq);
      return;
    }
    htmx.ajax('GET', withQuery(now.dataset.here, 'handler=Board'), { target: '#board', swap: 'morph:outerHTML' });
  };
  // The first word of a line, also of one that was broken, is where the job is.
  stream.addEventListener('open', again);
  stream.addEventListener('moved', event => refresh(Number(event.data)));
}

// A button may stand outside its form; what it says goes along all the same.
let submitter = null;
document.addEventListener('submit', event => { submitter = event.submitter; }, true);
document.body.addEventListener('htmx:configRequest', ({ detail }) => {
  if (submitter?.form === detail.elt && submitter.name && !detail.formData.has(submitter.name)) {
    detail.formData.append(submitter.name, submitter.value);
  }
});

document.body.addEventListener('htmx:beforeRequest', () => { sending++; });
document.body.addEventListener('htmx:afterRequest', () => { sending--; });
document.body.addEventListener('htmx:afterSettle', () => {
  follow();
  if (missed > 0 && sending === 0) {
    const seq = missed;
    missed = 0;
    refresh(seq);
  }
  const wrong = document.querySelector('.says strong, .q.bad .says');
  if (wrong) {
    say(wrong.textContent);
  } else if (refused) {
    // A good entry takes the old error away.
    say('');
  }
  refused = Boolean(wrong);
});

// What was set, by whatever means, and what is wrong now: the drawing says it to those who see it.
let shown = 0;
document.body.addEventListener('htmx:afterSettle', ({ detail }) => {
  const [before, now] = [shown, Number(board()?.dataset.seq ?? 0)];
  shown = now;
  if (detail.requestConfig?.verb === 'post' && now > before) {
    const words = selector => document.querySelector(selector)?.textContent.replace(/\s+/g, ' ').trim() ?? '';
    tell(`${words('#walk form span').replace(/, just now$/, '')}. What is wrong: ${words('.findings h2 small')}.`);
  }
});
document.body.addEventListener('htmx:responseError', event => say(event.detail.xhr.status === 403 ? 'Your role does not allow this.' : 'That did not work; nothing was changed.'));

shown = Number(board()?.dataset.seq ?? 0);
addresses();
typed();
unsent();
ask();
presses();
follow();
wall();
when();
zooming();
photo();
notes();
signs();
thrown();
pictures();
slots();
plug();
aloud();
follows();
queue();
along();
document.addEventListener('renewed', () => { aloud(); along(); });
