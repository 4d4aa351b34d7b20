// Day, night and low-sun paint.
import { post } from 'verge/frame/http.js';

const PAINTS = ['day', 'night', 'sun'];

export function listenToPaint() {
  document.addEventListener('click', event => {
    if (event.target.closest('[data-paint-next]')) {
      const root = document.documentElement;
      root.dataset.paint = PAINTS[(PAINTS.indexOf(root.dataset.paint) + 1) % PAINTS.length];
      document.dispatchEvent(new CustomEvent('verge:paint'));
      post('/account/paint', { paint: root.dataset.paint }).catch(() => {});   // not signed in: the paint holds for this page
    }
  });
}

/** A colour of the present paint. */
export function colour(name) {
  return getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();
}
