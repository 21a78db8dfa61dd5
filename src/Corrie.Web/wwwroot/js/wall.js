// Dragging on the wall: things and the tapes' hooks. Shown at once, settled by the server on release.
import { withQuery } from './address.js';
import { figures, perInch, perMillimetre, round } from './length.js';

const svgOf = element => element.closest('svg.drawing');

function style(svg) {
  return { system: svg.dataset.system, denominator: Number(svg.dataset.denominator), feet: svg.dataset.feet === '1' };
}

function point(svg, event) {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  return at;
}

function post(handler, values) {
  const board = document.getElementById('board');
  htmx.ajax('POST', withQuery(board.dataset.here, 'handler=' + handler), { target: '#board', swap: 'morph:outerHTML', values: { seen: board.dataset.seq, ...values } });
}

/** Looks at another thing of the wall. */
function choose(item) {
  const link = document.querySelector(`.things-of-wall a[href$="item=${item}"]:not([aria-current])`);
  link?.click();
}

function readout(svg, words, event) {
  const hold = svg.parentElement;
  let box = hold.querySelector('.readout');
  if (!box) {
    box = document.createElement('output');
    box.className = 'readout';
    hold.append(box);
  }
  box.textContent = words;
  const area = hold.getBoundingClientRect();
  box.style.setProperty('left', `${Math.max(0, Math.min(event.clientX - area.left + 18, area.width - box.offsetWidth - 4))}px`);
  box.style.setProperty('top', `${Math.max(0, event.clientY - area.top - 52)}px`);
}

function reading(units, datum, svg, back) {
  const off = units - datum;
  return (off < 0 ? back : '') + figures(Math.abs(off), style(svg));
}

/** Where a thing is after a drag of dx, dy pixels of the drawing, snapped to what the reader can read. */
function moved(svg, display, dx, dy) {
  const scale = Number(svg.dataset.scale);
  const step = Number(svg.dataset.step);
  const [across0, bottom0] = [Number(display.dataset.centre), Number(display.dataset.bottom)];
  const [datumX, datumY] = [Number(svg.dataset.datumAcross), Number(svg.dataset.datumUp)];
  const snap = (at, datum) => datum + round(at - datum, step);
  // What is not moved keeps its exact place.
  const across = Math.abs(dx) < 2 ? across0 : snap(across0 + dx / scale, datumX);
  const bottom = Math.abs(dy) < 2 ? bottom0 : snap(bottom0 - dy / scale, datumY);
  return { across: Math.max(0, Math.round(across)), bottom: Math.max(0, Math.round(bottom)) };
}

function show(svg, display, at) {
  const scale = Number(svg.dataset.scale);
  const dx = (at.across - Number(display.dataset.centre)) * scale;
  const dy = -(at.bottom - Number(display.dataset.bottom)) * scale;
  display.setAttribute('transform', `translate(${dx} ${dy})`);
  const item = display.dataset.item;
  for (const follower of svg.querySelectorAll(`[data-follow="${item}"]`)) {
    follower.setAttribute('transform', follower.dataset.axis === 'up' ? `translate(0 ${dy})` : `translate(${dx} 0)`);
    follower.querySelectorAll('.reading').forEach(r => r.classList.add('gone-now'));
  }
  svg.querySelectorAll(`[data-gone="${item}"], .tag`).forEach(g => g.classList.add('gone-now'));
}

function settle(svg) {
  svg.parentElement.querySelector('.readout')?.remove();
  const board = document.getElementById('board') ?? document.getElementById('practice');
  delete board.dataset.busy;
}

/** Follows one pointer until it is let go; Escape, a second finger or the system ends it without anything taken. */
function follow(element, { pointerId }, move, end) {
  const over = new AbortController();
  const { signal } = over;
  const done = taken => {
    over.abort();
    end(taken);
  };
  const own = act => e => e.pointerId === pointerId && act(e);
  element.setPointerCapture(pointerId);
  element.addEventListener('pointermove', own(move), { signal });
  element.addEventListener('pointerup', own(() => done(true)), { signal });
  element.addEventListener('pointercancel', own(() => done(false)), { signal });
  window.addEventListener('pointerdown', () => done(false), { signal, capture: true });
  window.addEventListener('keydown', e => {
    if (e.key === 'Escape') {
      e.stopPropagation();
      done(false);
    }
  }, { signal, capture: true });
}

