// The practice ground: what can be seen of it, and a pole to drag or walk.
import { get, post } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';
import { addLayer, openStation, poleIsAt, theMap } from 'verge/sketch/sketch.js';

const job = document.body.dataset.job;
const WALK = { plain: 0.5, shiftKey: 0.02, ctrlKey: 5 };
const MILLIS_BETWEEN_MOVES = 90;
let pole = null;
let beam = null;
let outlines;
let poles;
let beams;

export async function openPractice() {
  outlines = addLayer('outline', 5);
  beams = addLayer('beam', 40);
  poles = addLayer('pole', 50);
  document.addEventListener('verge:instrument', event => aim(event.detail));
  document.addEventListener('keydown', walk);
  await look();
}

/** Fetches outlines and pole; without a stand-in there are none, and a tracked prism is drawn where it was measured. */
export async function look() {
  const { scene, outlines: lines } = await get(`/jobs/${job}/practice`).catch(() => ({}));
  outlines.clear();
  document.getElementById('practice').hidden = !scene || localStorage.getItem('pole-carried') === 'true';
  if (scene) {
    outlines.addFeatures(lines.map(l => new ol.Feature(l.points.length === 1 ? new ol.geom.Point(l.points[0]) : new ol.geom.LineString(l.points))));
    place([scene.east, scene.north]);
    letDrag();
  }
}

function place(coordinates) {
  if (!pole) {
    pole = new ol.Feature(new ol.geom.Point(coordinates));
    poles.addFeature(pole);
  }
  pole.getGeometry().setCoordinates(coordinates);
  poleIsAt(coordinates);
  drawBeam();
}

let dragging = false;

function letDrag() {
  if (dragging) {
    return;
  }
  dragging = true;
  const drag = new ol.interaction.Translate({ features: new ol.Collection([pole]), hitTolerance: 14 });
  drag.on('translating', () => { carry(pole.getGeometry().getCoordinates()); drawBeam(); });
  drag.on('translateend', () => carry(pole.getGeometry().getCoordinates(), true));
  theMap().addInteraction(drag);
}

let last = 0;

/** Whoever has carried the pole once needs not be told how. */
function carried() {
  localStorage.setItem('pole-carried', 'true');
  document.getElementById('practice').hidden = true;
}

function carry([east, north], now = false) {
  if (now || performance.now() - last > MILLIS_BETWEEN_MOVES) {
    last = performance.now();
    carried();
    poleIsAt([east, north]);
    post(`/jobs/${job}/practice/pole`, { north, east }).catch(sayProblem);
  }
}

function walk(event) {
  const step = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
  if (!step || !dragging || event.altKey || event.defaultPrevented || event.target.matches('input, select, textarea, [role=separator]')) {
    return;
  }
  event.preventDefault();
  carried();
  const length = event.shiftKey ? WALK.shiftKey : event.ctrlKey ? WALK.ctrlKey : WALK.plain;
  const facing = Number(document.body.dataset.facing ?? 0);   // while staking, up is forward
  const north = length * (step[0] * Math.cos(facing) - step[1] * Math.sin(facing));
  const east = length * (step[0] * Math.sin(facing) + step[1] * Math.cos(facing));
  post(`/jobs/${job}/practice/walk`, { north, east }).then(scene => place([scene.east, scene.north]), sayProblem);
}

/** Carries tripod or pole to a mark, or extends the pole, and shows where the pole is then. */
export async function helper(deed, fields) {
  const scene = await post(`/jobs/${job}/practice/${deed}`, fields);
  place([scene.east, scene.north]);
  return scene;
}

let linked = '';

function aim(view) {
  if (view.link !== linked) {
    linked = view.link;
    look();   // a link to the stand-in brings its ground with it
  }
  beam = view.pole?.position ? [view.pole.east, view.pole.north] : null;
  if (!dragging && beam) {
    place(beam);
  }
  drawBeam();
}

function drawBeam() {
  beams.clear();
  const station = openStation();
  if (beam && station) {
    beams.addFeature(new ol.Feature(new ol.geom.LineString([station, beam])));
  }
}
