// The map of a site: where the work of each job lies, its name beside it; touched, it shows the job in the list.
import { shape } from 'verge/frame/fold.js';
import { get } from 'verge/frame/http.js';
import { svgElement } from 'verge/frame/svg.js';
import { Labels } from 'verge/sketch/labels.js';
import { drawScale } from 'verge/sketch/scale.js';

const MARGIN = 26;
const HIGHEST = 300;
const LOWEST = 130;
const TEXT = 16;
const SMALLEST = 14;
const LEAST_METRES = 10;

function put(name, attributes, parent) {
  const made = svgElement(name, attributes);
  parent.append(made);
  return made;
}

/** On a pad it stays folded away until it is asked for: the jobs come first. */
export function mapOf(figure) {
  figure.open = shape() !== 'pad';
  const svg = figure.querySelector('svg');
  let body = null;
  let drawn = [];

  /** So that all of it fits into the figure's width; jobs at one and the same place still have some room. */
  function frame() {
    const wide = figure.clientWidth;
    const metres = Math.max((body.wide || LEAST_METRES) / (wide - 2 * MARGIN), (body.high || LEAST_METRES) / (HIGHEST - 2 * MARGIN));
    const high = Math.max(LOWEST, body.high / metres + 2 * MARGIN);
    return { wide, high, metres, x: east => wide / 2 + (east - body.wide / 2) / metres, y: north => high / 2 - (north - body.high / 2) / metres };
  }

  function drawArea(area, { x, y }) {
    const own = put('g', { class: area.worked ? 'area' : 'area given' }, svg);
    const places = area.corners.map(([east, north]) => [x(east), y(north)]);
    put('path', { d: `M${places.map(p => p.map(v => v.toFixed(1)).join(' ')).join('L')}${places.length > 2 ? 'Z' : ''}` }, own);
    const [left, right] = [Math.min(...places.map(p => p[0])), Math.max(...places.map(p => p[0]))];
    const [top, bottom] = [Math.min(...places.map(p => p[1])), Math.max(...places.map(p => p[1]))];
    const middle = [(left + right) / 2, (top + bottom) / 2];
    if (right - left < SMALLEST && bottom - top < SMALLEST) {
      put('circle', { cx: middle[0], cy: middle[1], r: SMALLEST / 2 }, own);
    }
    return { area, middle, radius: Math.max(SMALLEST / 2, Math.min(right - left, bottom - top) / 2) };
  }

  /** A name stands in the middle of its area where there is room, else beside it. */
  function nameAreas({ wide, high }) {
    const labels = new Labels(wide, high);
    const names = put('g', {}, svg);   // over all areas
    const pen = document.createElement('canvas').getContext('2d');
    pen.font = `650 ${TEXT}px Next, sans-serif`;
    [...drawn].sort((a, b) => b.radius - a.radius).forEach(({ area, middle, radius }) => {
      const width = pen.measureText(area.name).width + 4;
      const at = labels.place(...middle, width, TEXT + 4, 0) ?? labels.place(...middle, width, TEXT + 4, radius) ?? labels.place(...middle, width, TEXT + 4, TEXT);
      if (at) {
        put('text', { x: at[0] + 2, y: at[1] + TEXT * 0.35, 'data-job': area.job }, names).textContent = area.name;
      }
    });
  }

  function paint() {
    if (!body || !figure.open || figure.hidden) {
      return;
    }
    svg.replaceChildren();
    const seen = frame();
    svg.setAttribute('viewBox', `0 0 ${seen.wide} ${seen.high}`);
    svg.setAttribute('height', seen.high);
    drawn = body.areas.map(area => drawArea(area, seen));
    nameAreas(seen);
    drawScale(figure.querySelector('.scale-bar'), seen.metres, body.metresPerUnit, body.unit);
  }

  async function draw(text) {
    body = await get(`/sites/${figure.dataset.site}/map?${new URLSearchParams({ text })}`);
    figure.hidden = body.areas.length === 0;
    figure.querySelector('.missing').textContent = body.missing;
    await document.fonts.ready;
    paint();
  }

  /** The job whose name was touched, or whose area's middle is nearest, is shown in the list. */
  function show(event) {
    const { left, top } = svg.getBoundingClientRect();
    const away = ({ middle: [x, y] }) => Math.hypot(event.clientX - left - x, event.clientY - top - y);
    const nearest = drawn.reduce((a, b) => away(b) < away(a) ? b : a);
    location.replace(`#job-${event.target.dataset.job ?? nearest.area.job}`);
  }

  svg.addEventListener('click', show);
  new ResizeObserver(paint).observe(figure);
  return { draw };
}
