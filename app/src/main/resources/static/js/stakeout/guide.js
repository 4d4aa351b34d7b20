// The guide: one picture from far to the last millimetre. Its scale follows the distance; near the end the tolerance is true to size.

import { roundLength } from 'verge/sketch/scale.js';

const CENTRE = [358, 300];
const REACH = 215;            // pixels from the middle that the pole may be away
const CLOSEST_TOLERANCE = 110; // pixels the tolerance may grow to
const WIDEST_SQUARE = 100;
const MILLIMETRES_PER_METRE = 1000;
const TRAIL = 60;

/** Pixels per metre: the pole stays in the picture, the tolerance stays drawable; steps keep the picture calm. */
export function pixelsPerMetre(distance, tolerance) {
  const wanted = Math.min(REACH / Math.max(distance, 1e-6), CLOSEST_TOLERANCE / tolerance);
  const step = 10 ** (Math.floor(Math.log10(wanted) * 4) / 4);
  return step;
}

function sayLength(length, unit) {
  return unit === 'm' && length < 1 ? `${Math.round(length * MILLIMETRES_PER_METRE)} mm` : `${Number(length.toPrecision(1))} ${unit}`;
}

/** Draws what the core says. trail: the pole's earlier places as [forward, right] still to go, in metres. */
export function drawGuide(svg, guide, trail) {
  const scale = pixelsPerMetre(guide.distanceMetres, guide.planToleranceMetres);
  const { length, pixels: side } = roundLength(1 / (scale * Number(svg.dataset.metresPerUnit)), WIDEST_SQUARE);
  const [cx, cy] = CENTRE;
  const place = (forward, right) => [cx - right * scale, cy + forward * scale];   // still to go: the pole is behind and left of it
  const [px, py] = place(guide.forwardMetres, guide.rightMetres);
  const radius = guide.planToleranceMetres * scale;
  const corner = [px, cy];
  const dots = trail.map(([f, r]) => place(f, r)).map(([x, y]) => `<circle cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="2.5" fill="var(--ink-2)"/>`).join('');
  const arrow = guide.done ? '' : `<path d="M${px} ${py}L${corner[0]} ${corner[1]}L${cx} ${cy}" fill="none" stroke="var(--heather)" stroke-width="4" stroke-linejoin="round"/>`;
  const forwardLabel = Math.abs(py - cy) > 44 ? `<text x="${px + (px > cx ? 12 : -12)}" y="${(py + cy) / 2}" text-anchor="${px > cx ? 'start' : 'end'}" font-weight="650">${guide.forwardWord.toLowerCase()} ${guide.forward}</text>` : '';
  const rightLabel = Math.abs(px - cx) > 120 ? `<text x="${(px + cx) / 2}" y="${cy + (py > cy ? -12 : 26)}" text-anchor="middle" font-weight="650">${guide.rightWord.toLowerCase()} ${guide.right}</text>` : '';
  svg.innerHTML = `
    <defs><pattern id="ground-grid" width="${side}" height="${side}" patternUnits="userSpaceOnUse" x="${cx}" y="${cy}"><path d="M${side} 0H0V${side}" fill="none" stroke="var(--rule-2)" stroke-width="1.5"/></pattern></defs>
    <rect x="-2000" y="-2000" width="5000" height="5000" fill="url(#ground-grid)"/>
    <text x="22" y="36" class="mut">one square is ${sayLength(length, svg.dataset.unit)}</text>
    <path d="M690 84V28m-6 11l6-11 6 11" fill="none" stroke="var(--edge)" stroke-width="2"/>
    <text x="674" y="36" class="mut" text-anchor="end">facing ${escaped(svg.dataset.facingWords)}</text>
    <circle cx="${cx}" cy="${cy}" r="${Math.max(radius, 3)}" fill="var(--moss-wash)" stroke="var(--moss)" stroke-width="2.5" stroke-dasharray="6 5"/>
    ${dots}${arrow}
    <path d="M${cx - 12} ${cy - 12}l24 24M${cx + 12} ${cy - 12}l-24 24" stroke="var(--heather)" stroke-width="5" stroke-linecap="round"/>
    <text x="${cx + Math.max(radius, 20) + 10}" y="${cy + 30}" font-weight="700">${escaped(svg.dataset.name)}</text>
    <text x="${cx + Math.max(radius, 20) + 10}" y="${cy + 50}" class="mut">tolerance ${escaped(svg.dataset.tolerance)}</text>
    ${forwardLabel}${rightLabel}
    <circle cx="${px}" cy="${py}" r="17" fill="var(--ink)"/><circle cx="${px}" cy="${py}" r="5" fill="var(--paper)"/>
    <text x="${px + (px > cx ? -26 : 26)}" y="${py + 22}" text-anchor="${px > cx ? 'end' : 'start'}" font-weight="700">pole</text>`;
}

function escaped(text) {
  const holder = document.createElement('i');
  holder.textContent = text;
  return holder.innerHTML;
}

/** The trail with one more place, the oldest forgotten. */
export function follow(trail, guide) {
  return [...trail, [guide.forwardMetres, guide.rightMetres]].slice(-TRAIL);
}
