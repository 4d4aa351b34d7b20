// A setup in the sketch: sights with their misfits, the station's ellipse, the danger circle, contours of what points will be worth.
import { get } from 'verge/frame/http.js';
import { distance } from 'verge/sketch/pick.js';
import { addLayer } from 'verge/sketch/sketch.js';

const ELLIPSE_CORNERS = 48;
let layer;
let faces = [];

/**
 * Draws what an address tells; gives what takes it off again.
 *
 * @param walls an address that tells the faces that can be shot at, or null
 */
export function drawSetup(address, walls = null) {
  layer ??= addLayer('setup', 22, { declutter: true });
  const draw = () => show(address, walls);
  document.addEventListener('verge:setup', draw);
  draw();
  return () => {
    document.removeEventListener('verge:setup', draw);
    layer.clear();
  };
}

async function show(address, walls) {
  const drawn = address ? await get(address).catch(() => null) : null;
  faces = walls ? await get(walls).catch(() => []) : [];
  layer.clear();
  layer.addFeatures(faces.flatMap(f => [feature('wall', new ol.geom.LineString([f.from, f.to])),
    feature('wall-name', new ol.geom.Point([(f.from[0] + f.to[0]) / 2, (f.from[1] + f.to[1]) / 2]), { label: f.name })]));
  if (drawn) {
    layer.addFeatures([...contours(drawn), ...sights(drawn), ...about(drawn)]);
  }
}

/** The name of the face drawn at a touched place, of its edge if the touch is at its first end; undefined if none is there. */
export function faceAt([east, north], reach) {
  const away = face => distance([...face.from, ...face.to], east, north);
  const nearest = faces.filter(face => away(face) <= reach).sort((a, b) => away(a) - away(b))[0];
  return nearest && (distance(nearest.from, east, north) <= reach ? nearest.edge : nearest.name);
}

const feature = (role, geometry, more = {}) => {
  const made = new ol.Feature({ geometry, ...more });
  made.set('role', role);
  return made;
};

function contours(drawn) {
  return drawn.contours.flatMap(c => {
    const longest = c.lines[Math.floor(c.lines.length / 2)];
    return [feature(c.part === 'PLAN' ? 'contour-plan' : 'contour-height', new ol.geom.MultiLineString(c.lines)),
      ...(longest ? [feature('contour-label', new ol.geom.Point(longest[0]), { label: c.label })] : [])];
  });
}

function sights(drawn) {
  return drawn.sights.flatMap(s => [feature('sight', new ol.geom.LineString([drawn.station, s.mark])),
    feature(s.within ? 'misfit' : 'misfit-outside', new ol.geom.LineString([s.mark, s.misfit]))])
    .concat(drawn.hits.map(h => feature(h.within ? 'hit' : 'hit-outside', new ol.geom.Point(h.at), { label: h.words })))
    .concat(drawn.hits.map(h => feature('sight', new ol.geom.LineString([drawn.station, h.at]))));
}

function about(drawn) {
  const { longer, shorter, azimuth, words } = drawn.ellipse;
  const ring = Array.from({ length: ELLIPSE_CORNERS + 1 }, (none, i) => {
    const t = 2 * Math.PI * i / ELLIPSE_CORNERS;
    const [a, b] = [longer * Math.cos(t), shorter * Math.sin(t)];
    return [drawn.station[0] + a * Math.sin(azimuth) + b * Math.cos(azimuth), drawn.station[1] + a * Math.cos(azimuth) - b * Math.sin(azimuth)];
  });
  return [feature('ellipse', new ol.geom.Polygon([ring])), feature('free', new ol.geom.Point(drawn.station), { label: `${drawn.name}, ${words}` }),
    ...(drawn.second ? [feature('free', new ol.geom.Point(drawn.second), { label: `or here: ${drawn.name} with the marks exchanged` })] : []),
    ...(drawn.circle ? [feature('danger', new ol.geom.Circle(drawn.circle.centre, drawn.circle.radius))] : []),
    ...(drawn.next ? [feature('next', new ol.geom.Point(drawn.next.mark), { label: drawn.next.words })] : [])];
}
