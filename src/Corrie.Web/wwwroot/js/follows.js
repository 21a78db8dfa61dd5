// A field page follows its job: what others enter appears by itself, and what somebody is typing here stays.

// What is being sent, and what was asked back, stays as it is until somebody has seen it.
const busy = () => document.querySelector('[data-follows][data-busy], [data-follows] .problem') !== null;

const typing = () => [...document.querySelectorAll('.field-answer input:not([type="hidden"]), .field-answer textarea, .field-answer select')]
  .some(f => f === document.activeElement || (f.matches('select') ? [...f.options].some(o => o.selected !== o.defaultSelected) : f.value !== f.defaultValue));

let waiting = false;

async function renew() {
  const main = document.querySelector('[data-follows]');
  if (busy()) {
    return;
  }
  if (typing()) {
    waiting = true;
    main.querySelector('.news')?.remove();
    const news = document.createElement('p');
    news.className = 'field-changed news';
    news.setAttribute('role', 'status');
    news.innerHTML = 'Somebody has entered something since. What you typed stays. <button class="quiet" type="button">Show it</button>';
    news.querySelector('button').addEventListener('click', () => window.location.reload());
    main.prepend(news);
    return;
  }
  const answer = await fetch(window.location.href, { headers: { Accept: 'text/html' } });
  const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
  const fresh = page.querySelector('[data-follows]');
  // Somebody may have begun to type, or pressed, while the page came: from here to the change nothing is waited for.
  if (answer.ok && fresh && !busy()) {
    if (typing()) {
      await renew();
      return;
    }

    document.querySelector('[data-follows]').replaceWith(document.adoptNode(fresh));
    document.dispatchEvent(new CustomEvent('renewed'));
  }
}

/** Who else is there, and at which step. */
function here(others) {
  const box = document.querySelector('[data-here]');
  if (!box) {
    return;
  }
  box.hidden = others.length === 0;
  box.replaceChildren('Here now: ', ...others.flatMap(({ name, at }, i) => {
    const step = at && document.querySelector(`#step-${CSS.escape(at)} a`);
    const parts = [i > 0 ? '; ' : '', name];
    if (step) {
      const link = document.createElement('a');
      link.href = step.getAttribute('href');
      link.textContent = step.querySelector('span').textContent;
      parts.push(' at ', link);
    }
    return parts;
  }));
}

/** Follows the job of a field page. */
export function follows() {
  const job = document.querySelector('[data-follows]')?.dataset.follows;
  if (!job) {
    return;
  }
  const at = new URLSearchParams(window.location.search).get('step') ?? '';
  const stream = new EventSource(`/jobs/${job}/events?at=${encodeURIComponent(at)}`);
  let others = [];
  stream.addEventListener('here', event => {
    others = JSON.parse(event.data);
    here(others);
  });
  document.addEventListener('renewed', () => here(others));
  stream.addEventListener('moved', event => {
    if (Number(event.data) > Number(document.querySelector('[data-follows]').dataset.seq)) {
      renew().catch(() => {
        // No connection just now: the stream comes back by itself, and says again where the job is.
      });
    }
  });
  document.addEventListener('focusout', () => waiting && setTimeout(() => {
    if (waiting && !typing()) {
      waiting = false;
      renew().catch(() => { waiting = true; });
    }
  }, 0));
}
