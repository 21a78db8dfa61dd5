// A signature is drawn with a finger; what is kept is its strokes as text, in the hidden field beside it.

const STEP = 3;
const MOST = 5900;

function ready(form) {
  if (form.dataset.signs === 'ready') {
    return;
  }
  form.dataset.signs = 'ready';
  const [field, pad, anew] = ['[name="drawn"]', '.signature', '[data-signs-anew]'].map(s => form.querySelector(s));
  const path = pad.querySelector('path');
  const { width, height } = pad.viewBox.baseVal;
  let last = null;
  const put = (event, kind) => {
    const area = pad.getBoundingClientRect();
    const at = [(event.clientX - area.left) / area.width * width, (event.clientY - area.top) / area.height * height].map((v, i) => Math.round(Math.max(0, Math.min([width, height][i], v))));
    if (field.value.length < MOST && (kind === 'M' || Math.hypot(at[0] - last[0], at[1] - last[1]) >= STEP)) {
      field.value = `${field.value} ${kind}${at[0]} ${at[1]}`.trim();
      path.setAttribute('d', field.value);
      last = at;
    }
  };
  // It is an image for who cannot draw: the typed name counts as well.
  pad.removeAttribute('hidden');
  pad.addEventListener('pointerdown', down => {
    down.preventDefault();
    pad.setPointerCapture(down.pointerId);
    anew.hidden = false;
    const over = new AbortController();
    put(down, 'M');
    pad.addEventListener('pointermove', move => put(move, 'L'), over);
    ['pointerup', 'pointercancel'].forEach(end => pad.addEventListener(end, () => over.abort(), over));
  });
  anew.addEventListener('click', () => {
    field.value = '';
    path.setAttribute('d', '');
    anew.hidden = true;
  });
}

/** Lets signatures be drawn, also on a page that was drawn anew. */
export function signs() {
  const all = () => document.querySelectorAll('form[data-signs]').forEach(ready);
  document.addEventListener('renewed', all);
  all();
}
