// The sketch: the plan of the job. One map: a canvas with points and drawings, and layers that others may add to for what moves.
import { get } from 'verge/frame/http.js';
import { showFloors, tellPole } from 'verge/floor/floor.js';
import { canvasLayer } from 'verge/sketch/canvas.js';
import { showLayers } from 'verge/sketch/layers.js';
import { styles } from 'verge/sketch/marks.js';
import { FINGER, listenToCommon, near, showCommon, showSelection, touch } from 'verge/sketch/pick.js';
import { drawScale } from 'verge/sketch/scale.js';
import { drawOutline } from 'verge/sketch/select.js';
import { Points, fetchSheets, grow } from 'verge/sketch/store.js';
import { merged, ready } from 'verge/sketch/strings.js';
import { watchThinned } from 'verge/sketch/thinned.js';

const job = document.body.dataset.job;
const paint = [];
/** The ring round what is chosen, in pixels: words keep outside it. */
const RING = 19;
let map;
let style;
let stations;
let reference;
let dimensions;
let chosen;
let outline;
let drawn;
let unit = { metresPerUnit: 1, unit: 'm' };
let cell = 0;
let lookCloser = () => {};
const content = { points: new Points([]), strings: new Map(), photos: [], sheets: [], labels: new Map(), version: 0 };
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
  drawn = canvasLayer(() => content);
  map.addLayer(drawn);
  map.addLayer(drawn.words);
  reference = addLayer('factor', 19);
  dimensions = addLayer('dimension', 18);
  stations = addLayer('station', 20);
  chosen = addLayer('touched', 29);
  outline = addLayer('selection', 45);
  lookCloser = watchThinned(map, () => cell, addPoints);
  map.on('singleclick', touched);
  map.getView().on('change:resolution', scale);
  document.addEventListener('click', pressed);
  listenToCommon();
  document.addEventListener('verge:selected', event => choose(event.detail.names, false));
  document.addEventListener('verge:paint', () => { style = styles(); paint.forEach(again => again()); redraw(); });
  document.addEventListener('verge:fold', () => { map.updateSize(); waiting && goTo(waiting); });
  document.addEventListener('verge:book', event => reloadFor(event.detail.lines));
  document.addEventListener('verge:photo', () => reload(linesDrawn));
  document.addEventListener('verge:instrument', event => tellPole(event.detail));
  await document.fonts.load('450 15px Next');
  await reload();
}

/**
 * What somebody wants written into the sketch, instead of what they wanted before.
 *
 * @param labels { text, places, radius, ink, weight }: places as [east, north], the first with room is taken; radius of the mark
 * there; without text only the room is kept, along: on the way between two places
 */
export function writeLabels(owner, labels) {
  content.labels.set(owner, labels);
  redraw();
}

/** Something of what is drawn has changed. */
function redraw() {
  content.version++;
  drawn.changed();
}

const MILLIS_UNTIL_NAMED = 250;
let soon = 0;

/** What was drawn upon the picture gets its name, and its place among the others. */
function redrawSoon() {
  clearTimeout(soon);
  soon = setTimeout(redraw, MILLIS_UNTIL_NAMED);
}

const MILLIS_UNTIL_REST = 2500;
let latestReload = 0;
let linesDrawn = 0;
let view = '';
let rest = 0;

/** What was measured here is drawn already; all else of it is looked at in the pause after the last shot, not during the next. */
function reloadFor(lines) {
  clearTimeout(rest);
  if (lines > linesDrawn) {
    reload(Number.isFinite(lines) ? linesDrawn : 0);
  } else {
    rest = setTimeout(() => reload(linesDrawn), MILLIS_UNTIL_REST);
  }
}

