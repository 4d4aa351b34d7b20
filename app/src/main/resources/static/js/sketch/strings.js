// Strings on the sketch: lines of shots, drawn as the codebook has them.
import { colour } from 'verge/frame/paint.js';
import { DASHES } from 'verge/sketch/marks.js';
import { box, touches } from 'verge/sketch/store.js';

const WIDTH = 1.7;
/** How far apart the lines of a double one are, in pixels from the middle. */
const HALF_DOUBLE = 2.2;

/** A string as it was fetched, with the boxes of its lines. */
export const ready = string => ({ ...string, lines: string.lines.map(at => ({ at, box: box(at) })) });

/** Strings by their ids, with what changed put in place of what was. @param changed ids, or null if all are told anew */
export function merged(before, changed, told) {
  const strings = new Map(changed ? before : []);
  changed?.forEach(id => strings.delete(id));
  told.forEach(string => strings.set(string.id, ready(string)));
  return strings;
}

export function drawStrings(pen, view, strings, theme) {
  const byLine = new Map();
  for (const string of strings.values()) {
    byLine.has(string.line) || byLine.set(string.line, []);
    byLine.get(string.line).push(...string.lines.filter(line => touches(line.box, view.box)));
  }
  pen.save();
  pen.lineJoin = 'round';
  for (const [line, lines] of byLine) {
    pen.strokeStyle = colour('ink');
    pen.setLineDash(DASHES[line]?.split(' ').map(Number) ?? []);
    pen.lineCap = line === 'DOTTED' ? 'round' : 'butt';
    pen.lineWidth = (line === 'DOUBLE' ? 2 * HALF_DOUBLE + WIDTH : WIDTH) * (theme === 'sun' ? 1.6 : 1);
    pen.beginPath();
    lines.forEach(({ at }) => trace(pen, view, at));
    pen.stroke();
    if (line === 'DOUBLE') {   // the paper between its two lines
      pen.strokeStyle = colour('paper');
      pen.lineWidth = 2 * HALF_DOUBLE - WIDTH;
      pen.stroke();
    }
  }
  pen.restore();
}

/** Draws a line; steps of less than half a pixel are left out. */
export function trace(pen, view, at) {
  let lastX = view.x(at[0]);
  let lastY = view.y(at[1]);
  pen.moveTo(lastX, lastY);
  for (let i = 2; i < at.length; i += 2) {
    const x = view.x(at[i]);
    const y = view.y(at[i + 1]);
    if (Math.abs(x - lastX) + Math.abs(y - lastY) > 0.7 || i === at.length - 2) {
      pen.lineTo(x, y);
      lastX = x;
      lastY = y;
    }
  }
}
