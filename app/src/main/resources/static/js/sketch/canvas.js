// Paints points and drawings on one canvas: what is drawn is moved while the finger moves, and drawn anew when it rests.
import { colour } from 'verge/frame/paint.js';
import { Labels, boxesOver } from 'verge/sketch/labels.js';
import { REACH, RADIUS, onPaper, stamps } from 'verge/sketch/marks.js';
import { touches } from 'verge/sketch/store.js';
import { PHOTO_RADIUS, drawPhotos } from 'verge/sketch/photos.js';
import { drawStrings, trace } from 'verge/sketch/strings.js';

/** Drawn this much beyond each edge, so that a short way of the finger uncovers nothing. */
const MARGIN = 0.35;
const MARK_CELL = 7;
const MOST_NAMES = 600;
/** Among so many marks nobody reads the name of one that is not known control. */
const CROWD = 2500;
const MOST_NAMES_IN_A_CROWD = 120;
const NAME_HEIGHT = 17;
/** How much farther a name is tried that has no room beside its mark: outside the ring of what is chosen. */
const FARTHER = 10;
const LOWEST_WORDS = 8;
const HIGHEST_WORDS = 48;
/** How wide a letter is for its height, about: measuring each of a drawing's thousands of words would take longer than drawing them. */
const LETTER = 0.52;

const paper = () => {
  const canvas = document.createElement('canvas');
  canvas.style.cssText = 'position:absolute;transform-origin:0 0;pointer-events:none';
  return canvas;
};

/**
 * A layer for the map that paints what the given function tells of: { points, strings, photos, sheets, labels, version }. All that is written stands on a
 * second one, its `words`, which lies above whatever moves on the map.
 */
export function canvasLayer(content) {
  const canvas = paper();
  const written = paper();
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
    canvas.style.transform = written.style.transform = still ? `translate(${Math.round(x)}px, ${Math.round(y)}px)` : `translate(${x}px, ${y}px) scale(${scale})`;
  }

  function draw(now) {
    const started = performance.now();
    const width = Math.ceil(now.size[0] * (1 + 2 * MARGIN));
    const height = Math.ceil(now.size[1] * (1 + 2 * MARGIN));
    if (!picture || picture.paint !== now.paint || picture.ratio !== now.ratio) {
      marks = stamps(now.ratio);
    }
    picture = { ...now, width, height };
    const [pen, quill] = [canvas, written].map(sheet => {
      sheet.width = Math.round(width * now.ratio);
      sheet.height = Math.round(height * now.ratio);
      sheet.style.width = `${width}px`;
      sheet.style.height = `${height}px`;
      const own = sheet.getContext('2d');
      own.scale(now.ratio, now.ratio);
      return own;
    });
    paint(pen, quill, picture, content(), marks);
    layer.lastDrawMillis = performance.now() - started;
    layer.draws = (layer.draws ?? 0) + 1;
  }

  /**
   * Draws a point, and the strings that it is on, upon the picture as it is: whoever measures sees at once that it is there. Its name, and what it
   * would lie under, come with the next full drawing. @return whether there was a picture
   */
  function drawUpon(point, strings) {
    if (!picture) {
      return false;
    }
    const pen = canvas.getContext('2d');
    const view = viewOf(picture);
    drawStrings(pen, view, strings, picture.paint);
    stamp(pen, marks[markOf(point)] ?? marks.DOT, view.x(point.east), view.y(point.north));
    return true;
  }

  const layer = new ol.layer.Layer({ render, zIndex: 15 });
  layer.drawUpon = drawUpon;
  layer.words = new ol.layer.Layer({ render: () => written, zIndex: 60 });
  return layer;
}

/** Where places of the grid lie on a picture. */
function viewOf({ center, resolution, width, height }) {
  return {
    x: east => (east - center[0]) / resolution + width / 2,
    y: north => (center[1] - north) / resolution + height / 2,
    box: [center[0] - width / 2 * resolution, center[1] - height / 2 * resolution, center[0] + width / 2 * resolution, center[1] + height / 2 * resolution],
    resolution, width, height,
  };
}

const markOf = point => (point.mark === 'MEASURED' ? point.marker || 'DOT' : point.mark);

function paint(pen, quill, picture, { points, strings, photos, sheets, labels }, marks) {
  const { width, height, size, paint: theme } = picture;
  const view = viewOf(picture);
  // what is for orientation lies beneath what can be picked
  const layered = [...sheets].sort((a, b) => Number(a.current) - Number(b.current));
  layered.forEach(sheet => drawFacets(pen, view, sheet));
  layered.forEach(sheet => drawLines(pen, view, sheet, theme));
  const room = roomFor(view, size);
  layered.forEach(sheet => drawWords(pen, view, sheet, room));
  drawStrings(pen, view, strings, theme);
  drawPhotos(pen, view, photos);
  photos.forEach(({ north, east }) => room.block(view.x(east), view.y(north) - PHOTO_RADIUS, PHOTO_RADIUS, PHOTO_RADIUS));
  const taken = new Cells(width, height, MARK_CELL);
  const names = [];
  const crowd = countSeen(view, points) > CROWD;
  drawPoints(pen, view, points, marks, taken, names, isControl);
  if (crowd) {
    blockMarks(names, room);
    drawNames(quill, names.splice(0), room, MOST_NAMES);   // known control is named first, and the crowd makes room for it
  }
  drawPoints(pen, view, points, marks, taken, names, point => !isControl(point), crowd ? room : null);
  layered.reverse().forEach(sheet => drawSpots(pen, view, sheet, points, marks, taken, names));
  blockMarks(names, room);
  drawLabels(quill, view, [...labels.values()].flat(), room);
  crowd ? drawNames(quill, names, room, MOST_NAMES_IN_A_CROWD, 1) : drawNames(quill, names, room, MOST_NAMES);
}