const turnWords = turn => Math.abs(turn) < .5 ? 'straight' : `turned ${Math.abs(turn)}° to the ${turn > 0 ? 'left' : 'right'}`;

/** Turns the display on its arm; on the screen to the left is with the clock. */
function showTurn(swung, turn) {
  swung.setAttribute('transform', `rotate(${turn} ${swung.dataset.x} ${swung.dataset.y})`);
  // What is written there is what was; the readout says what is.
  svgOf(swung).querySelector('.swing-words')?.classList.toggle('gone-now', turn !== Number(swung.dataset.turn));
}

function sendTurn(swung, turn) {
  const at = `/items/${swung.dataset.item}/hang`;
  post('Change', { changes: `${at}/turn "${Math.abs(turn)} deg"\n${at}/turnSide "${turn > 0 ? 'left' : turn < 0 ? 'right' : 'either'}"` });
}

function startTurn(svg, swung, event) {
  const [x, y, before, most] = ['x', 'y', 'turn', 'most'].map(k => Number(swung.dataset[k]));
  const angle = e => {
    const to = point(svg, e);
    return Math.atan2(to.y - y, to.x - x) * 180 / Math.PI;
  };
  const from = angle(event);
  document.getElementById('board').dataset.busy = '1';
  let turn = before;
  const move = e => {
    // The nearest way round, whole degrees, as far as it goes.
    const by = ((angle(e) - from + 540) % 360) - 180;
    turn = Math.max(-most, Math.min(most, Math.round(before + by)));
    showTurn(swung, turn);
    readout(svg, turnWords(turn), e);
  };
  follow(swung, event, move, taken => {
    settle(svg);
    if (taken && turn !== before) {
      sendTurn(swung, turn);
    } else {
      showTurn(swung, before);
    }
  });
}

/** Where a display is on its way: 0 parked, 1 all the way down. Moves from the last pose, in pixels and degrees. */
function onWay(pulled, share) {
  const way = pulled.dataset.way.split(';').map(p => p.split(',').map(Number));
  const at = share * (way.length - 1);
  const leg = Math.min(way.length - 2, Math.floor(at));
  return way[leg].map((from, i) => from + (way[leg + 1][i] - from) * (at - leg));
}

function showWay(pulled, share) {
  const [x, y, tilt] = onWay(pulled, share);
  pulled.dataset.share = share;
  pulled.setAttribute('transform', `translate(${x} ${y}) rotate(${tilt} ${pulled.dataset.x} ${pulled.dataset.y})`);
}

function startWay(svg, pulled, event) {
  const from = point(svg, event);
  const [x0, y0] = onWay(pulled, Number(pulled.dataset.share ?? 1));
  const shares = Array.from({ length: 201 }, (_, i) => i / 200);
  const move = e => {
    const to = point(svg, e);
    const off = share => {
      const [x, y] = onWay(pulled, share);
      return Math.hypot(x - x0 - to.x + from.x, y - y0 - to.y + from.y);
    };
    const share = shares.reduce((best, s) => off(s) < off(best) ? s : best, 0);
    showWay(pulled, share);
    readout(svg, `${Math.round(share * 100)} % of the way`, e);
  };
  // Where it is left it stays until the drawing is made anew: a look, and nothing that the sheet keeps.
  follow(pulled, event, move, () => settle(svg));
}

function startThing(svg, display, event) {
  const from = point(svg, event);
  const board = document.getElementById('board');
  board.dataset.busy = '1';
  let at = null;
  const move = e => {
    const to = point(svg, e);
    at = moved(svg, display, to.x - from.x, to.y - from.y);
    show(svg, display, at);
    const [x, y] = [Number(svg.dataset.datumAcross), Number(svg.dataset.datumUp)];
    readout(svg, `centre ${reading(at.across, x, svg, '◂')}   bottom ${reading(at.bottom, y, svg, '▾')}`, e);
  };
  follow(display, event, move, taken => {
    settle(svg);
    if (taken && !at) {
      choose(display.dataset.item);
    } else if (at && taken) {
      post('Drag', { item: display.dataset.item, ...at });
    } else if (at) {
      show(svg, display, { across: Number(display.dataset.centre), bottom: Number(display.dataset.bottom) });
      svg.querySelectorAll('.gone-now').forEach(g => g.classList.remove('gone-now'));
    }
  });
}

