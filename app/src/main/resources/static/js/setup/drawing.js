// A setup in the sketch: sights with their misfits, the station's ellipse, the danger circle, contours of what points will be worth.
import { get } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { distance } from 'verge/sketch/pick.js';
import { addLayer, writeLabels } from 'verge/sketch/sketch.js';

const ELLIPSE_CORNERS = 48;
let layer;
let faces = [];

/**
 * Draws what an address tells; gives what takes it off again.
 *
 * @param walls an address that tells the faces that can be shot at, or null
 */
export function drawSetup(address, walls = null) {
  layer ??= addLayer('setup', 22);
  const draw = () => show(address, walls);
  document.addEventListener('verge:setup', draw);
  draw();
  return () => {
    document.removeEventListener('verge:setup', draw);
    latest.forget();   // what is under way belongs to a bench that is gone
    layer.clear();
    writeLabels('setup', []);
  };
}

const latest = newest();

function show(address, walls) {
  return latest(async () => ({ drawn: address ? await get(address).catch(() => null) : null, walls: walls ? await get(walls).catch(() => []) : [] }), paint);
}

function paint({ drawn, walls }) {
  faces = walls;
  layer.clear();
  layer.addFeatures(faces.map(f => feature('wall', new ol.geom.LineString([f.from, f.to]))));
  if (drawn) {
    layer.addFeatures([...contours(drawn), ...sights(drawn), ...about(drawn)]);
  }
  writeLabels('setup', [...(drawn ? labels(drawn) : []), ...faces.map(f => label(f.name, [between(f, 0.5), between(f, 0.3), between(f, 0.7)], 1, 'heather'))]);
}

const between = (face, part) => [face.from[0] + part * (face.to[0] - face.from[0]), face.from[1] + part * (face.to[1] - face.from[1])];
const label = (text, places, radius, ink) => ({ text, places, radius, ink });
const keptClear = places => ({ text: '', places, along: true });

/** The words of a setup: what is known of the station first, then what does not fit, then the lines of equal expected error. */
function labels(drawn) {
  return [
    ...drawn.sights.map(s => keptClear([s.mark, s.misfit])),
    label(`${drawn.name}, ${drawn.ellipse.words}`, [drawn.station], 12, 'ink'),
    ...(drawn.second ? [label(`or here: ${drawn.name} with the marks exchanged`, [drawn.second], 12, 'ink')] : []),
    ...(drawn.next ? [label(drawn.next.words, [drawn.next.mark], 20, 'heather')] : []),
    ...drawn.hits.map(h => label(h.words, [h.at], h.within ? 7 : 10, h.within ? 'ink-2' : 'madder')),
    ...drawn.contours.flatMap(c => c.lines.length ? [label(c.label, c.lines.flatMap(line => line.filter((at, i) => i % 4 === 0)), 0, 'ink-2')] : [])];
}

/** The name of the face drawn at a touched place, of its edge if the touch is at its first end; undefined if none is there. */
export function faceAt([east, north], reach) {
  const away = face => distance([...face.from, ...face.to], east, north);
  const nearest = faces.filter(face => away(face) <= reach).sort((a, b) => away(a) - away(b))[0];
  return nearest && (distance(nearest.from, east, north) <= reach ? nearest.edge : nearest.name);
}

const feature = (role, geometry) => {
  const made = new ol.Feature({ geometry });
  made.set('role', role);
  return made;
};

function contours(drawn) {
  return drawn.contours.map(c => feature(c.part === 'PLAN' ? 'contour-plan' : 'contour-height', new ol.geom.MultiLineString(c.lines)));
}

function sights(drawn) {
  return drawn.sights.flatMap(s => [feature('sight', new ol.geom.LineString([drawn.station, s.mark])),
    feature(s.within ? 'misfit' : 'misfit-outside', new ol.geom.LineString([s.mark, s.misfit]))])
    .concat(drawn.hits.map(h => feature(h.within ? 'hit' : 'hit-outside', new ol.geom.Point(h.at))))
    .concat(drawn.hits.map(h => feature('sight', new ol.geom.LineString([drawn.station, h.at]))));
}

function about(drawn) {
  const { longer, shorter, azimuth } = drawn.ellipse;
  const ring = Array.from({ length: ELLIPSE_CORNERS + 1 }, (none, i) => {
    const t = 2 * Math.PI * i / ELLIPSE_CORNERS;
    const [a, b] = [longer * Math.cos(t), shorter * Math.sin(t)];
    return [drawn.station[0] + a * Math.sin(azimuth) + b * Math.cos(azimuth), drawn.station[1] + a * Math.cos(azimuth) - b * Math.sin(azimuth)];
  });
  return [feature('ellipse', new ol.geom.Polygon([ring])), feature('free', new ol.geom.Point(drawn.station)),
    ...(drawn.second ? [feature('free', new ol.geom.Point(drawn.second))] : []),
    ...(drawn.circle ? [feature('danger', new ol.geom.Circle(drawn.circle.centre, drawn.circle.radius))] : []),
    ...(drawn.next ? [feature('next', new ol.geom.Point(drawn.next.mark))] : [])];
}
