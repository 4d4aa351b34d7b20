// The marks of the sketch, in the present paint: painted on canvas for points, as styles for the few things that move.
import { colour } from 'verge/frame/paint.js';

const stroke = (name, width) => new ol.style.Stroke({ color: colour(name), width });
const fill = name => new ol.style.Fill({ color: colour(name) });

/** Half the width of the square that a mark is painted in. */
export const REACH = 14;

/** How far each mark reaches from its place, in pixels: no name comes nearer. */
export const RADIUS = { CONTROL: 11, REGISTER: 11, DESIGN: 9, STAKED: 9, UNDERLAY: 4, RING: 7, CROSS: 7, SQUARE: 7, DIAMOND: 7, RING_CROSS: 10, DOT: 5 };

const ring = (pen, radius) => { pen.beginPath(); pen.arc(0, 0, radius, 0, 2 * Math.PI); };
const path = (pen, points) => { pen.beginPath(); points.forEach(([x, y], i) => (i ? pen.lineTo(x, y) : pen.moveTo(x, y))); pen.closePath(); };
const cross = (pen, r, diagonal) => {
  const d = diagonal ? r * Math.SQRT1_2 : 0;
  pen.beginPath();
  if (diagonal) { pen.moveTo(-d, -d); pen.lineTo(d, d); pen.moveTo(-d, d); pen.lineTo(d, -d); } else { pen.moveTo(-r, 0); pen.lineTo(r, 0); pen.moveTo(0, -r); pen.lineTo(0, r); }
  pen.stroke();
};
const TRIANGLE = [[0, -12], [10.4, 6], [-10.4, 6]];
const DIAMOND = r => [[0, -r], [r, 0], [0, r], [-r, 0]];
const SQUARE = [[-5, -5], [5, -5], [5, 5], [-5, 5]];

/** How each mark is painted about 0, 0. Control is a filled triangle, the register a hollow one; designs are diamonds. */
const PAINTED = {
  CONTROL: pen => { path(pen, TRIANGLE); pen.fill(); },
  REGISTER: pen => { path(pen, TRIANGLE); paper(pen); pen.stroke(); },
  DESIGN: pen => { path(pen, DIAMOND(8)); paper(pen); pen.stroke(); },
  STAKED: pen => { pen.strokeStyle = colour('heather'); pen.lineWidth = 3; cross(pen, 9, true); },
  UNDERLAY: pen => { pen.strokeStyle = colour('edge'); pen.lineWidth = 1.5; ring(pen, 3.5); pen.stroke(); },
  RING: pen => { ring(pen, 6); paper(pen); pen.stroke(); },
  CROSS: pen => cross(pen, 7, false),
  SQUARE: pen => { path(pen, SQUARE); paper(pen); pen.stroke(); },
  DIAMOND: pen => { path(pen, DIAMOND(6)); pen.fill(); },
  RING_CROSS: pen => { ring(pen, 6); paper(pen); pen.stroke(); cross(pen, 10, false); },
  DOT: pen => { ring(pen, 4); pen.fill(); },
};

function paper(pen) {
  const ink = pen.fillStyle;
  pen.fillStyle = colour('paper');
  pen.fill();
  pen.fillStyle = ink;
}

/** Paints each mark once, to be stamped many times. */
export function stamps(pixelRatio) {
  return Object.fromEntries(Object.entries(PAINTED).map(([name, paint]) => {
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = Math.ceil(2 * REACH * pixelRatio);
    const pen = canvas.getContext('2d');
    pen.scale(pixelRatio, pixelRatio);
    pen.translate(REACH, REACH);
    pen.strokeStyle = pen.fillStyle = colour('ink');
    pen.lineWidth = 2;
    paint(pen);
    return [name, canvas];
  }));
}

/** Draws a marker's sample into an SVG of the legend, 24 units square about 0, 0. */
export function sample(svg) {
  const shapes = {
    DOT: '<circle r="4" fill="currentColor"/>',
    RING: '<circle r="6" fill="none" stroke="currentColor" stroke-width="2"/>',
    CROSS: '<path d="M-7 0H7M0-7V7" stroke="currentColor" stroke-width="2"/>',
    SQUARE: '<rect x="-5" y="-5" width="10" height="10" fill="none" stroke="currentColor" stroke-width="2"/>',
    DIAMOND: '<path d="M0-6L6 0 0 6-6 0z" fill="currentColor"/>',
    RING_CROSS: '<circle r="6" fill="none" stroke="currentColor" stroke-width="2"/><path d="M-10 0H10M0-10V10" stroke="currentColor" stroke-width="2"/>',
  };
  svg.innerHTML = shapes[svg.dataset.marker] ?? shapes.DOT;
}

