// The marks of the sketch, in the present paint: painted on canvas for points, as styles for the few things that move.
import { colour } from 'verge/frame/paint.js';

const stroke = (name, width) => new ol.style.Stroke({ color: colour(name), width });
const fill = name => new ol.style.Fill({ color: colour(name) });

/** Half the width of the square that a mark is painted in. */
export const REACH = 14;

/** How far each mark reaches from its place, in pixels: no name comes nearer. */
export const RADIUS = { CONTROL: 11, REGISTER: 11, DESIGN: 9, COMPUTED: 9, STAKED: 9, UNDERLAY: 4, RING: 7, CROSS: 7, SQUARE: 7, DIAMOND: 7, RING_CROSS: 10, TRIANGLE: 8, TREE: 10, POST: 5, COVER: 8, DOT: 5 };

const circle = r => `M${r} 0A${r} ${r} 0 1 1 ${-r} 0A${r} ${r} 0 1 1 ${r} 0z`;
const TRIANGLE = 'M0-12L10.4 6-10.4 6z';
const diamond = r => `M0 ${-r}L${r} 0 0 ${r} ${-r} 0z`;
const square = r => `M${-r} ${-r}H${r}V${r}H${-r}z`;
const cross = r => `M${-r} 0H${r}M0 ${-r}V${r}`;

/** How each mark is drawn about 0, 0: paths with the colours that fill and line them. Control is a filled triangle, the register a hollow one; designs are diamonds, what was computed has its place marked within. */
const SHAPES = {
  CONTROL: [{ d: TRIANGLE, fill: 'ink' }],
  REGISTER: [{ d: TRIANGLE, fill: 'paper', line: 'ink' }],
  DESIGN: [{ d: diamond(8), fill: 'paper', line: 'ink' }],
  COMPUTED: [{ d: diamond(8), fill: 'paper', line: 'ink' }, { d: circle(2), fill: 'ink' }],
  STAKED: [{ d: 'M-6.4-6.4L6.4 6.4M-6.4 6.4L6.4-6.4', line: 'heather', width: 3 }],
  UNDERLAY: [{ d: circle(3.5), line: 'edge', width: 1.5 }],
  RING: [{ d: circle(6), fill: 'paper', line: 'ink' }],
  CROSS: [{ d: cross(7), line: 'ink' }],
  SQUARE: [{ d: square(5), fill: 'paper', line: 'ink' }],
  DIAMOND: [{ d: diamond(6), fill: 'ink' }],
  RING_CROSS: [{ d: circle(6), fill: 'paper', line: 'ink' }, { d: cross(10), line: 'ink' }],
  TRIANGLE: [{ d: 'M0 7L-7-5H7z', fill: 'paper', line: 'ink' }],
  TREE: [{ d: circle(9), line: 'ink', width: 1.2 }, { d: circle(2.5), fill: 'ink' }],
  POST: [{ d: square(4), fill: 'ink' }],
  COVER: [{ d: square(7), fill: 'paper', line: 'ink', width: 1.5 }, { d: circle(4), line: 'ink', width: 1.5 }],
  DOT: [{ d: circle(4), fill: 'ink' }],
};
const WIDTH = 2;

function paintShape(pen, shape) {
  for (const { d, fill, line, width } of shape) {
    const path = new Path2D(d);
    if (fill) {
      pen.fillStyle = colour(fill);
      pen.fill(path);
    }
    if (line) {
      pen.strokeStyle = colour(line);
      pen.lineWidth = width ?? WIDTH;
      pen.stroke(path);
    }
  }
}

/** Paints each mark once, to be stamped many times. */
export function stamps(pixelRatio) {
  return Object.fromEntries(Object.entries(SHAPES).map(([name, shape]) => {
    const canvas = document.createElement('canvas');
    canvas.width = canvas.height = Math.ceil(2 * REACH * pixelRatio);
    const pen = canvas.getContext('2d');
    pen.scale(pixelRatio, pixelRatio);
    pen.translate(REACH, REACH);
    paintShape(pen, shape);
    return [name, canvas];
  }));
}

export const DASHES = { DASHED: '9 5', DOTTED: '1.5 5', DASH_DOT: '10 4 2 4' };

