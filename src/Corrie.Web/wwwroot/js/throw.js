// Throws the plan onto the wall: four points of the drawing are drawn onto four tapes, and the whole drawing goes with them.

/** The eight numbers of the picture of a plane: from four points to four others, by Gauss with the largest pivot. */
export function plane(from, to) {
  const rows = from.flatMap(([x, y], i) => {
    const [u, v] = to[i];
    return [[x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]];
  });
  for (let c = 0; c < 8; c++) {
    const best = rows.slice(c).reduce((b, r, i) => Math.abs(r[c]) > Math.abs(rows[b][c]) ? c + i : b, c);
    [rows[c], rows[best]] = [rows[best], rows[c]];
    if (Math.abs(rows[c][c]) < 1e-9) {
      return null;
    }
    for (let r = 0; r < 8; r++) {
      if (r !== c) {
        const f = rows[r][c] / rows[c][c];
        rows[r] = rows[r].map((v, i) => v - f * rows[c][i]);
      }
    }
  }
  return rows.map((r, i) => r[8] / r[i]);
}

const through = ([a, b, c, d, e, f, g, h], [x, y]) => [(a * x + b * y + c) / (g * x + h * y + 1), (d * x + e * y + f) / (g * x + h * y + 1)];

/** Whether four points go round one way, without a corner turned in: else the drawing would be folded. */
const sound = to => {
  const turns = to.map((p, i) => {
    const [q, r] = [to[(i + 1) % 4], to[(i + 2) % 4]];
    return (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]);
  });
  return turns.every(t => t > 1) || turns.every(t => t < -1);
};

export function thrown() {
  const page = document.getElementById('throw');
  const stage = page?.querySelector('.throw-stage');
  if (!stage) {
    return;
  }
  const svg = stage.querySelector('#thrown');
  const points = [...stage.querySelectorAll('.throw-point')];
  const check = stage.querySelector('.throw-check');
  const from = points.map(p => [Number(p.dataset.x), Number(p.dataset.y)]);
  const key = page.dataset.key;
  let to = null;

  const begin = () => {
    // The whole wall in the middle of what the words beside it leave free.
    const box = svg.viewBox.baseVal;
    const beside = Math.min(stage.clientWidth / 2, page.querySelector('.throw-words').offsetWidth);
    const scale = Math.min((stage.clientWidth - beside) / box.width, stage.clientHeight / box.height) * .8;
    const [dx, dy] = [beside + (stage.clientWidth - beside - box.width * scale) / 2, (stage.clientHeight - box.height * scale) / 2];
    return from.map(([x, y]) => [x * scale + dx, y * scale + dy]);
  };
  const show = () => {
    points.forEach((p, i) => p.setAttribute('transform', `translate(${to[i][0]} ${to[i][1]})`));
    stage.querySelector('.throw-outline').setAttribute('d', `M${to.map(p => p.join(' ')).join('L')}Z`);
    const found = sound(to) ? plane(from, to) : null;
    stage.classList.toggle('folded', found === null);
    if (found) {
      const [a, b, c, d, e, f, g, h] = found;
      svg.style.setProperty('transform', `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, 1].join(',')})`);
      const [x, y] = through(found, [Number(check.dataset.x), Number(check.dataset.y)]);
      check.setAttribute('transform', `translate(${x} ${y})`);
    }
  };
  const keep = () => localStorage.setItem(key, JSON.stringify({ from, to }));
  const kept = () => {
    try {
      const was = JSON.parse(localStorage.getItem(key));
      // Other points are taped now: where the old ones were helps nobody.
      return was && JSON.stringify(was.from) === JSON.stringify(from) ? was.to : null;
    } catch {
      return null;
    }
  };

  to = kept() ?? begin();
  show();
  stage.addEventListener('pointerdown', down => {
    const point = down.target.closest('.throw-point');
    if (!point) {
      return;
    }
    down.preventDefault();
    point.focus();
    const i = points.indexOf(point);
    const was = to[i];
    const over = new AbortController();
    point.setPointerCapture(down.pointerId);
    point.addEventListener('pointermove', e => { to[i] = [was[0] + e.clientX - down.clientX, was[1] + e.clientY - down.clientY]; show(); }, over);
    point.addEventListener('pointerup', () => { keep(); over.abort(); }, over);
    point.addEventListener('pointercancel', () => { to[i] = was; show(); over.abort(); }, over);
  });
  document.addEventListener('keydown', e => {
    const i = points.indexOf(document.activeElement);
    const sign = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (i >= 0 && sign) {
      e.preventDefault();
      const step = e.shiftKey ? 10 : 1;
      to[i] = [to[i][0] + sign[0] * step, to[i][1] + sign[1] * step];
      show();
      keep();
    } else if (e.key.toLowerCase() === 'h' && !e.target.closest('input, select')) {
      page.classList.toggle('bare');
    }
  });
  page.querySelector('[data-throw-full]').addEventListener('click', () => stage.requestFullscreen());
  page.querySelector('[data-throw-again]').addEventListener('click', () => {
    localStorage.removeItem(key);
    to = begin();
    show();
  });
}