/** Fetches stations anew, what is new of the site's files, and the job's points: those that changed since the book had so many lines, or all. */
export async function reload(since = 0) {
  const own = ++latestReload;
  const sketch = await get(since ? `/jobs/${job}/sketch?${new URLSearchParams({ since, view })}` : `/jobs/${job}/sketch`);
  if (own !== latestReload) {
    return;   // a later one is under way
  }
  if (sketch.lines < linesDrawn) {
    linesDrawn = 0;
    await reload();   // asked before the last shot was stored: it would wipe it off the paper
    return;
  }
  const wasEmpty = extentOf('all') === null;
  unit = sketch;
  linesDrawn = sketch.lines;
  view = sketch.view;
  const changed = sketch.changed && new Set(sketch.changed);
  const come = sketch.points.filter(isShown);
  content.points = new Points(changed ? [...content.points.list.filter(p => !changed.has(p.entry)), ...come] : come);
  content.strings = merged(content.strings, sketch.stringsChanged, sketch.strings);
  content.photos = sketch.photos;
  document.dispatchEvent(new CustomEvent('verge:strings'));
  if (!changed) {
    cell = sketch.cell;
    lookCloser();
  }
  document.getElementById('sketch-empty').hidden = content.points.list.length + sketch.files.length > 0;
  tellApart(sketch.apart);
  showFloors(sketch.floors);
  stations.clear();
  const open = sketch.stations.filter(s => s.open);
  for (const s of open) {
    stations.addFeature(new ol.Feature(new ol.geom.LineString([at(s.north, s.east), at(s.backsightNorth, s.backsightEast)])));
    stations.addFeature(new ol.Feature(new ol.geom.Point(at(s.north, s.east))));
  }
  reference.clear();
  if (sketch.reference) {
    reference.addFeature(new ol.Feature(new ol.geom.Point(at(sketch.reference.north, sketch.reference.east))));
  }
  dimensions.clear();
  sketch.dimensions.forEach(d => dimensions.addFeatures(d.lines.map(lineOf)));
  content.labels.set('dimensions', sketch.dimensions.flatMap(d => d.words.map(w => ({ text: w.text, places: [[w.east, w.north]], radius: 3, ink: 'ink' }))));
  content.labels.set('frame', [
    ...open.map(s => ({ text: '', places: [at(s.north, s.east)], radius: 12, ink: 'ink' })),
    ...(sketch.reference ? [{ text: sketch.reference.label, places: [at(sketch.reference.north, sketch.reference.east)], radius: 13, ink: 'ink-2' }] : [])]);
  scale();
  redraw();
  if (wasEmpty) {
    goTo('all');   // the first points of a job are looked for where they are, not where the paper was
  }
  fetchSheets(sketch.files, sketch.current, redraw).then(sheets => {
    if (own === latestReload) {
      const nothingYet = extentOf('all') === null;
      content.sheets = sheets;
      redraw();
      choose(chosenNames, chosenJoined);
      document.getElementById('sketch').dataset.sheets = sheets.length;
      nothingYet && goTo(sketch.floors.some(floor => floor.here) && extentOf('control') ? 'control' : 'all');
    }
  });
}

let only = null;

/** Lets the sketch show these of the job's points alone. @param keys entry and name of each; null for all again */
export function showOnly(keys) {
  only = keys;
  const strip = document.getElementById('sketch-only');
  strip.hidden = !keys;
  reload();
}

const isShown = p => !only || only.has(`${p.entry} ${p.name}`);

/** Draws points more of those that were left out. */
function addPoints(more) {
  const drawn = new Set(content.points.list.map(p => `${p.entry} ${p.name}`));
  content.points = new Points([...content.points.list, ...more.filter(p => isShown(p) && !drawn.has(`${p.entry} ${p.name}`))]);
  redraw();
}

function tellApart(words) {
  const strip = document.getElementById('sketch-apart');
  strip.textContent = words;
  strip.hidden = !words;
}

/** Draws one point at once, with the strings it is on, before anything is fetched. @param line of the book that it stands in */
export function drawPoint(point, line, strings = []) {
  const changed = new Map(strings.map(string => [string.id, ready(string)]));
  changed.forEach((string, id) => content.strings.set(id, string));
  const { list } = content.points;
  linesDrawn = line === linesDrawn + 1 ? line : linesDrawn;
  if (!list.some(p => p.entry === point.entry && p.name === point.name)) {
    content.points = content.points.with(point);
    document.getElementById('sketch-empty').hidden = true;
    drawn.drawUpon(point, changed) ? redrawSoon() : redraw();
  }
}

function scale() {
  drawScale(document.getElementById('scale-bar'), map.getView().getResolution(), unit.metresPerUnit, unit.unit);
}

/** Where the sketch's map is needed itself: the pole is dragged on it. */
export const theMap = () => map;

/** The strings of the job that the sketch holds, by their ids. */
export const theStrings = () => content.strings;

/** The job's own points that the sketch holds. */
export const thePoints = () => content.points.list;

/** The layer with points and drawings, which tells how long its last full drawing took. */
export const theCanvas = () => drawn;

