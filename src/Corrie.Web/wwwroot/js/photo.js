// Points of a photo are drawn onto what they stand for: the fields beside the picture are what is kept.

const fields = point => ['x', 'y'].map(f => document.querySelector(`[name="p${point.dataset.point}-${f}"]`));

/** Puts a point at shares of the picture, 0 to 1 both ways. */
function put(point, x, y) {
  const box = point.ownerSVGElement.viewBox.baseVal;
  const [across, down] = [x, y].map(v => Math.max(0, Math.min(1, v)));
  point.setAttribute('transform', `translate(${across * box.width} ${down * box.height})`);
  const [fx, fy] = fields(point);
  fx.value = (across * 100).toFixed(4);
  fy.value = (down * 100).toFixed(4);
}

/** Lets points be moved. */
export function photo() {
  document.addEventListener('pointerdown', down => {
    const point = down.target.closest?.('.photo-points[data-edits="1"] .photo-point');
    if (!point) {
      return;
    }
    down.preventDefault();
    point.focus();
    const svg = point.ownerSVGElement;
    const were = fields(point).map(f => Number(f.value) / 100);
    const area = svg.getBoundingClientRect();
    const over = new AbortController();
    const done = () => over.abort();
    point.setPointerCapture(down.pointerId);
    point.addEventListener('pointermove', e => put(point, were[0] + (e.clientX - down.clientX) / area.width, were[1] + (e.clientY - down.clientY) / area.height), over);
    point.addEventListener('pointerup', done, over);
    point.addEventListener('pointercancel', () => { put(point, ...were); done(); }, over);
    window.addEventListener('keydown', e => { if (e.key === 'Escape') { put(point, ...were); done(); } }, over);
  });
  document.addEventListener('keydown', e => {
    const point = e.target.closest?.('.photo-points[data-edits="1"] .photo-point');
    const sign = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (point && sign) {
      e.preventDefault();
      const step = e.shiftKey ? .01 : .0005;
      const [x, y] = fields(point).map(f => Number(f.value) / 100);
      put(point, x + sign[0] * step, y + sign[1] * step);
    }
  });
  document.addEventListener('input', e => {
    const row = e.target.name?.match(/^p(.+)-[xy]$/);
    const point = row && document.querySelector(`.photo-point[data-point="${row[1]}"]`);
    if (point) {
      const [x, y] = fields(point).map(f => Number(f.value) / 100);
      const box = point.ownerSVGElement.viewBox.baseVal;
      if (Number.isFinite(x) && Number.isFinite(y)) {
        point.setAttribute('transform', `translate(${Math.max(0, Math.min(1, x)) * box.width} ${Math.max(0, Math.min(1, y)) * box.height})`);
      }
    }
  });
}
