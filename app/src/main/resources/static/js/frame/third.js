// On a wide screen what is a list on the bench lies on a third leaf, beside the sketch; elsewhere it stays at the end of the bench.
import { shape } from 'verge/frame/fold.js';

export function spreadLeaves() {
  const third = document.getElementById('third');
  const bench = document.getElementById('bench');
  const list = bench.querySelector('[data-list]') ?? third.querySelector('[data-list]');
  const home = shape() === 'wide' ? third : bench;
  if (list && list.parentElement !== home) {
    home.append(list);
    document.dispatchEvent(new CustomEvent('verge:fold'));
  }
}

/** Another bench brings its own list. */
export function clearThird() {
  document.getElementById('third').replaceChildren();
}

export function listenToWidth() {
  window.addEventListener('resize', spreadLeaves);
}
