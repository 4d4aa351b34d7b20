// The fold between bench and sketch: dragged, moved by keys, or folded away to either side. Which way it lies goes with the shape of the
// notebook, which the styles decide: 'pad' bound at the top, 'lying' one leaf at a time, else two leaves side by side.

const NARROWEST = 340;
/** Where the fold of a pad rests: the part of the height that the sketch has. */
const RESTS = { bench: 10, half: 38, sketch: 76 };
const SNAP = 5;
const SWIPE = 70;

export const shape = () => getComputedStyle(document.documentElement).getPropertyValue('--shape').trim();
const book = () => document.getElementById('book');
const fold = () => document.getElementById('fold');

function told() {
  document.dispatchEvent(new CustomEvent('verge:fold'));
}

/** A bench that is read rather than worked at beside the sketch keeps a fold of its own, and begins with most of the pad. */
const heightOf = () => (document.getElementById('bench')?.dataset.rest === 'bench' ? 'fold-y-read' : 'fold-y');
const widthOf = () => (document.getElementById('bench')?.dataset.rest === 'bench' ? 'fold-x-read' : 'fold-x');
const heightNow = () => Number(localStorage.getItem(heightOf())) || (heightOf() === 'fold-y' ? RESTS.half : RESTS.bench);

function keep(name, unit, value) {
  localStorage.setItem(unit === '%' ? heightOf() : name, value);
  book().style.setProperty(`--${name}`, `${value}${unit}`);
  const whole = unit === '%' ? 100 : book().clientWidth;
  fold().setAttribute('aria-valuenow', Math.round(100 * value / whole));
  told();
}

const toX = x => keep(widthOf(), 'px', Math.max(NARROWEST, Math.min(book().clientWidth - NARROWEST, x)));
const toY = percent => keep('fold-y', '%', Math.max(RESTS.bench, Math.min(RESTS.sketch, percent)));

/** What the fold comes to when it is let go near one of its rests. */
function rest() {
  const now = heightNow();
  const near = shape() === 'pad' && Object.values(RESTS).find(r => Math.abs(r - now) <= SNAP);
  near && toY(near);
}

function dragged(event) {
  const box = book().getBoundingClientRect();
  shape() === 'pad' ? toY(100 * (event.clientY - box.top) / box.height) : toX(event.clientX - box.left);
}

function moved(event) {
  const step = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
  if (!step) {
    return;
  }
  event.preventDefault();
  if (shape() === 'pad') {
    const now = heightNow();
    const rests = Object.values(RESTS);
    toY(step > 0 ? rests.find(r => r > now + 1) ?? RESTS.sketch : rests.findLast(r => r < now - 1) ?? RESTS.bench);
  } else {
    toX(fold().getBoundingClientRect().left - book().getBoundingClientRect().left + 24 * step);
  }
}

/** Only the bench or only the sketch; the same again brings both back. On a pad the fold goes to its rest. */
function fill(side) {
  if (shape() === 'pad') {
    const wanted = side === 'left' ? RESTS.bench : RESTS.sketch;
    toY(heightNow() === wanted ? RESTS.half : wanted);
  } else if (shape() === 'lying') {
    book().dataset.fill = side === 'left' ? '' : 'right';
    told();
  } else {
    book().dataset.fill = book().dataset.fill === side ? '' : side;
    told();
  }
}

/** Whatever is shown in the sketch is to be seen: it gets the room that it needs, and no more. */
export function unfoldSketch() {
  if (shape() === 'pad') {
    heightNow() < RESTS.half && toY(RESTS.half);
  } else if (shape() === 'lying') {
    book().dataset.fill = 'right';
    told();
  } else if (book().dataset.fill === 'left') {
    fill('left');
  }
}

/** Lying down, a swipe across the bench brings the sketch; on the sketch itself a finger moves the paper, so the way back is the key. */
function listenToSwipes() {
  let from = null;
  document.addEventListener('pointerdown', event => { from = event.target.closest('.bench, .strip') ? [event.clientX, event.clientY] : null; });
  document.addEventListener('pointerup', event => {
    const across = from && event.clientX - from[0];
    if (shape() === 'lying' && Math.abs(across) > SWIPE && Math.abs(event.clientY - from[1]) < SWIPE / 2) {
      fill(across < 0 ? 'right' : 'left');
    }
    from = null;
  });
}

/** Puts the fold where it was left for this kind of bench. */
export function restFold() {
  book().style.setProperty('--fold-y', `${heightNow()}%`);
  const x = Number(localStorage.getItem(widthOf()));
  x ? book().style.setProperty(`--${widthOf()}`, `${x}px`) : book().style.removeProperty(`--${widthOf()}`);
  told();
}

export function listenToFold() {
  fold().addEventListener('pointerdown', event => fold().setPointerCapture(event.pointerId));
  fold().addEventListener('pointermove', event => fold().hasPointerCapture(event.pointerId) && dragged(event));
  fold().addEventListener('pointerup', rest);
  fold().addEventListener('keydown', moved);
  document.addEventListener('click', event => {
    const side = event.target.closest('[data-fill]:not(.book)')?.dataset.fill;
    const flips = event.target.closest('[data-flip]');
    side && fill(side);
    flips && fill(book().dataset.fill === 'right' ? 'left' : 'right');
  });
  listenToSwipes();
  window.addEventListener('resize', told);
}
