// The marks of the sketch, in the present paint.
import { colour } from 'verge/frame/paint.js';

const stroke = (name, width) => new ol.style.Stroke({ color: colour(name), width });
const fill = name => new ol.style.Fill({ color: colour(name) });

/** The images that make one mark, the lowest first. */
function images(mark, marker) {
  const ink = stroke('ink', 2);
  switch (mark) {
    case 'CONTROL': return [new ol.style.RegularShape({ points: 3, radius: 12, fill: fill('ink') })];
    case 'DESIGN': return [new ol.style.RegularShape({ points: 4, radius: 8, stroke: ink, fill: fill('paper') })];
    case 'STAKED': return [new ol.style.RegularShape({ points: 4, radius: 9, radius2: 0, angle: Math.PI / 4, stroke: stroke('heather', 3) })];
    default: return measured(marker, ink);
  }
}

function measured(marker, ink) {
  const ring = new ol.style.Circle({ radius: 6, stroke: ink, fill: fill('paper') });
  switch (marker) {
    case 'RING': return [ring];
    case 'CROSS': return [new ol.style.RegularShape({ points: 4, radius: 7, radius2: 0, stroke: ink })];
    case 'SQUARE': return [new ol.style.RegularShape({ points: 4, radius: 7, angle: Math.PI / 4, stroke: ink, fill: fill('paper') })];
    case 'DIAMOND': return [new ol.style.RegularShape({ points: 4, radius: 6, fill: fill('ink') })];
    case 'RING_CROSS': return [ring, new ol.style.RegularShape({ points: 4, radius: 10, radius2: 0, stroke: ink })];
    default: return [new ol.style.Circle({ radius: 4, fill: fill('ink') })];
  }
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

/** A point's name, and its code smaller behind it. */
const text = (name, code, weight) => new ol.style.Text({
  text: code ? [name, `${weight} 15px Next`, ` ${code}`, '400 12px Next'] : name, font: `${weight} 15px Next`,
  offsetX: 12, offsetY: -2, textAlign: 'left', fill: fill('ink'), stroke: stroke('paper', 3),
});

/** Makes the style functions; call again after the paint changed. */
export function styles() {
  const made = new Map();
  const cached = (mark, marker) => {
    const key = mark + marker;
    made.has(key) || made.set(key, images(mark, marker).map(image => new ol.style.Style({ image })));
    return made.get(key);
  };
  const reference = new ol.style.Style({ stroke: stroke('edge', 1.5) });
  const referencePoint = new ol.style.Style({ image: new ol.style.Circle({ radius: 4, stroke: stroke('edge', 1.5) }) });
  const sight = new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('ink-2'), width: 1.5, lineDash: [3, 7] }) });
  return {
    point: feature => cached(feature.get('mark'), feature.get('marker')),
    label: feature => new ol.style.Style({ text: feature.get('mark') === 'MEASURED' ? text(feature.get('name'), feature.get('code'), 450)
      : text(feature.get('name'), '', feature.get('mark') === 'CONTROL' ? 700 : 450) }),
    outline: feature => feature.getGeometry() instanceof ol.geom.Point ? referencePoint : reference,
    station: feature => feature.getGeometry() instanceof ol.geom.LineString ? sight : [
      new ol.style.Style({ image: new ol.style.Circle({ radius: 10, stroke: stroke('ink', 2.5), fill: fill('paper') }) }),
      new ol.style.Style({ image: new ol.style.Circle({ radius: 2.6, fill: fill('ink') }) })],
    pole: [
      new ol.style.Style({ image: new ol.style.Circle({ radius: 15, stroke: stroke('heather', 2.6), fill: fill('heather-wash') }) }),
      new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 22, radius2: 0, stroke: stroke('heather', 2) }) })],
    beam: new ol.style.Style({ stroke: stroke('heather', 1.6) }),
    factor: feature => [
      new ol.style.Style({ image: new ol.style.RegularShape({ points: 4, radius: 13, angle: Math.PI / 4, stroke: stroke('ochre', 2.5) }) }),
      new ol.style.Style({ text: new ol.style.Text({ text: feature.get('label'), font: '450 13px Next', offsetY: 22, fill: fill('ink-2'), stroke: stroke('paper', 3) }) })],
    touched: new ol.style.Style({ image: new ol.style.Circle({ radius: 17, stroke: stroke('heather', 3) }) }),
    between: new ol.style.Style({ stroke: new ol.style.Stroke({ color: colour('heather'), width: 3 }) }),
  };
}
