// The sketch: the plan of the job. One map, with layers that others may add to.
import { get } from 'verge/frame/http.js';
import { styles } from 'verge/sketch/marks.js';
import { drawScale } from 'verge/sketch/scale.js';

const job = document.body.dataset.job;
const paint = [];
let map;
let style;
let points;
let stations;
let reference;
let chosen;
let unit = { metresPerUnit: 1, unit: 'm' };
const at = (north, east) => [east, north];

/** Adds a layer whose style is made from the paint; gives its source. */
export function addLayer(styleName, zIndex, options = {}) {
  const source = new ol.source.Vector();
  const layer = new ol.layer.Vector({ source, zIndex, style: style[styleName], updateWhileInteracting: true, updateWhileAnimating: true, ...options });
  paint.push(() => layer.setStyle(style[styleName]));
  map.addLayer(layer);
  return source;
}

export async function openSketch() {
  style = styles();
  const projection = new ol.proj.Projection({ code: 'job-grid', units: 'm', extent: [-1e8, -1e8, 1e8, 1e8] });
  map = new ol.Map({
    target: 'sketch-map',
    controls: [],
    interactions: ol.interaction.defaults.defaults({ altShiftDragRotate: false, pinchRotate: false, keyboard: false }),
    view: new ol.View({ projection, center: [0, 0], resolution: 0.25, minResolution: 0.0005, maxResolution: 2e4, constrainOnlyCenter: true, enableRotation: false }),
  });
  reference = addLayer('factor', 19);
  stations = addLayer('station', 20);
  points = addLayer('point', 30);
  const labels = addLayer('label', 31, { declutter: true });
  points.on('addfeature', event => labels.addFeature(event.feature));
  points.on('clear', () => labels.clear());
  chosen = addLayer('touched', 29);
  map.on('singleclick', touched);
  map.getView().on('change:resolution', scale);
  document.addEventListener('click', event => event.target.closest('[data-sketch]') && tools[event.target.closest('[data-sketch]').dataset.sketch]());
  document.addEventListener('verge:paint', () => { style = styles(); paint.forEach(again => again()); });
  document.addEventListener('verge:fold', () => map.updateSize());
  document.addEventListener('verge:book', () => reload());
  await document.fonts.load('450 15px Next');
  await reload();
}

/** Fetches the job's points and stations anew. */
export async function reload() {
  const sketch = await get(`/jobs/${job}/sketch`);
  const wasEmpty = points.getFeatures().length === 0;
  unit = sketch;
  points.clear();
  points.addFeatures(sketch.points.map(feature));
  document.getElementById('sketch-empty').hidden = sketch.points.length > 0;
  stations.clear();
  for (const s of sketch.stations.filter(s => s.open)) {
    stations.addFeature(new ol.Feature(new ol.geom.LineString([at(s.north, s.east), at(s.backsightNorth, s.backsightEast)])));
    stations.addFeature(new ol.Feature(new ol.geom.Point(at(s.north, s.east))));
  }
  reference.clear();
  if (sketch.reference) {
    const made = new ol.Feature(new ol.geom.Point(at(sketch.reference.north, sketch.reference.east)));
    made.set('label', sketch.reference.label);
    reference.addFeature(made);
  }
  scale();
  if (wasEmpty) {
    tools.all();   // the first points of a job are looked for where they are, not where the paper was
  }
}

/** Draws one point at once, before anything is fetched. */
export function drawPoint(point) {
  if (!points.getFeatures().some(f => f.get('entry') === point.entry && f.get('name') === point.name)) {
    points.addFeature(feature(point));
    document.getElementById('sketch-empty').hidden = true;
  }
}

function feature(point) {
  const made = new ol.Feature(new ol.geom.Point(at(point.north, point.east)));
  made.setProperties({ entry: point.entry, name: point.name, code: point.code, mark: point.mark, marker: point.marker });
  return made;
}

function scale() {
  drawScale(document.getElementById('scale-bar'), map.getView().getResolution(), unit.metresPerUnit, unit.unit);
}

/** Where the sketch's map is needed itself: the pole is dragged on it. */
export const theMap = () => map;

/** The station of the open leaf as [east, north], or null. */
export function openStation() {
  return stations.getFeatures().find(f => f.getGeometry() instanceof ol.geom.Point)?.getGeometry().getCoordinates() ?? null;
}

/** Rings the named points and, with two, draws the line between. */
export function choose(names) {
  chosen.clear();
  const places = names.map(name => points.getFeatures().find(f => f.get('name') === name)).filter(Boolean);
  for (const place of places) {
    chosen.addFeature(new ol.Feature(place.getGeometry().clone()));
  }
  if (places.length === 2) {
    const line = new ol.Feature(new ol.geom.LineString(places.map(p => p.getGeometry().getCoordinates())));
    line.setStyle(style.between);
    chosen.addFeature(line);
  }
}

function touched(event) {
  const hit = map.getFeaturesAtPixel(event.pixel, { hitTolerance: 18 }).find(f => f.get('name') && f.get('mark'));
  if (hit) {
    document.dispatchEvent(new CustomEvent('verge:touched', { detail: { name: hit.get('name') } }));
  }
}

const places = [];

/** Others tell where the pole is, for 'to the pole'. */
export function poleIsAt(coordinates) {
  places[0] = coordinates;
}

const tools = {
  closer: () => map.getView().animate({ zoom: map.getView().getZoom() + 1, duration: 150 }),
  farther: () => map.getView().animate({ zoom: map.getView().getZoom() - 1, duration: 150 }),
  all: () => {
    const extent = points.getExtent();
    if (points.getFeatures().length > 0) {
      map.getView().fit(ol.extent.buffer(extent, 4), { padding: [50, 90, 60, 50], minResolution: 0.01 });
    }
  },
  pole: () => places[0] && map.getView().animate({ center: places[0], resolution: Math.min(map.getView().getResolution(), 0.06), duration: 200 }),
};
