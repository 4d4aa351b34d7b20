// Paints points and drawings on one canvas: what is drawn is moved while the finger moves, and drawn anew when it rests.
import { colour } from 'verge/frame/paint.js';
import { REACH, onPaper, stamps } from 'verge/sketch/marks.js';
import { touches } from 'verge/sketch/store.js';

/** Drawn this much beyond each edge, so that a short way of the finger uncovers nothing. */
const MARGIN = 0.35;
const MARK_CELL = 7;
const NAME_CELL = 10;
const MOST_NAMES = 600;
/** Among so many marks nobody reads the name of one that is not known control. */
const CROWD = 2500;
const MOST_NAMES_IN_A_CROWD = 120;
const LOWEST_WORDS = 8;
const HIGHEST_WORDS = 48;

/** A layer for the map that paints what the given function tells of: { points, sheets, version }. */
export function canvasLayer(content) {
  const canvas = document.createElement('canvas');
  canvas.style.cssText = 'position:absolute;transform-origin:0 0;pointer-events:none';
  let picture = null;
  let marks = null;

  function render(frame) {
    const { center, resolution } = frame.viewState;
    const now = { center, resolution, size: frame.size, ratio: frame.pixelRatio, version: content().version, paint: document.documentElement.dataset.paint };
    const moving = frame.viewHints[0] > 0 || frame.viewHints[1] > 0;
    if (!picture || !same(picture, now) && (!moving || !covers(picture, now))) {
      draw(now);
    }
    place(now);
    return canvas;
  }

  function same(a, b) {
    return a.center[0] === b.center[0] && a.center[1] === b.center[1] && a.resolution === b.resolution && a.size[0] === b.size[0] && a.size[1] === b.size[1]
      && a.version === b.version && a.paint === b.paint && a.ratio === b.ratio;
  }

  /** Whether the picture still lies under all that is seen, at a scale near enough to be read. */
  function covers(old, now) {
    const scale = old.resolution / now.resolution;
    const dx = Math.abs(now.center[0] - old.center[0]) / now.resolution;
    const dy = Math.abs(now.center[1] - old.center[1]) / now.resolution;
    return old.version === now.version && scale > 0.3 && scale < 4
      && (scale < 1 || dx + now.size[0] / 2 <= scale * old.size[0] * (0.5 + MARGIN) && dy + now.size[1] / 2 <= scale * old.size[1] * (0.5 + MARGIN));
  }

  function place(now) {
    const scale = picture.resolution / now.resolution;
    const x = now.size[0] / 2 + (picture.center[0] - now.center[0]) / now.resolution - scale * picture.width / 2;
    const y = now.size[1] / 2 - (picture.center[1] - now.center[1]) / now.resolution - scale * picture.height / 2;
    const still = Math.abs(scale - 1) < 1e-9;   // at rest on whole pixels, or every name would be blurred
    canvas.style.transform = still ? `translate(${Math.round(x)}px, ${Math.round(y)}px)` : `translate(${x}px, ${y}px) scale(${scale})`;
  }

  function draw(now) {
    const started = performance.now();
    const width = Math.ceil(now.size[0] * (1 + 2 * MARGIN));
    const height = Math.ceil(now.size[1] * (1 + 2 * MARGIN));
    if (!picture || picture.paint !== now.paint || picture.ratio !== now.ratio) {
      marks = stamps(now.ratio);
    }
    canvas.width = Math.round(width * now.ratio);
    canvas.height = Math.round(height * now.ratio);
    canvas.style.width = `${width}px`;
    canvas.style.height = `${height}px`;
    picture = { ...now, width, height };
    const pen = canvas.getContext('2d');
    pen.scale(now.ratio, now.ratio);
    paint(pen, picture, content(), marks);
    layer.lastDrawMillis = performance.now() - started;
    layer.draws = (layer.draws ?? 0) + 1;
  }

  const layer = new ol.layer.Layer({ render, zIndex: 15 });
  return layer;
}

