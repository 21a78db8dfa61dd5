// Holes and slots of a plate are dragged on its drawing: the fields beside it are what is kept, and the drawing is made anew from them.
import { figures, perInch, perMillimetre, round } from './length.js';

const millimetres = () => document.querySelector('.plate-row .with-unit i')?.textContent === 'mm';

/** What stands in a field, in whole 1/640 mm; null where it is no plain figure. */
function read(field) {
  const [, minus, whole, over, under, unit] = field.value.trim().match(/^(-?)\s*([0-9.]+)?(?:\s*([0-9]+)\/([0-9]+))?\s*(in|mm)?$/) ?? [];
  if (whole === undefined && over === undefined) {
    return null;
  }
  const number = Number(whole ?? 0) + (over ? over / under : 0);
  return (minus ? -1 : 1) * Math.round(number * ((unit ?? (millimetres() ? 'mm' : 'in')) === 'mm' ? perMillimetre : perInch));
}

/** Lets slots be dragged. */
export function slots() {
  document.addEventListener('pointerdown', down => {
    const part = document.querySelector('form[data-draws]') && down.target.closest('[data-part]');
    const group = part?.closest('[data-slot]');
    if (!group) {
      return;
    }
    const [row, slot] = group.dataset.slot.split('-');
    const fields = ['from', 'to'].map(end => document.getElementById(`row-${row}-${slot}-${end}`));
    const were = fields.map(read);
    if (fields.includes(null) || were.includes(null)) {
      return;
    }
    down.preventDefault();
    const svg = group.ownerSVGElement;
    const perUnit = perInch / Number(group.dataset.scale) * (svg.viewBox.baseVal.width / svg.getBoundingClientRect().width);
    const step = millimetres() ? perMillimetre : perInch / 16;
    const [system, denominator] = millimetres() ? ['mm', 1] : ['in', 16];
    const put = by => {
      const ends = were.map((was, i) => (part.dataset.part === 'whole' || part.dataset.part === ['from', 'to'][i] ? round(was + by, step) : was));
      ends.sort((a, b) => a - b);
      fields.forEach((field, i) => { field.value = figures(ends[i], { system, denominator, feet: false }); });
      group.setAttribute('transform', part.dataset.part === 'whole' ? `translate(${by / perInch * Number(group.dataset.scale)} 0)` : '');
    };
    const move = event => put((event.clientX - down.clientX) * perUnit);
    const end = event => {
      document.removeEventListener('pointermove', move);
      document.removeEventListener('pointerup', end);
      document.removeEventListener('pointercancel', end);
      document.removeEventListener('keydown', given);
      if (event.type === 'pointerup') {
        fields[0].dispatchEvent(new Event('input', { bubbles: true }));
      } else {
        put(0);
      }
    };
    const given = event => event.key === 'Escape' && end(event);
    document.addEventListener('pointermove', move);
    document.addEventListener('pointerup', end);
    document.addEventListener('pointercancel', end);
    document.addEventListener('keydown', given);
  });
}