/** A file's colour brought to where it can be told from the paper: its hue stays, its lightness goes with the paint. */
export function onPaper(rgb, paint) {
  if (rgb < 0 || paint === 'sun') {
    return colour('ink');
  }
  const [r, g, b] = [rgb >> 16, rgb >> 8 & 255, rgb & 255].map(v => v / 255);
  const most = Math.max(r, g, b);
  const least = Math.min(r, g, b);
  if (most - least < 0.08) {
    return colour('ink-2');
  }
  const hue = 60 * (most === r ? ((g - b) / (most - least) + 6) % 6 : most === g ? (b - r) / (most - least) + 2 : (r - g) / (most - least) + 4);
  const bright = hue > 40 && hue < 200;   // yellows to cyans look lighter than they are
  return `hsl(${Math.round(hue)} 62% ${paint === 'night' ? (bright ? 58 : 70) : (bright ? 27 : 38)}%)`;
}

/** How the parts of a setup are drawn, by their role. Misfits and ellipse are much larger than the plan; what is outside its limit is madder and thick. */
function setupStyles() {
  const line = (name, width, dash) => new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour(name), width, lineDash: dash }) });
  const ringed = (name, radius) => new ol.style.Circle({ radius, stroke: stroke(name, 3) });
  const dot = (name, radius) => new ol.style.Circle({ radius, stroke: stroke(name, 2.5), fill: fill('paper') });
  const fixed = {
    sight: line('ink-2', 1.2, [3, 7]), misfit: line('moss', 4), 'misfit-outside': line('madder', 6), ellipse: line('heather', 2),
    'rests-on': line('heather', 2.5, [10, 5]), danger: line('madder', 2, [10, 6]), wall: line('heather', 2.5), 'contour-plan': line('ochre', 1.2), 'contour-height': line('heather', 1, [2, 6]),
  };
  return feature => fixed[feature.get('role')] ?? {
    free: () => new ol.style.Style({ image: dot('ink', 9) }),
    next: () => new ol.style.Style({ image: new ol.style.RegularShape({ points: 3, radius: 18, stroke: stroke('heather', 3) }) }),
    own: () => new ol.style.Style({ image: ringed('heather', 17) }),
    mark: () => new ol.style.Style({ image: ringed('heather', 13) }),
    hit: () => new ol.style.Style({ image: dot('moss', 5) }),
    'hit-outside': () => new ol.style.Style({ image: dot('madder', 8) }),
  }[feature.get('role')]();
}

/** A move: a line with a head where it leads to. */
function moved(feature) {
  const [[east, north], [toEast, toNorth]] = feature.getGeometry().getCoordinates();
  const head = new ol.style.RegularShape({ points: 3, radius: 8, fill: fill('madder'), rotation: Math.atan2(toEast - east, toNorth - north), rotateWithView: true });
  return [new ol.style.Style({ stroke: stroke('madder', 3) }), new ol.style.Style({ geometry: new ol.geom.Point([toEast, toNorth]), image: head })];
}

/** Makes the style functions of what moves; call again after the paint changed. */
export function styles() {
  const reference = new ol.style.Style({ stroke: stroke('edge', 1.5) });
  const referencePoint = new ol.style.Style({ image: new ol.style.Circle({ radius: 4, stroke: stroke('edge', 1.5) }) });
  const sight = new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('ink-2'), width: 1.5, lineDash: [3, 7] }) });
  return {
    outline: feature => feature.getGeometry() instanceof ol.geom.Point ? referencePoint : reference,
    station: feature => feature.getGeometry() instanceof ol.geom.LineString ? sight : [
      new ol.style.Style({ image: new ol.style.Circle({ radius: 10, stroke: stroke('ink', 2.5), fill: fill('paper') }) }),
      new ol.style.Style({ image: new ol.style.Circle({ radius: 2.6, fill: fill('ink') }) })],
    pole: [
      new ol.style.Style({ image: new ol.style.Circle({ radius: 15, stroke: stroke('heather', 2.6), fill: fill('heather-wash') }) }),
      new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 22, radius2: 0, stroke: stroke('heather', 2) }) })],
    beam: new ol.style.Style({ stroke: stroke('heather', 1.6) }),
    factor: new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 13, angle: Math.PI / 4, stroke: stroke('ochre', 2.5) }) }),
    setup: setupStyles(),
    moves: moved,
    touched: [new ol.style.Style({ image: new ol.style.Circle({ radius: 17, stroke: stroke('heather', 3) }), stroke: stroke('heather', 4) })],
    between: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 3 }) }),
    selection: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 2, lineDash: [8, 6] }) }),
  };
}