function paint(pen, picture, { points, sheets }, marks) {
  const { center, resolution, width, height, paint: theme } = picture;
  const view = {
    x: east => (east - center[0]) / resolution + width / 2,
    y: north => (center[1] - north) / resolution + height / 2,
    box: [center[0] - width / 2 * resolution, center[1] - height / 2 * resolution, center[0] + width / 2 * resolution, center[1] + height / 2 * resolution],
    resolution, width, height,
  };
  // what is for orientation lies beneath what can be picked
  const layered = [...sheets].sort((a, b) => Number(a.current) - Number(b.current));
  layered.forEach(sheet => drawFacets(pen, view, sheet));
  layered.forEach(sheet => drawLines(pen, view, sheet, theme));
  layered.forEach(sheet => drawWords(pen, view, sheet));
  const taken = new Cells(width, height, MARK_CELL);
  const named = new Cells(width, height, NAME_CELL);
  const names = [];
  drawPoints(pen, view, points, marks, taken, names);
  layered.reverse().forEach(sheet => drawSpots(pen, view, sheet, points, marks, taken, names));
  drawNames(pen, names, named);
}

/** Which cells of the paper are taken: at any zoom one mark a cell, and no name over another. */
class Cells {
  constructor(width, height, size) {
    this.size = size;
    this.columns = Math.ceil(width / size) + 2;
    this.rows = Math.ceil(height / size) + 2;
    this.taken = new Uint8Array(this.columns * this.rows);
  }

  index(x, y) {
    return (Math.floor(y / this.size) + 1) * this.columns + Math.floor(x / this.size) + 1;
  }

  isFree(x, y) {
    return !this.taken[this.index(x, y)];
  }

  /** Takes the cell of a place. @return whether it was free */
  take(x, y) {
    const index = this.index(x, y);
    return !this.taken[index] && (this.taken[index] = 1) === 1;
  }

  /** Takes all cells under a box if all are free. */
  takeAll(x, y, w, h) {
    const left = Math.max(0, Math.floor(x / this.size) + 1);
    const right = Math.min(this.columns - 1, Math.floor((x + w) / this.size) + 1);
    const top = Math.max(0, Math.floor(y / this.size) + 1);
    const bottom = Math.min(this.rows - 1, Math.floor((y + h) / this.size) + 1);
    for (let r = top; r <= bottom; r++) {
      for (let c = left; c <= right; c++) {
        if (this.taken[r * this.columns + c]) {
          return false;
        }
      }
    }
    for (let r = top; r <= bottom; r++) {
      this.taken.fill(1, r * this.columns + left, r * this.columns + right + 1);
    }
    return true;
  }
}

function drawPoints(pen, view, points, marks, taken, names) {
  const { east, north, list } = points;
  for (let i = 0; i < list.length; i++) {
    const x = view.x(east[i]);
    const y = view.y(north[i]);
    if (x > -REACH && y > -REACH && x < view.width + REACH && y < view.height + REACH && taken.take(x, y)) {
      const point = list[i];
      stamp(pen, marks[point.mark === 'MEASURED' ? point.marker || 'DOT' : point.mark] ?? marks.DOT, x, y);
      names.push([x, y, point.name, point.mark === 'MEASURED' ? point.code : '', point.mark === 'CONTROL' ? 700 : 450]);
    }
  }
}

function drawSpots(pen, view, sheet, points, marks, taken, names) {
  const own = points.byName ??= new Map(points.list.map(p => [p.name + (p.mark === 'CONTROL' || p.mark === 'DESIGN' ? p.mark : ''), p]));
  for (const spot of sheet.spots) {
    const x = view.x(spot.at[0]);
    const y = view.y(spot.at[1]);
    if (x < -REACH || y < -REACH || x > view.width + REACH || y > view.height + REACH || !taken.isFree(x, y) || !sheet.shows(spot)) {
      continue;
    }
    const role = sheet.roleOf(spot);
    const known = spot.name && own.has(spot.name + (role === 'REGISTER' ? 'CONTROL' : role));   // taken on: drawn as the job's own
    if (!known) {
      taken.take(x, y);
      stamp(pen, marks[role] ?? marks.UNDERLAY, x, y);
      spot.name && role !== 'UNDERLAY' && names.push([x, y, spot.name, '', 450]);
    }
  }
}

