// A job with more points than can be told apart is sent thinned; where the person looks closely, the rest is fetched.
import { get } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';

const job = document.body.dataset.job;
/** Closer than so many pixels, points cannot be told apart. */
const PIXELS_A_CELL = 3;
const PAUSE = 200;
let timer = 0;

/**
 * Watches what is looked at.
 *
 * @param whole tells how wide the cells are of which one point each was sent; 0 if all were
 * @param found takes the points of a box, and is told again of none
 */
export function watchThinned(map, whole, found) {
  let seen = null;
  const latest = newest();
  const look = async () => {
    const view = map.getView();
    const cell = PIXELS_A_CELL * view.getResolution();
    const extent = view.calculateExtent(map.getSize());
    const known = whole() <= cell || seen && ol.extent.containsExtent(seen.extent, extent) && seen.cell <= cell;
    if (whole() === 0 || known) {
      return;
    }
    const wide = ol.extent.buffer(extent, ol.extent.getWidth(extent) / 2);
    await latest(() => get(`/jobs/${job}/sketch/points?${new URLSearchParams({ west: wide[0], south: wide[1], east: wide[2], north: wide[3], cell })}`), box => {
      seen = { extent: wide, cell: box.cell };
      found(box.points);
    });
  };
  const later = () => {
    clearTimeout(timer);
    timer = setTimeout(() => look().catch(() => {}), PAUSE);   // the next move asks again
  };
  map.on('moveend', later);
  return () => { seen = null; latest.forget(); later(); };
}
