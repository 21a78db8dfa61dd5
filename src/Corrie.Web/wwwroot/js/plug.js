// What plugs into what: a port is drawn onto another one. The form beside it does the same.

function connect(from, to) {
  const form = document.getElementById('connect');
  if (!form || from === to || from.dataset.holder === to.dataset.holder) {
    return;
  }
  form.elements.from.value = from.dataset.holder;
  form.elements.fromPort.value = from.dataset.port;
  form.elements.to.value = to.dataset.holder;
  form.elements.toPort.value = to.dataset.port;
  form.requestSubmit();
}

const jackAt = event => document.elementFromPoint(event.clientX, event.clientY)?.closest('.jack[data-port]');

/** Lets ports be connected by hand. */
export function plug() {
  let held = null;
  const let_go = () => {
    held?.classList.remove('held');
    held = null;
  };
  document.addEventListener('pointerdown', down => {
    const jack = down.target.closest?.('.connections-drawing[data-edits="1"] .jack[data-port]');
    if (!jack || down.button > 0) {
      return;
    }
    down.preventDefault();
    jack.focus();
    const svg = jack.ownerSVGElement;
    const at = e => new DOMPoint(e.clientX, e.clientY).matrixTransform(svg.getScreenCTM().inverse());
    const wire = document.createElementNS('http://www.w3.org/2000/svg', 'line');
    wire.setAttribute('class', 'wire-in-hand');
    const begin = at(down);
    for (const [n, v] of [['x1', begin.x], ['y1', begin.y], ['x2', begin.x], ['y2', begin.y]]) {
      wire.setAttribute(n, v);
    }
    svg.append(wire);
    svg.classList.add('plugging');
    const over = new AbortController();
    let near = null;
    const end = () => {
      over.abort();
      wire.remove();
      near?.classList.remove('near');
      svg.classList.remove('plugging');
    };
    window.addEventListener('pointermove', e => {
      const p = at(e);
      wire.setAttribute('x2', p.x);
      wire.setAttribute('y2', p.y);
      near?.classList.remove('near');
      near = jackAt(e);
      near?.classList.add('near');
    }, over);
    window.addEventListener('pointerup', e => {
      const to = jackAt(e);
      end();
      if (to) {
        connect(jack, to);
      }
    }, over);
    window.addEventListener('pointercancel', end, over);
    window.addEventListener('keydown', e => {
      if (e.key === 'Escape') {
        end();
      }
    }, over);
  });
  document.addEventListener('keydown', event => {
    const jack = event.target.closest?.('.connections-drawing[data-edits="1"] .jack[data-port]');
    if (event.key === 'Escape') {
      let_go();
    }
    if (!jack || (event.key !== 'Enter' && event.key !== ' ')) {
      return;
    }
    event.preventDefault();
    if (held && held !== jack) {
      const from = held;
      let_go();
      connect(from, jack);
    } else if (held === jack) {
      let_go();
    } else {
      held = jack;
      jack.classList.add('held');
    }
  });
}
