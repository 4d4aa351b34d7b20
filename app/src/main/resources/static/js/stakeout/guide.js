// The guide: one picture from far to the last millimetre. Its scale follows the distance; near the end the tolerance is true to size.

import { Labels } from 'verge/sketch/labels.js';
import { roundLength } from 'verge/sketch/scale.js';

const EDGE = 70;               // pixels that the pole keeps from the picture's edge, for its words
const LARGEST_TOLERANCE = 110; // pixels the tolerance may grow to
const WIDEST_SQUARE = 100;
const MILLIMETRES_PER_METRE = 1000;
const TRAIL = 60;
const POLE = 17;
const TARGET = 16;
const quill = document.createElement('canvas').getContext('2d');

/** Pixels per metre: the pole stays within reach of the middle, the tolerance stays drawable; steps keep the picture calm. */
export function pixelsPerMetre(distance, tolerance, reach) {
  const wanted = Math.min(reach / Math.max(distance, 1e-6), Math.min(LARGEST_TOLERANCE, reach / 2) / tolerance);
  return 10 ** (Math.floor(Math.log10(wanted) * 4) / 4);
}

function sayLength(length, unit) {
  return unit === 'm' && length < 1 ? `${Math.round(length * MILLIMETRES_PER_METRE)} mm` : `${Number(length.toPrecision(1))} ${unit}`;
}

/** Draws what the core says. trail: the pole's earlier places as [forward, right] still to go, in metres. */
export function drawGuide(svg, guide, trail) {
  const { clientWidth: width, clientHeight: height } = svg;
  if (!width || !height) {
    return;   // folded away: drawn with the next figures that come once it is seen
  }
  svg.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const [cx, cy] = [width / 2, height / 2];
  const reach = Math.max(40, Math.min(width, height) / 2 - EDGE);
  const scale = pixelsPerMetre(guide.distanceMetres, guide.planToleranceMetres, reach);
  const { length, pixels: side } = roundLength(1 / (scale * Number(svg.dataset.metresPerUnit)), WIDEST_SQUARE);
  const place = (forward, right) => [cx - right * scale, cy + forward * scale];   // still to go: the pole is behind and left of it
  const pole = place(guide.forwardMetres, guide.rightMetres);
  const corner = [pole[0], cy];
  const radius = Math.max(guide.planToleranceMetres * scale, 3);
  const words = writing(svg, guide, { width, height, middle: [cx, cy], pole, corner, radius, square: `one square is ${sayLength(length, svg.dataset.unit)}` });
  const dots = trail.map(([f, r]) => place(f, r)).map(([x, y]) => `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="2.5" fill="var(--ink-2)"/>`).join('');
  const way = guide.done ? '' : `<path d="M${pole}L${corner}L${cx} ${cy}" fill="none" stroke="var(--heather)" stroke-width="4" stroke-linejoin="round"/>`;
  svg.innerHTML = `
    <defs><pattern id="ground-grid" width="${side}" height="${side}" patternUnits="userSpaceOnUse" x="${cx}" y="${cy}"><path d="M${side} 0H0V${side}" fill="none" stroke="var(--rule-2)" stroke-width="1.5"/></pattern></defs>
    <rect width="${width}" height="${height}" fill="url(#ground-grid)"/>
    <path d="M${width - 22} 66V18m-6 11l6-11 6 11" fill="none" stroke="var(--edge)" stroke-width="2"/>
    <circle cx="${cx}" cy="${cy}" r="${radius}" fill="var(--moss-wash)" stroke="var(--moss)" stroke-width="2.5" stroke-dasharray="6 5"/>
    ${dots}${way}
    <path d="M${cx - 12} ${cy - 12}l24 24M${cx + 12} ${cy - 12}l-24 24" stroke="var(--heather)" stroke-width="5" stroke-linecap="round"/>
    <circle cx="${pole[0]}" cy="${pole[1]}" r="${POLE}" fill="var(--ink)"/><circle cx="${pole[0]}" cy="${pole[1]}" r="5" fill="var(--paper)"/>
    ${words}`;
}

/** All words of the guide, each where there is room; what has none stands in the figures beside the guide anyway. */
function writing(svg, guide, { width, height, middle, pole, corner, radius, square }) {
  const room = new Labels(width, height);
  const fixed = [text(square, [14, 28], 'mut'), text(`facing ${guide.facingWords}`, [width - 40 - wide(`facing ${guide.facingWords}`, 15), 28], 'mut')];
  room.block(0, 0, width, 40);
  room.block(middle[0] - TARGET, middle[1] - TARGET, 2 * TARGET, 2 * TARGET);
  room.block(pole[0] - POLE, pole[1] - POLE, 2 * POLE, 2 * POLE);
  if (!guide.done) {
    room.blockLine(pole, corner);
    room.blockLine(corner, middle);
  }
  const put = (words, [x, y], from, kind = '') => {
    const at = room.place(x, y, wide(words, kind === 'mut' ? 15 : 18), 22, from);
    return at ? text(words, [at[0], at[1] + 6], kind) : '';
  };
  return [...fixed,
    put('pole', pole, POLE + 2),
    put(svg.dataset.name, middle, Math.max(radius, TARGET) + 2),
    guide.done ? '' : put(`${guide.forwardWord.toLowerCase()} ${guide.forward}`, [pole[0], (pole[1] + middle[1]) / 2], 8),
    guide.done ? '' : put(`${guide.rightWord.toLowerCase()} ${guide.right}`, [(pole[0] + middle[0]) / 2, middle[1]], 8),
    put(`tolerance ${svg.dataset.tolerance}`, middle, Math.max(radius, TARGET) + 2, 'mut')].join('');
}

function wide(words, size) {
  quill.font = `650 ${size}px Next`;
  return quill.measureText(words).width;
}

const text = (words, [x, y], kind) => `<text x="${x.toFixed(1)}" y="${y.toFixed(1)}" class="${kind}">${escaped(words)}</text>`;

function escaped(words) {
  const holder = document.createElement('i');
  holder.textContent = words;
  return holder.innerHTML;
}

/** The trail with one more place, the oldest forgotten. */
export function follow(trail, guide) {
  return [...trail, [guide.forwardMetres, guide.rightMetres]].slice(-TRAIL);
}