/** The station of the open leaf as [east, north], or null. */
export function openStation() {
  return stations.getFeatures().find(f => f.getGeometry() instanceof ol.geom.Point)?.getGeometry().getCoordinates() ?? null;
}

/** Where a name lies, as [east, north]: among the job's points, then those of the files. */
function placeOf(name) {
  const own = content.points.list.find(p => p.name === name);
  const spot = own ? null : content.sheets.flatMap(sheet => sheet.spots).find(s => s.name === name);
  return own ? at(own.north, own.east) : spot ? [spot.at[0], spot.at[1]] : null;
}

let chosenNames = [];
let chosenJoined = true;

/** Rings the named points and, with two, draws the line between unless they are only selected; those of files as soon as these are there. */
export function choose(names, joined = true) {
  chosenNames = names;
  chosenJoined = joined;
  chosen.clear();
  const places = names.map(placeOf).filter(Boolean);
  places.forEach(place => chosen.addFeature(new ol.Feature(new ol.geom.Point(place))));
  if (joined && places.length === 2) {
    const line = new ol.Feature(new ol.geom.LineString(places));
    line.setStyle(style.between);
    chosen.addFeature(line);
  }
  writeLabels('chosen', [...places.map(place => ({ text: '', places: [place], radius: RING })), ...(joined && places.length === 2 ? [{ text: '', places, along: true }] : [])]);
}

/** A line of east, north, east, north as a feature. */
export const lineOf = line => new ol.Feature(new ol.geom.LineString(Array.from({ length: line.length / 2 }, (none, i) => [line[2 * i], line[2 * i + 1]])));

/** Rings what was touched or found. */
export function ring(found) {
  chosenNames = [];
  chosen.clear();
  if (found?.point) {
    chosen.addFeature(new ol.Feature(new ol.geom.Point(at(found.point.north, found.point.east))));
  } else if (found?.photo) {
    chosen.addFeature(new ol.Feature(new ol.geom.Point(at(found.photo.north, found.photo.east))));
  } else if (found?.string) {
    found.string.lines.forEach(({ at: line }) => chosen.addFeature(lineOf(line)));
  } else if (found) {
    const places = Array.from({ length: found.thing.at.length / 2 }, (none, i) => [found.thing.at[2 * i], found.thing.at[2 * i + 1]]);
    chosen.addFeature(new ol.Feature(places.length === 1 ? new ol.geom.Point(places[0]) : new ol.geom.LineString(places)));
  }
}

function touched(event) {
  if (!map.getTargetElement().classList.contains('drawing')) {
    outline.clear();
    // A bench may want the place itself rather than what lies there.
    const reach = FINGER * map.getView().getResolution();
    if (!document.dispatchEvent(new CustomEvent('verge:touching', { cancelable: true, detail: { at: event.coordinate, reach } }))) {
      return;
    }
    touch(near(content, event.coordinate, map.getView().getResolution()), ring);
  }
}

const places = [];

/** The pole with its ring, in pixels; names keep clear of it as soon as it rests, not while it is carried. */
const POLE = 20;
const MILLIS_UNTIL_CLEAR = 600;
let poleRests = 0;
let poleClear = null;

/** Others tell where the pole is, for 'to the pole'. */
export function poleIsAt(coordinates) {
  places[0] = coordinates;
  clearTimeout(poleRests);
  const moved = !poleClear || Math.hypot(coordinates[0] - poleClear[0], coordinates[1] - poleClear[1]) > map.getView().getResolution() * POLE / 4;
  if (moved) {
    poleRests = setTimeout(() => {
      poleClear = coordinates;
      writeLabels('pole', [{ text: '', places: [coordinates], radius: POLE }]);
    }, MILLIS_UNTIL_CLEAR);
  }
}

const isFolded = () => !map.getSize()?.every(Boolean);

/** The box round what of a kind is drawn; null if nothing is. */
function extentOf(kind) {
  const all = [Infinity, Infinity, -Infinity, -Infinity];
  const wanted = { control: ['CONTROL'], design: ['DESIGN', 'STAKED'] }[kind];
  for (const p of content.points.list) {
    (!wanted || wanted.includes(p.mark)) && grow(all, [p.east, p.north, p.east, p.north]);
  }
  for (const sheet of content.sheets) {
    const fits = kind === 'all' || kind === 'control' && sheet.role === 'REGISTER' || kind === 'design' && sheet.current;
    const own = fits && sheet.extent();
    own && grow(all, own);
  }
  return all[0] <= all[2] ? all : null;
}