function stamp(pen, mark, x, y) {
  pen.drawImage(mark, x - REACH, y - REACH, 2 * REACH, 2 * REACH);
}

function drawNames(pen, names, named) {
  pen.textBaseline = 'middle';
  pen.lineJoin = 'round';
  pen.strokeStyle = colour('paper');
  pen.fillStyle = colour('ink');
  pen.lineWidth = 3;
  const most = names.length > CROWD ? MOST_NAMES_IN_A_CROWD : MOST_NAMES;
  let drawn = 0;
  for (const [x, y, name, code, weight] of names) {
    if (drawn === most) {
      return;
    }
    const width = 8.4 * name.length + (code ? 7 * code.length + 5 : 0);
    if (named.takeAll(x - 6, y - 9, width + 20, 17)) {
      drawn++;
      write(pen, name, x + 12, y - 2, `${weight} 15px Next`);
      if (code) {
        const after = pen.measureText(`${name} `).width;
        write(pen, code, x + 12 + after, y - 1, '400 12px Next');
      }
    }
  }
}

function write(pen, text, x, y, font) {
  pen.font = font;
  pen.strokeText(text, x, y);
  pen.fillText(text, x, y);
}

/** Lines in one colour go on the paper in one stroke. */
function drawLines(pen, view, sheet, theme) {
  const byPaint = new Map();
  for (const line of sheet.lines) {
    if (sheet.shows(line) && touches(line.box, view.box)) {
      const role = sheet.roleOf(line);
      const key = role === 'DESIGN' ? (line.own >= 0 ? line.own : sheet.layers[line.layer]?.colour ?? -1) : 'edge';
      byPaint.has(key) || byPaint.set(key, []);
      byPaint.get(key).push(line);
    }
  }
  for (const [key, lines] of byPaint) {
    pen.strokeStyle = key === 'edge' ? colour('edge') : onPaper(key, theme);
    pen.lineWidth = (key === 'edge' ? 1.1 : 1.9) * (theme === 'sun' ? 2 : 1);
    pen.globalAlpha = key === 'edge' && theme !== 'sun' ? 0.8 : 1;
    pen.beginPath();
    lines.forEach(line => trace(pen, view, line.at));
    pen.stroke();
  }
  pen.globalAlpha = 1;
}

/** Steps of less than half a pixel are left out. */
function trace(pen, view, at) {
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

function drawFacets(pen, view, sheet) {
  for (const facets of sheet.facets) {
    if (!sheet.shows(facets) || !touches(facets.box, view.box)) {
      continue;
    }
    pen.strokeStyle = colour(sheet.roleOf(facets) === 'DESIGN' ? 'edge' : 'rule');
    pen.lineWidth = 0.8;
    pen.beginPath();
    const corners = facets.own;
    for (let t = 0; t < corners.length; t += 3) {
      for (let k = 0; k < 4; k++) {
        const v = 2 * corners[t + k % 3];
        pen[k === 0 ? 'moveTo' : 'lineTo'](view.x(facets.at[v]), view.y(facets.at[v + 1]));
      }
    }
    pen.stroke();
  }
}

function drawWords(pen, view, sheet) {
  pen.textBaseline = 'alphabetic';
  for (const words of sheet.words) {
    const size = Math.min(HIGHEST_WORDS, (words.own || 1) * 1.4 / view.resolution);
    if (size >= LOWEST_WORDS && sheet.shows(words) && touches(words.box, view.box)) {
      pen.font = `400 ${size}px Next`;
      pen.fillStyle = colour(sheet.roleOf(words) === 'DESIGN' ? 'ink-2' : 'edge');
      pen.fillText(words.name, view.x(words.at[0]), view.y(words.at[1]));
    }
  }
}
