// On a small screen the wall is brought nearer: two fingers, or two taps where no tool is in hand; then it is moved about by scrolling.
const most = 4;
const nearer = 2.5;
let zoom = 1;
let kept = null;

const hold = () => document.querySelector('.wall-hold');

/** Draws the wall at its zoom; what was at a place of the screen stays there. */
function apply(at) {
  const box = hold();
  const svg = box?.querySelector('.drawing');
  if (!svg) {
    return;
  }
  const before = svg.getBoundingClientRect();
  box.classList.toggle('zoomed', zoom > 1);
  svg.style.setProperty('width', zoom > 1 ? `${zoom * 100}%` : '');
  if (at) {
    const after = svg.getBoundingClientRect();
    box.scrollLeft += after.left + ((at.x - before.left) / before.width) * after.width - at.x;
    box.scrollTop += after.top + ((at.y - before.top) / before.height) * after.height - at.y;
  }
}

const middle = ([a, b]) => ({ x: (a.clientX + b.clientX) / 2, y: (a.clientY + b.clientY) / 2 });
const apart = ([a, b]) => Math.hypot(a.clientX - b.clientX, a.clientY - b.clientY);

/** Lets two fingers and two taps bring the wall nearer. */
export function zooming() {
  let pinch = null;
  let tapped = { time: 0, x: 0, y: 0 };
  document.addEventListener('touchstart', event => {
    if (event.touches.length === 2 && event.target.closest?.('.wall-hold')) {
      pinch = { from: zoom, apart: apart(event.touches) };
    }
  }, { passive: true });
  document.addEventListener('touchmove', event => {
    if (pinch && event.touches.length === 2) {
      event.preventDefault();
      zoom = Math.min(most, Math.max(1, pinch.from * apart(event.touches) / pinch.apart));
      apply(middle(event.touches));
    }
  }, { passive: false });
  document.addEventListener('touchend', event => {
    pinch = event.touches.length < 2 ? null : pinch;
  }, { passive: true });
  document.addEventListener('pointerup', event => {
    if (event.pointerType === 'mouse' || !event.target.closest?.('.wall-hold .drawing') || document.querySelector('.tools input:checked')?.value) {
      return;
    }
    const { clientX: x, clientY: y, timeStamp: time } = event;
    if (time - tapped.time < 320 && Math.hypot(x - tapped.x, y - tapped.y) < 30) {
      zoom = zoom > 1 ? 1 : nearer;
      apply({ x, y });
      tapped = { time: 0, x, y };
    } else {
      tapped = { time, x, y };
    }
  });
  document.body.addEventListener('htmx:beforeSwap', () => { kept = hold() && { left: hold().scrollLeft, top: hold().scrollTop }; });
  document.body.addEventListener('htmx:afterSettle', () => {
    if (zoom > 1) {
      apply(null);
      hold()?.scrollTo(kept ?? { left: 0, top: 0 });
    }
  });
}
