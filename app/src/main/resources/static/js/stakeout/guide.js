// The guide: one picture from far to the last millimetre. Its scale follows the distance; near the end the tolerance is true to size.

const CENTRE = [358, 300];
const REACH = 215;            // pixels from the middle that the pole may be away
const CLOSEST_TOLERANCE = 110; // pixels the tolerance may grow to
const SQUARES = [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000];
const TRAIL = 60;

/** Pixels per metre: the pole stays in the picture, the tolerance stays drawable; steps keep the picture calm. */
export function pixelsPerMetre(distance, tolerance) {
  const wanted = Math.min(REACH / Math.max(distance, 1e-6), CLOSEST_TOLERANCE / tolerance);
  const step = 10 ** (Math.floor(Math.log10(wanted) * 4) / 4);
  return step;
}

/** The side of a square of the ground grid, in metres, 40 to 110 pixels wide. */
export function square(scale) {
  return SQUARES.find(side => side * scale >= 40) ?? SQUARES.at(-1);
}

function sayLength(metres) {
  return metres < 1 ? `${Math.round(metres * 1000)} mm` : `${metres} m`;
}

/** Draws what the core says. trail: the pole's earlier places as [forward, right] still to go, in metres. */
export function drawGuide(svg, guide, trail) {
  const scale = pixelsPerMetre(guide.distanceMetres, guide.planToleranceMetres);
  const side = square(scale) * scale;
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
    <rect width="716" height="640" fill="url(#ground-grid)"/>
    <text x="22" y="36" class="mut">one square is ${sayLength(square(scale))}</text>
    <path d="M${cx} ${cy - 190}v60" stroke="var(--edge)" stroke-width="2"/><path d="M${cx - 6} ${cy - 180}l6-11 6 11" fill="none" stroke="var(--edge)" stroke-width="2"/>
    <text x="${cx + 12}" y="${cy - 172}" class="mut">facing ${escaped(svg.dataset.facingWords)}</text>
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
