// One photo: what is drawn over it with a finger, and which way it looks.
import { post } from 'verge/frame/http.js';
import { refreshFrame, turnTo } from 'verge/frame/leaves.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { svgElement } from 'verge/frame/svg.js';

const job = document.body.dataset.job;
/** Of the longer side, as on the copies that are handed over. */
const PEN = 1 / 250;
const HALO = 2.2;
const ARROW_HEAD = 1 / 40;
const ARROW_WIDTH = 0.55;
const LETTERS = 1 / 35;
/** A place nearer to the last than this is the finger's trembling. */
const TREMBLE = 0.004;

export function mount(bench) {
  const id = bench.dataset.photoId;
  const kept = `strokes:${id}`;
  const image = bench.querySelector('#photo');
  const sheet = bench.querySelector('#strokes');
  const words = bench.querySelector('#stroke-words');
  const draft = JSON.parse(localStorage.getItem(kept) ?? 'null');
  let strokes = draft?.over === bench.dataset.strokes ? draft.strokes : JSON.parse(bench.dataset.strokes);
  let pen = 'arrow';

  const draw = (more = []) => {
    sheet.setAttribute('viewBox', `0 0 ${image.naturalWidth || 100} ${image.naturalHeight || 100}`);
    sheet.replaceChildren(...[...strokes, ...more].flatMap(stroke => shapes(stroke, image.naturalWidth || 100, image.naturalHeight || 100)));
    document.getElementById('stroke-count').textContent = strokes.length;
  };
  const changed = () => { localStorage.setItem(kept, JSON.stringify({ over: bench.dataset.strokes, strokes })); draw(); };

  image.complete ? draw() : image.addEventListener('load', () => draw());
  sheet.addEventListener('pointerdown', event => follow(sheet, event, pen, words.value.trim(), draw, stroke => { strokes = [...strokes, stroke]; changed(); }));
  bench.querySelector('#pens').addEventListener('click', event => {
    pen = event.target.dataset.pen ?? pen;
    bench.querySelectorAll('[data-pen]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.pen === pen)));
    bench.querySelector('#words-field').hidden = pen !== 'words';
    event.target.dataset.pen === 'words' && words.focus();
  });
  bench.querySelector('#take-back').addEventListener('click', () => { strokes = strokes.slice(0, -1); changed(); });
  document.getElementById('keep-strokes').addEventListener('click', async () => {
    try {
      await post(`/jobs/${job}/photos/${id}/strokes`, { strokes: JSON.stringify(strokes) });
      localStorage.removeItem(kept);
      say('What is drawn over the photo is kept.', 'The photo itself stays as it was taken.', 'good');
      await refreshFrame();
    } catch (problem) {
      sayProblem(problem);
    }
  });
  return lookWhereTouched(bench.querySelector('#look-there'), id);
}

/** After the key, a touch on the sketch says which way the photo looks. */
function lookWhereTouched(key, id) {
  const touching = event => {
    if (key.getAttribute('aria-pressed') === 'true') {
      event.preventDefault();
      const [east, north] = event.detail.at;
      post(`/jobs/${job}/photos/${id}/looking`, { north, east }).then(() => turnTo(location.href, {}, false)).catch(sayProblem);
    }
  };
  key.addEventListener('click', () => key.setAttribute('aria-pressed', String(key.getAttribute('aria-pressed') !== 'true')));
  document.addEventListener('verge:touching', touching);
  return () => document.removeEventListener('verge:touching', touching);
}

/** Follows a finger from where it comes down to where it leaves; what that makes is told when it does. */
function follow(sheet, down, pen, text, draw, done) {
  down.preventDefault();
  const { left, top, width, height } = sheet.getBoundingClientRect();
  const part = value => Math.min(1, Math.max(0, value));
  const at = event => ({ right: part((event.clientX - left) / width), down: part((event.clientY - top) / height) });
  const first = at(down);
  if (pen === 'words') {
    text ? done({ kind: 'words', at: first, text }) : say('No words yet.', 'Write them below the photo first, then touch where they begin.');
    return;
  }
  const spots = [first];
  const made = () => {
    const last = spots[spots.length - 1];
    return pen === 'arrow' ? { kind: 'arrow', from: first, to: last } : pen === 'circle' ? { kind: 'circle', one: first, other: last } : { kind: 'free', spots };
  };
  const move = event => {
    const spot = at(event);
    const last = spots[spots.length - 1];
    if (Math.hypot(spot.right - last.right, spot.down - last.down) > TREMBLE) {
      spots.push(spot);
      draw([made()]);
    }
  };
  const end = event => {
    sheet.removeEventListener('pointermove', move);
    sheet.removeEventListener('pointerup', end);
    sheet.removeEventListener('pointercancel', end);
    spots.length > 1 && event.type === 'pointerup' ? done(made()) : draw();
  };
  sheet.setPointerCapture(down.pointerId);
  sheet.addEventListener('pointermove', move);
  sheet.addEventListener('pointerup', end);
  sheet.addEventListener('pointercancel', end);
}

/** A stroke as it is drawn: a pale rim below, the pen above. */
function shapes(stroke, width, height) {
  const longer = Math.max(width, height);
  if (stroke.kind === 'words') {
    const text = svgElement('text', { x: stroke.at.right * width, y: stroke.at.down * height, 'font-size': longer * LETTERS, 'stroke-width': longer * PEN * HALO, class: 'stroke-words' });
    text.textContent = stroke.text;
    return [text];
  }
  const d = stroke.kind === 'circle' ? ellipse(stroke, width, height) : line(stroke, width, height, longer);
  return [['rim', HALO], ['pen', 1]].map(([name, wide]) => svgElement('path', { d, class: `stroke-${name}`, 'stroke-width': longer * PEN * wide }));
}

function ellipse({ one, other }, width, height) {
  const rx = Math.abs(other.right - one.right) * width / 2;
  const ry = Math.abs(other.down - one.down) * height / 2;
  const left = Math.min(one.right, other.right) * width;
  const middle = (one.down + other.down) / 2 * height;
  return `M${left} ${middle}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0`;
}

function line(stroke, width, height, longer) {
  const spots = (stroke.kind === 'arrow' ? [stroke.from, stroke.to] : stroke.spots).map(s => [s.right * width, s.down * height]);
  const way = spots.map(([x, y], i) => `${i ? 'L' : 'M'}${x} ${y}`).join('');
  if (stroke.kind !== 'arrow') {
    return way;
  }
  const [[fromX, fromY], [toX, toY]] = spots;
  const towards = Math.atan2(toY - fromY, toX - fromX);
  const size = longer * ARROW_HEAD;
  const side = sign => [toX - size * Math.cos(towards) - sign * ARROW_WIDTH * size * Math.sin(towards), toY - size * Math.sin(towards) + sign * ARROW_WIDTH * size * Math.cos(towards)];
  const [ax, ay] = side(1);
  const [bx, by] = side(-1);
  return `${way}M${ax} ${ay}L${toX} ${toY}L${bx} ${by}`;
}
