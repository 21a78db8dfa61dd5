// No hands: the step is read by the device's own voice, and next and back come from keys, also those of a headset.
const says = () => [...document.querySelectorAll('[data-says]')].map(e => e.innerText.replace(/\s+/g, ' ').replaceAll('⁄', '/').trim()).filter(Boolean).join('. ');
const KEY = 'corrie-aloud';

function speak() {
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(says());
  words.lang = document.documentElement.lang || 'en';
  speechSynthesis.speak(words);
}

const walk = rel => document.querySelector(`.field-walk [rel="${rel}"]`)?.click();

let listens = false;

function listen() {
  if (listens) {
    return;
  }
  listens = true;
  document.addEventListener('keydown', event => {
    if (event.target.matches('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const rel = { ArrowRight: 'next', ArrowLeft: 'prev', MediaTrackNext: 'next', MediaTrackPrevious: 'prev', PageDown: 'next', PageUp: 'prev' }[event.key];
    if (rel) {
      event.preventDefault();
      walk(rel);
    }
  });
  if ('mediaSession' in navigator) {
    try {
      navigator.mediaSession.setActionHandler('nexttrack', () => walk('next'));
      navigator.mediaSession.setActionHandler('previoustrack', () => walk('prev'));
    } catch (error) {
      // A browser without these actions has its keys still.
      console.debug(error);
    }
  }
}

/** Reads a step aloud where the device can, and walks by keys. */
export function aloud() {
  const button = document.querySelector('[data-aloud]');
  if (!document.querySelector('.field-walk')) {
    return;
  }
  listen();
  if (!button || !('speechSynthesis' in window)) {
    return;
  }
  button.hidden = false;
  document.querySelectorAll('[data-aloud-keys]').forEach(e => { e.hidden = false; });
  const on = () => sessionStorage.getItem(KEY) === 'yes';
  const show = () => { button.textContent = on() ? 'Stop reading aloud' : 'Read it aloud'; button.setAttribute('aria-pressed', String(on())); };
  button.addEventListener('click', () => {
    sessionStorage.setItem(KEY, on() ? 'no' : 'yes');
    show();
    if (on()) {
      speak();
    } else {
      speechSynthesis.cancel();
    }
  });
  show();
  if (on()) {
    speak();
  }
}