/** The places on which a tape's hook can be dropped: where they are says the hook, what they are called the choice over the wall. */
function stopsOf(svg, axis) {
  const made = [...svg.querySelectorAll(`.hook-stop[data-axis="${axis}"]`)];
  const hook = svg.querySelector(`[data-hook="${axis}"]`);
  const choice = document.querySelector(`.from select[name$="/setOut/${axis}"]`);
  if (made.length > 0 || !hook || !choice) {
    return made;
  }
  const names = new Map([...choice.options].map(o => [o.value, o.text]));
  return hook.dataset.stops.split(' ').map(stop => {
    const [datum, at] = stop.split('=');
    const group = document.createElementNS('http://www.w3.org/2000/svg', 'g');
    group.setAttribute('class', 'hook-stop');
    Object.assign(group.dataset, { datum, axis, at, name: names.get(datum) ?? datum });
    hook.before(group);
    return group;
  });
}

/** Draws the places on which a hook can be dropped. */
function drawStops(svg, stops, axis) {
  const box = svg.viewBox.baseVal;
  for (const stop of stops.filter(s => !s.firstChild)) {
    const at = Number(stop.dataset.at);
    const [line, name] = ['line', 'text'].map(e => document.createElementNS('http://www.w3.org/2000/svg', e));
    line.setAttribute('class', 'hook-line');
    name.setAttribute('class', axis === 'up' ? 'hook-name' : 'hook-name turned');
    name.textContent = stop.dataset.name;
    const [x1, y1, x2, y2] = axis === 'up' ? [80, at, box.width - 12, at] : [at, box.height - 50, at, 30];
    for (const [key, value] of Object.entries({ x1, y1, x2, y2 })) line.setAttribute(key, value);
    const [x, y] = axis === 'up' ? [box.width - 16, at - 4] : [at - 4, 36];
    name.setAttribute('x', x);
    name.setAttribute('y', y);
    if (axis === 'across') {
      name.setAttribute('transform', `rotate(-90 ${x} ${y})`);
    }
    stop.append(line, name);
  }
}

function startHook(svg, hook, event) {
  const axis = hook.dataset.hook;
  const stops = stopsOf(svg, axis);
  if (stops.length === 0) {
    return;
  }
  drawStops(svg, stops, axis);
  document.getElementById('board').dataset.busy = '1';
  svg.classList.add('hooking', `hooking-${axis}`);
  const from = point(svg, event);
  let near = null;
  const move = e => {
    const to = point(svg, e);
    const along = axis === 'up' ? to.y : to.x;
    hook.setAttribute('transform', axis === 'up' ? `translate(0 ${to.y - from.y})` : `translate(${to.x - from.x} 0)`);
    near = stops.reduce((best, s) => Math.abs(s.dataset.at - along) < Math.abs(best.dataset.at - along) ? s : best, stops[0]);
    stops.forEach(s => s.classList.toggle('near', s === near));
    readout(svg, near.dataset.name, e);
  };
  follow(hook, event, move, taken => {
    svg.classList.remove('hooking', `hooking-${axis}`);
    stops.forEach(s => s.classList.remove('near'));
    hook.removeAttribute('transform');
    settle(svg);
    if (near && taken && near.dataset.datum !== hook.dataset.datum) {
      hookOn(axis, near.dataset.datum);
    }
  });
}

/** Hooks a tape: the same change as in the form over the wall. */
function hookOn(axis, datum) {
  const field = document.querySelector(`.from select[name$="/setOut/${axis}"]`);
  field.value = datum;
  field.form.requestSubmit();
}

/** The tool that is chosen beside the wall; none but on the survey step. */
const tool = () => document.querySelector('.tools input:checked')?.value ?? '';