const isControl = point => point.mark === 'CONTROL';
const isSeen = (view, x, y) => x > -REACH && y > -REACH && x < view.width + REACH && y < view.height + REACH;
const countSeen = (view, { east, north, list }) => list.reduce((count, none, i) => count + (isSeen(view, view.x(east[i]), view.y(north[i])) ? 1 : 0), 0);
const blockMarks = (names, room) => names.forEach(([x, y, , , radius]) => room.block(x - radius, y - radius, 2 * radius, 2 * radius));

/** The room for words: all of the paper but what the sketch's own buttons cover. */
function roomFor(view, size) {
  const left = (view.width - size[0]) / 2;
  const top = (view.height - size[1]) / 2;
  const room = new Labels(view.width, view.height, [left, top, size[0], size[1]]);
  boxesOver(document.getElementById('sketch-map')).forEach(([x, y, w, h]) => room.block(left + x, top + y, w, h));
  return room;
}

/** Which cells of the paper are taken: at any zoom one mark a cell. */
class Cells {
  constructor(width, height, size) {
    this.size = size;
    this.columns = Math.ceil(width / size) + 2;
    this.taken = new Uint8Array(this.columns * (Math.ceil(height / size) + 2));
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
}

/** @param room what is written already keeps its place from these marks; null if nothing is */
function drawPoints(pen, view, points, marks, taken, names, which, room) {
  const { east, north, list } = points;
  for (let i = 0; i < list.length; i++) {
    const x = view.x(east[i]);
    const y = view.y(north[i]);
    const point = list[i];
    if (which(point) && isSeen(view, x, y) && !room?.isTaken(x, y) && taken.take(x, y)) {
      const mark = markOf(point);
      stamp(pen, marks[mark] ?? marks.DOT, x, y);
      names.push([x, y, point.name, point.mark === 'MEASURED' ? point.code : '', RADIUS[mark] ?? RADIUS.DOT, point.mark === 'CONTROL' ? 700 : 450]);
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
      names.push([x, y, role === 'UNDERLAY' ? '' : spot.name, '', RADIUS[role] ?? RADIUS.UNDERLAY, 450]);
    }
  }
}

function stamp(pen, mark, x, y) {
  pen.drawImage(mark, x - REACH, y - REACH, 2 * REACH, 2 * REACH);
}

/** What others want written: beside its place, or along its line where there is room. */
function drawLabels(quill, view, labels, room) {
  const onPaperNow = labels.map(label => ({ ...label, places: label.places.map(([east, north]) => [view.x(east), view.y(north)]) }));
  onPaperNow.filter(label => label.radius).forEach(({ places: [[x, y]], radius }) => room.block(x - radius, y - radius, 2 * radius, 2 * radius));
  onPaperNow.filter(label => label.along).forEach(({ places: [from, to] }) => room.blockLine(from, to));
  for (const { text, places, radius, ink, weight = 500 } of onPaperNow.filter(label => label.text)) {
    quill.font = `${weight} 14px Next`;
    const width = quill.measureText(text).width;
    let at = null;
    places.some(([x, y]) => (at = room.place(x, y, width, NAME_HEIGHT, radius)));
    at && write(quill, text, at, colour(ink));
  }
}

/** @param most that are written @param sides how many places about each mark are tried: in a crowd one is enough */
function drawNames(quill, names, room, most, sides) {
  const named = names.filter(([, , name]) => name).sort((a, b) => b[5] - a[5]);
  let left = most;
  const ink = colour('ink');
  for (const [x, y, name, code, radius, weight] of named) {
    if (left === 0) {
      return;
    }
    if (sides === 1 && !room.mayStand(x, y, NAME_HEIGHT, radius)) {
      continue;   // found far sooner than how long the name is
    }
    const font = `${weight} 15px Next`;
    quill.font = font;
    const own = quill.measureText(code ? `${name} ` : name).width;
    quill.font = '400 12px Next';
    const width = own + (code ? quill.measureText(code).width : 0);
    const at = room.place(x, y, width, NAME_HEIGHT, radius, sides) ?? room.place(x, y, width, NAME_HEIGHT, radius + FARTHER, sides);
    if (at) {
      left--;
      code && write(quill, code, [at[0] + own, at[1]], ink);
      quill.font = font;
      write(quill, name, at, ink);
    }
  }
}

/** Writes in the pen's present font, with a rim of paper. */
function write(pen, text, [x, y], ink) {
  pen.textBaseline = 'middle';
  pen.lineJoin = 'round';
  pen.strokeStyle = colour('paper');
  pen.lineWidth = 3;
  pen.strokeText(text, x, y);
  pen.fillStyle = ink;
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

/** A drawing's own words stand where it has them; names keep clear of those that can be read. */
function drawWords(pen, view, sheet, room) {
  pen.textBaseline = 'alphabetic';
  for (const words of sheet.words) {
    const size = Math.min(HIGHEST_WORDS, (words.own || 1) * 1.4 / view.resolution);
    if (size >= LOWEST_WORDS && sheet.shows(words) && touches(words.box, view.box)) {
      pen.font = `400 ${size}px Next`;
      pen.fillStyle = colour(sheet.roleOf(words) === 'DESIGN' ? 'ink-2' : 'edge');
      const [x, y] = [view.x(words.at[0]), view.y(words.at[1])];
      pen.fillText(words.name, x, y);
      room.block(x, y - size, LETTER * size * words.name.length, size);
    }
  }
}
