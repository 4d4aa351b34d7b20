// The fold between the leaves: dragged, moved by keys, or folded away to either side.

const NARROWEST = 340;
const KEPT = 'fold-x';

function place(x) {
  const book = document.getElementById('book');
  const widest = book.clientWidth - NARROWEST;
  book.style.setProperty('--fold-x', `${Math.max(NARROWEST, Math.min(widest, x))}px`);
  localStorage.setItem(KEPT, x);
  document.dispatchEvent(new CustomEvent('verge:fold'));
}

export function listenToFold() {
  const fold = document.getElementById('fold');
  if (!fold) {
    return;
  }
  const kept = Number(localStorage.getItem(KEPT));
  if (kept) {
    place(kept);
  }
  const left = () => document.getElementById('book').getBoundingClientRect().left;
  fold.addEventListener('pointerdown', event => fold.setPointerCapture(event.pointerId));
  fold.addEventListener('pointermove', event => fold.hasPointerCapture(event.pointerId) && place(event.clientX - left()));
  fold.addEventListener('keydown', event => {
    const step = { ArrowLeft: -24, ArrowRight: 24 }[event.key];
    if (step) {
      event.preventDefault();
      place(fold.getBoundingClientRect().left - left() + step);
    }
  });
  document.addEventListener('click', event => {
    const side = event.target.closest('[data-fill]:not(.book)')?.dataset.fill;
    if (side) {
      const book = document.getElementById('book');
      book.dataset.fill = book.dataset.fill === side ? '' : side;
      document.dispatchEvent(new CustomEvent('verge:fold'));
    }
  });
}
