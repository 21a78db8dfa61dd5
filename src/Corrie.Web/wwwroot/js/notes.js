// An arrow is drawn over a photo: from its words to what they speak of. The fields beside the picture are what is kept.

const field = name => document.querySelector(`.draws [name="${name}"]`);
const share = (event, area) => [(event.clientX - area.left) / area.width, (event.clientY - area.top) / area.height].map(v => Math.max(0, Math.min(1, v)));

function draw(svg, from, to) {
  const box = svg.viewBox.baseVal;
  let line = svg.querySelector('.photo-note.new path');
  if (!line) {
    const group = document.createElementNS('http://www.w3.org/2000/svg', 'g');
    group.setAttribute('class', 'photo-note new');
    line = document.createElementNS('http://www.w3.org/2000/svg', 'path');
    group.append(line);
    svg.append(group);
  }
  line.setAttribute('d', `M${from[0] * box.width} ${from[1] * box.height} L${to[0] * box.width} ${to[1] * box.height}`);
}

/** Lets arrows be drawn. */
export function notes() {
  document.addEventListener('pointerdown', down => {
    const svg = down.target.closest?.('.photo-notes[data-draws]');
    if (!svg || !document.querySelector('.draws')?.open) {
      return;
    }
    down.preventDefault();
    svg.setPointerCapture(down.pointerId);
    const from = share(down, svg.getBoundingClientRect());
    const over = new AbortController();
    svg.addEventListener('pointermove', move => draw(svg, from, share(move, svg.getBoundingClientRect())), over);
    svg.addEventListener('pointerup', up => {
      over.abort();
      const to = share(up, svg.getBoundingClientRect());
      draw(svg, from, to);
      ['x', 'y', 'toX', 'toY'].forEach((name, i) => { field(name).value = ([...from, ...to][i] * 100).toFixed(1); });
      field('says').focus();
    }, over);
    svg.addEventListener('pointercancel', () => { over.abort(); svg.querySelector('.photo-note.new')?.remove(); }, over);
  });
}
