// A computation: what is touched in the sketch fills its fields, what comes out is told and drawn while it is given.
import { fragment } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';
import { addLayer } from 'verge/sketch/sketch.js';

const PAUSE = 250;
const job = document.body.dataset.job;
let layer;

export function mount(bench) {
  layer ??= addLayer('setup', 23);
  const form = bench.querySelector('#tool-form');
  const worked = bench.querySelector('#worked');
  const keep = bench.querySelector('#keep');
  let asked = 0;
  let timer;

  const slide = bench.querySelector('#slide');
  const curve = () => {
    const told = worked.querySelector('[data-curve]')?.dataset.curve;
    if (slide && told) {
      const { path, at, x, y } = JSON.parse(told);
      slide.querySelector('.of-all').setAttribute('d', path);
      slide.querySelector('.here').setAttribute('d', `M${x} 40V${y}H0`);
      const slider = slide.querySelector('#slider');
      slider === document.activeElement || (slider.value = at);
    }
    slide && (slide.hidden = !told);
  };

  const draw = () => {
    const { lines, points } = JSON.parse(worked.querySelector('[data-drawing]')?.dataset.drawing ?? '{"lines": [], "points": []}');
    const feature = (role, geometry) => { const made = new ol.Feature({ geometry }); made.set('role', role); return made; };
    layer.clear();
    layer.addFeatures([...lines.map(line => feature('wall', new ol.geom.LineString(line))), ...points.map(at => feature('own', new ol.geom.Point(at)))]);
    bench.querySelector('#keep-as').hidden = points.length === 0;
    curve();
  };

  const compute = async () => {
    const mine = ++asked;
    try {
      const told = await fragment(`/jobs/${job}/compute/tools/${bench.dataset.tool}/worked`, { method: 'POST', body: new URLSearchParams(new FormData(form)) });
      if (mine === asked) {
        worked.replaceChildren(document.adoptNode(told));
        draw();
      }
    } catch (problem) {
      mine === asked && sayProblem(problem);
    }
  };
  const soon = () => { clearTimeout(timer); timer = setTimeout(compute, PAUSE); };

  const typed = event => {
    if (event.target.name === 'made') {
      keep.disabled = false;
      keep.value = [...worked.querySelectorAll('[name=made]:checked')].map(box => box.value).join(',');
    } else if (event.target.id === 'slider') {
      const slid = slide.querySelector('#slid');
      slid.disabled = false;
      slid.value = event.target.value;
      compute();
      return;
    } else if (event.target.dataset.pick) {
      slide && (slide.querySelector('#slid').disabled = true);
      keep.disabled = true;   // other points come out: which of them are meant is asked anew
    }
    soon();
  };
  form.addEventListener('input', typed);

  const fill = (field, text) => { field.value = text; field.dispatchEvent(new Event('input', { bubbles: true })); };
  const touched = event => {
    event.preventDefault();
    const { name } = event.detail;
    const fields = [...form.querySelectorAll('[data-pick]')];
    const field = fields.find(f => f === document.activeElement) ?? fields.find(f => !f.value) ?? fields.findLast(f => f.dataset.pick !== 'one');
    if (!field) {
      return;
    }
    if (field.dataset.pick === 'one') {
      fill(field, name);
      fields.find(f => !f.value)?.focus();
    } else if (field.dataset.pick === 'value') {
      fill(field, field.value && !field.value.includes(' to ') ? `${field.value} to ${name}` : name);
    } else {
      fill(field, field.value ? `${field.value}, ${name}` : name);
      field.focus();
    }
  };
  const string = event => {
    const field = form.querySelector('[data-pick=line]');
    if (field) {
      event.preventDefault();
      fill(field, event.detail.string.name);
    }
  };
  document.addEventListener('verge:touched', touched);
  document.addEventListener('verge:string', string);
  draw();
  return () => {
    clearTimeout(timer);
    asked++;
    document.removeEventListener('verge:touched', touched);
    document.removeEventListener('verge:string', string);
    layer.clear();
  };
}
