// Gaps on the sketch: soft marks, the way from the pole to the nearest, the outline of what is to be measured.
import { get } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { addLayer, lineOf } from 'verge/sketch/sketch.js';

const job = document.body.dataset.job;
const KEPT = `gaps:${job}`;
const MILLIS_UNTIL_REST = 3000;

let layer = null;
let marks = [];
let area = [];
let pole = null;
let open = false;
let rest = 0;

/** Whether they stay on the sketch while other benches are worked at. */
export const stay = () => localStorage.getItem(KEPT) === 'stay';

export function letStay(staying) {
  staying ? localStorage.setItem(KEPT, 'stay') : localStorage.removeItem(KEPT);
  draw();
}

/** Their own bench always shows them. */
export function showGaps(shown) {
  open = shown;
  return shown || stay() ? fetchMarks() : draw();
}

export const gapAt = id => marks.find(m => m.id === id);

export function listenForGaps() {
  document.addEventListener('verge:instrument', event => {
    const at = event.detail.pole?.position ? [event.detail.pole.east, event.detail.pole.north] : null;
    if (String(at) !== String(pole)) {
      pole = at;
      marks.length && draw();
    }
  });
  document.addEventListener('verge:strings', () => {   // something was measured: looked for again when the work rests
    clearTimeout(rest);
    if (open || stay()) {
      rest = setTimeout(() => fetchMarks().catch(() => {}), MILLIS_UNTIL_REST);
    }
  });
}

const latest = newest();

function fetchMarks() {
  return latest(() => get(`/jobs/${job}/gaps/marks`), told => {
    ({ marks, area } = told);
    draw();
  });
}

function draw() {
  layer ??= addLayer('gaps', 24);
  layer.clear();
  if (!open && !stay()) {
    return;
  }
  area.length && put(lineOf([...area, area[0]].flat()), 'area');
  for (const { east, north, metres } of marks) {
    put(new ol.Feature(metres ? new ol.geom.Circle([east, north], metres) : new ol.geom.Point([east, north])), metres ? 'hole' : 'gap');
  }
  const nearest = pole && marks.reduce((least, m) => (!least || away(m) < away(least) ? m : least), null);
  nearest && put(lineOf([...pole, nearest.east, nearest.north]), 'way');
}

const away = ({ east, north }) => Math.hypot(east - pole[0], north - pole[1]);

function put(feature, role) {
  feature.set('role', role);
  layer.addFeature(feature);
}