let waiting = '';

/** Shows all of a kind; while the sketch is folded away, as soon as it is unfolded. */
function goTo(kind) {
  const extent = extentOf(kind);
  waiting = isFolded() ? kind : '';
  if (extent && !waiting) {
    const [width, height] = map.getSize();
    const edge = Math.min(1, height / 400, width / 400);   // on a small sketch its buttons leave less
    map.getView().fit(ol.extent.buffer(extent, 4), { padding: [50, 90, 60, 50].map(p => p * edge), minResolution: 0.01 });
  }
}

let endSelecting = () => {};

function select(freehand, done = showSelection) {
  endSelecting();   // pressed twice, it begins anew
  endSelecting = drawOutline(map, outline, freehand, done);
}

/** Lets one outline be drawn by a free hand; gives its corners as [east, north]. */
export const outlineOn = done => select(true, done);

/** How far the panel reaches in from each edge of the sketch: what is looked at lies beside it, as [top, right, bottom, left]. */
function covered() {
  const panel = document.getElementById('touch-panel').getBoundingClientRect();
  const all = map.getTargetElement().getBoundingClientRect();
  if (panel.width === 0) {
    return [0, 0, 0, 0];
  }
  const beside = panel.left - all.left;
  const below = all.bottom - panel.bottom;
  return beside > below ? [0, all.width - beside, 0, 0] : [all.height - below, 0, 0, 0];
}

/** Brings a place into the middle of what is free, near enough to see so many metres about it. */
export function lookAt(north, east, metres) {
  const resolution = Math.max(0.02, 6 * metres / Math.min(...map.getSize()));
  const [top, right, bottom, left] = covered();
  move({ center: at(north + (top - bottom) / 2 * resolution, east + (right - left) / 2 * resolution), resolution });
}

/** Brings boxes into view, as [west, south, east, north], whole and not too near. */
export function lookAtBox(boxes) {
  const all = [Infinity, Infinity, -Infinity, -Infinity];
  boxes.forEach(box => grow(all, box));
  const [width, height] = map.getSize();
  all[0] <= all[2] && map.getView().fit(ol.extent.buffer(all, 2), { padding: covered().map(c => c + 60 * Math.min(1, width / 400, height / 400)), minResolution: 0.02 });
}

/** Brings named points into view. */
export const lookAtNames = names => lookAtBox(names.map(placeOf).filter(Boolean).map(([east, north]) => [east, north, east, north]));

/** Brings a layer of a file into view, with the list of layers beside it. */
export function showLayer(file, name) {
  const sheet = content.sheets.find(s => s.id === file);
  const layer = sheet?.layers.find(l => l.name === name);
  layer && lookAtBox([...sheet.spots, ...sheet.lines].filter(thing => thing.layer === layer.index).map(thing => thing.box));
  showLayers(() => content, redraw);
}

const calm = matchMedia('(prefers-reduced-motion: reduce)');
const move = to => map.getView().animate({ ...to, duration: calm.matches ? 0 : 150 });

const tools = {
  closer: () => move({ zoom: map.getView().getZoom() + 1 }),
  farther: () => move({ zoom: map.getView().getZoom() - 1 }),
  all: () => goTo('all'),
  control: () => goTo('control'),
  design: () => goTo('design'),
  pole: () => places[0] && move({ center: places[0], resolution: Math.min(map.getView().getResolution(), 0.06) }),
  layers: () => {
    const panel = document.getElementById('layers-panel');
    panel.hidden ? showLayers(() => content, redraw) : panel.hidden = true;
  },
  box: () => select(false),
  lasso: () => select(true),
  common: () => showCommon(),
  everything: () => showOnly(null),
};

/** Buttons of the tool strip; those in a drawer close it again. */
function pressed(event) {
  const opener = event.target.closest('[data-drawer]');
  for (const drawer of document.querySelectorAll('[data-drawer-of]')) {
    const own = opener?.dataset.drawer === drawer.dataset.drawerOf;
    drawer.hidden = !own || !drawer.hidden;
    document.querySelector(`[data-drawer="${drawer.dataset.drawerOf}"]`)?.setAttribute('aria-expanded', String(!drawer.hidden));
  }
  const button = event.target.closest('[data-sketch]');
  button && tools[button.dataset.sketch]();
}