/** Taps the wall with a tool: lines show where while the finger is down, the server takes it on release. */
function startTap(svg, chosen, event) {
  const practice = document.getElementById('practice');
  const board = document.getElementById('board') ?? practice;
  board.dataset.busy = '1';
  const [scale, left, floor, step] = ['scale', 'left', 'floor', 'step'].map(k => Number(svg.dataset[k]));
  const lines = ['aim', 'aim'].map(c => {
    const line = document.createElementNS('http://www.w3.org/2000/svg', 'line');
    line.setAttribute('class', c);
    svg.append(line);
    return line;
  });
  let at = null;
  const move = e => {
    const to = point(svg, e);
    at = { across: Math.max(0, round((to.x - left) / scale, step)), up: Math.max(0, round((floor - to.y) / scale, step)) };
    const [x, y] = [left + at.across * scale, floor - at.up * scale];
    const box = svg.viewBox.baseVal;
    for (const [name, value] of [['x1', x], ['x2', x], ['y1', 0], ['y2', box.height]]) lines[0].setAttribute(name, value);
    for (const [name, value] of [['x1', 0], ['x2', box.width], ['y1', y], ['y2', y]]) lines[1].setAttribute(name, value);
    readout(svg, `${reading(at.across, Number(svg.dataset.datumAcross), svg, '◂')} across   ${reading(at.up, Number(svg.dataset.datumUp), svg, '▾')} up`, e);
  };
  follow(svg, event, move, taken => {
    lines.forEach(line => line.remove());
    settle(svg);
    if (!taken || !at) {
      return;
    }
    if (practice) {
      const did = [practice.dataset.did, `${chosen}${at.across}`].filter(Boolean).join(';');
      htmx.ajax('GET', `/practice/${practice.dataset.number}?did=${did}`, { source: practice, target: '#practice', select: '#practice', swap: 'morph:outerHTML' });
    } else if (chosen === 'stone') {
      corner(svg, at);
    } else if (chosen === 'tape') {
      tape(svg, at);
    } else {
      post('Tap', { tool: chosen, ...at });
    }
  });
  move(event);
}

// The corners of the stone in hand; it is closed by its first corner once more, by Enter, or given up by Escape.
let corners = [];
const near = 14;
function corner(svg, at) {
  const [scale, left, floor] = ['scale', 'left', 'floor'].map(k => Number(svg.dataset[k]));
  const place = c => [left + c.across * scale, floor - c.up * scale];
  if (corners.length > 2) {
    const [a, b] = [place(corners[0]), place(at)];
    if (Math.hypot(a[0] - b[0], a[1] - b[1]) < near) {
      close();
      return;
    }
  }
  corners.push(at);
  let outline = svg.querySelector('.tracing');
  if (!outline) {
    outline = document.createElementNS('http://www.w3.org/2000/svg', 'polyline');
    outline.setAttribute('class', 'tracing');
    svg.append(outline);
  }
  outline.setAttribute('points', corners.map(c => place(c).join()).join(' '));
  readout(svg, corners.length < 3 ? `${corners.length} of at least 3 corners` : `${corners.length} corners: tap the first again, or Enter`, { clientX: svg.getBoundingClientRect().left + 140, clientY: svg.getBoundingClientRect().top + 80 });
}

/** Sends the stone that is traced. */
function close() {
  const sent = corners.map(c => `${c.across},${c.up}`).join(';');
  drop();
  post('Stone', { corners: sent });
}

function drop() {
  corners = [];
  document.querySelectorAll('.tracing, .wall-hold .readout').forEach(e => e.remove());
}