/** Draws into an SVG of the legend, 70 by 20 units, how a code looks: its line if it makes strings, else its marker. */
export function sample(svg) {
  const { line, marker } = svg.dataset;
  const stroke = 'fill="none" stroke="currentColor" stroke-width="2.2"';
  if (line) {
    svg.innerHTML = line === 'DOUBLE' ? `<path d="M3 7H67M3 13H67" ${stroke}/>` : `<path d="M3 10H67" ${stroke} stroke-dasharray="${DASHES[line] ?? 'none'}" stroke-linecap="${line === 'DOTTED' ? 'round' : 'butt'}"/>`;
  } else {
    const paths = (SHAPES[marker] ?? SHAPES.DOT).map(({ d, fill, line: edge, width }) =>
      `<path d="${d}" fill="${fill ? `var(--${fill === 'ink' ? 'mark' : fill}, currentColor)` : 'none'}" stroke="${edge ? 'currentColor' : 'none'}" stroke-width="${width ?? WIDTH}"/>`);
    svg.innerHTML = `<g transform="translate(35 10) scale(.9)">${paths.join('')}</g>`;
  }
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
    'rests-on': line('heather', 2.5, [10, 5]), danger: line('madder', 2, [10, 6]), wall: line('heather', 2.5), given: line('ink-2', 1.6), 'contour-plan': line('ochre', 1.2), 'contour-height': line('heather', 1, [2, 6]),
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

/** Where a rover is, and the circle it lies in: solid when its solution is fixed, else broken. */
function rovers(feature) {
  const fixed = feature.get('kind') === 'fixed';
  const line = new ol.style.Stroke({ color: colour(fixed ? 'moss' : 'ochre'), width: 2, lineDash: fixed ? undefined : [5, 6] });
  return feature.get('role') === 'error' ? new ol.style.Style({ stroke: line, fill: fixed ? fill('moss-wash') : undefined })
    : new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 13, radius2: 0, angle: Math.PI / 4, stroke: stroke(fixed ? 'moss' : 'ochre', 2.6) }) });
}

function bases(feature) {
  const hue = { good: 'moss', look: 'ochre', stop: 'madder' }[feature.get('mark')];
  return feature.get('role') === 'reach' ? new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour(hue), width: 1.5, lineDash: [2, 8] }) })
    : [17, 22].map(radius => new ol.style.Style({ image: new ol.style.Circle({ radius, stroke: stroke(hue, 2) }) }));
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
    rover: rovers,
    base: bases,
    beam: new ol.style.Style({ stroke: stroke('heather', 1.6) }),
    factor: new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 13, angle: Math.PI / 4, stroke: stroke('ochre', 2.5) }) }),
    dimension: new ol.style.Style({ stroke: stroke('ink-2', 1) }),
    setup: setupStyles(),
    moves: moved,
    touched: [new ol.style.Style({ image: new ol.style.Circle({ radius: 17, stroke: stroke('heather', 3) }), stroke: stroke('heather', 4) })],
    between: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 3 }) }),
    armed: feature => ({
      armed: new ol.style.Style({ stroke: stroke('heather', 5) }),
      also: new ol.style.Style({ stroke: stroke('heather', 3) }),
      ghost: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 2.5, lineDash: [4, 8], lineCap: 'round' }) }),
      from: new ol.style.Style({ image: new ol.style.Circle({ radius: 8, stroke: stroke('heather', 3) }) }),
    })[feature.get('role')],
    gaps: feature => ({
      hole: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('ochre'), width: 2, lineDash: [3, 7], lineCap: 'round' }) }),
      gap: new ol.style.Style({ image: new ol.style.Circle({ radius: 15, stroke: new ol.style.Stroke({ color: colour('ochre'), width: 2.5, lineDash: [3, 6], lineCap: 'round' }) }) }),
      way: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('ochre'), width: 2, lineDash: [1, 7], lineCap: 'round' }) }),
      area: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('edge'), width: 2, lineDash: [14, 5] }) }),
    })[feature.get('role')],
    selection: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 2, lineDash: [8, 6] }) }),
  };
}