/** Two taps name the two ends of a reading; what the tape shows is then typed. */
function tape(svg, at) {
  const scale = Number(svg.dataset.scale);
  const x = Number(svg.dataset.left) + at.across * scale;
  const stops = stopsOf(svg, 'across');
  const near = stops.reduce((best, s) => Math.abs(s.dataset.at - x) < Math.abs(best.dataset.at - x) ? s : best, stops[0]);
  // What is tapped far from everything that has a name is a member that is not on the sheet yet.
  const name = Math.abs(near.dataset.at - x) < 18 ? near.dataset.name : 'new stud';
  const line = document.getElementById('measure');
  if (!line.value.includes('->')) {
    line.value = `${name} -> `;
    readout(svg, `from the ${name}: tap the other end`, { clientX: svg.getBoundingClientRect().left + 140, clientY: svg.getBoundingClientRect().top + 80 });
    return;
  }
  svg.parentElement.querySelector('.readout')?.remove();
  line.value = `${line.value.split('->')[0].trim()} -> ${name} `;
  line.focus();
}

// A few strikes of an arrow key are one move: it is sent when the keys come to rest.
let nudge = null;
function key(svg, element, event) {
  const sign = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
  if (!sign) {
    return;
  }
  event.preventDefault();
  if (element.dataset.drag === 'way') {
    showWay(element, Math.max(0, Math.min(1, Number(element.dataset.share ?? 1) + (sign[0] - sign[1]) * .05)));
    return;
  }
  if (element.dataset.drag === 'turn') {
    const most = Number(element.dataset.most);
    nudge = Math.max(-most, Math.min(most, (nudge ?? Math.round(Number(element.dataset.turn))) - (sign[0] || sign[1]) * (event.shiftKey ? 15 : 1)));
    showTurn(element, nudge);
    clearTimeout(key.timer);
    key.timer = setTimeout(() => {
      const turn = nudge;
      nudge = null;
      sendTurn(element, turn);
    }, 350);
    return;
  }
  if (element.dataset.hook) {
    const axis = element.dataset.hook;
    const stops = stopsOf(svg, axis).sort((a, b) => a.dataset.at - b.dataset.at);
    const here = stops.findIndex(s => s.dataset.datum === element.dataset.datum);
    const next = stops[here + (axis === 'up' ? -sign[1] : sign[0])];
    if (next) {
      hookOn(axis, next.dataset.datum);
    }
    return;
  }
  const big = svg.dataset.system === 'in' ? perInch : 10 * perMillimetre;
  const step = event.shiftKey ? big : Number(svg.dataset.step);
  nudge ??= { across: Number(element.dataset.centre), bottom: Number(element.dataset.bottom) };
  nudge.across = Math.max(0, nudge.across + sign[0] * step);
  nudge.bottom = Math.max(0, nudge.bottom + sign[1] * step);
  show(svg, element, nudge);
  clearTimeout(key.timer);
  key.timer = setTimeout(() => {
    const at = { item: element.dataset.item, ...nudge };
    nudge = null;
    post('Drag', at);
  }, 350);
}

document.addEventListener('change', event => {
  if (event.target.matches('.tools input')) {
    document.getElementById('drawing')?.classList.toggle('aiming', event.target.value !== '');
  }
});

/** Listens on the document, so that a board that is swapped in needs nothing. */
export function wall() {
  document.addEventListener('pointerdown', event => {
    const svg = event.target.closest?.('svg.drawing[data-edits], #practice svg.drawing');
    if (!svg || event.button !== 0) {
      return;
    }
    const chosen = tool();
    if (svg.closest('#practice') && !chosen) {
      return;
    }
    if (chosen && !event.target.closest('[data-hook]') && svg.matches('.view-front, .view-behind')) {
      event.preventDefault();
      startTap(svg, chosen, event);
      return;
    }
    const hook = event.target.closest('[data-hook]');
    const display = event.target.closest('[data-drag]');
    if (hook) {
      event.preventDefault();
      startHook(svg, hook, event);
    } else if (display) {
      event.preventDefault();
      ({ turn: startTurn, way: startWay }[display.dataset.drag] ?? startThing)(svg, display, event);
    }
  });
  document.addEventListener('keydown', event => {
    if (corners.length > 0 && (event.key === 'Escape' || event.key === 'Enter')) {
      event.preventDefault();
      if (event.key === 'Enter' && corners.length > 2) {
        close();
      } else {
        drop();
      }
      return;
    }
    const element = event.target.closest?.('[data-hook], [data-drag]');
    if (element && svgOf(element)?.dataset.edits) {
      key(svgOf(element), element, event);
    }
  });
}
