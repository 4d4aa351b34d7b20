// A computation: what is touched in the sketch fills its fields, what comes out is told and drawn while it is given.
import { fragment, onceId, post } from 'verge/frame/http.js';
import { tellStored } from 'verge/frame/leaves.js';
import { newest } from 'verge/frame/newest.js';
import { askedField } from 'verge/frame/pick.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { slideOn } from 'verge/cogo/slide.js';
import { addLayer, drawPoint } from 'verge/sketch/sketch.js';

const PAUSE = 250;
const ROLES = { given: 'given', made: 'wall', doubtful: 'danger' };
const job = document.body.dataset.job;
const shot = onceId();
let layer;

export function mount(bench) {
  layer ??= addLayer('setup', 23);
  const form = bench.querySelector('#tool-form');
  const worked = bench.querySelector('#worked');
  const keep = bench.querySelector('#keep');
  const computed = newest();
  let timer;

  const slide = bench.querySelector('#slide');
  const slid = part => {
    const field = slide.querySelector('#slid');
    field.disabled = false;
    field.value = part;
    compute();
  };
  const endSliding = slide && slideOn(layer, () => worked.querySelector('[data-curve]')?.dataset.curve, slid);
  const curve = () => {
    const told = worked.querySelector('[data-curve]')?.dataset.curve;
    if (slide && told) {
      const { path, at, x, y, left, right } = JSON.parse(told);
      slide.querySelector('.of-all').setAttribute('d', path);
      const [toLeft, toRight] = slide.querySelectorAll('.both .fig');
      toLeft.textContent = `left ${left}`;
      toRight.textContent = `right ${right}`;
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
    layer.addFeatures([...lines.map(line => feature(ROLES[line.role], new ol.geom.LineString(line.at))), ...points.map(at => feature('own', new ol.geom.Point(at)))]);
    const told = worked.querySelector('[data-drawing]')?.dataset ?? {};
    bench.querySelector('#keep-as').hidden = points.length === 0;
    bench.querySelector('#lines-as').hidden = !Number(told.lines);
    bench.querySelector('#pin').hidden = told.canBePinned !== 'true';
    curve();
  };

  const compute = () => computed(() => fragment(`/jobs/${job}/compute/tools/${bench.dataset.tool}/worked`, { method: 'POST', body: new URLSearchParams(new FormData(form)) }), told => {
    worked.replaceChildren(document.adoptNode(told));
    draw();
  }, sayProblem);
  const soon = () => { clearTimeout(timer); timer = setTimeout(compute, PAUSE); };

  const typed = event => {
    if (event.target.name === 'made') {
      keep.disabled = false;
      keep.value = [...worked.querySelectorAll('[name=made]:checked')].map(box => box.value).join(',');
    } else if (event.target.id === 'slider') {
      slid(event.target.value);
      return;
    } else if (event.target.dataset.pick) {
      slide && (slide.querySelector('#slid').disabled = true);
      keep.disabled = true;   // other points come out: which of them are meant is asked anew
    }
    soon();
  };
  form.addEventListener('input', typed);

  const asked = askedField(form);
  let touchedInto = null;
  /** Points in a row are touched one after the other; a value is taken from two points. */
  const takesMore = field => ['many', 'line', 'lines'].includes(field.dataset.pick) || field === touchedInto && field.dataset.pick === 'value' && !field.value.includes(' to ');

  const fill = (field, text) => { field.value = text; field.dispatchEvent(new Event('input', { bubbles: true })); };
  const touched = event => {
    event.preventDefault();
    const { name } = event.detail;
    const fields = [...form.querySelectorAll('[data-pick]')];
    const field = asked(fields, takesMore) ?? fields.find(f => !f.value) ?? fields.findLast(f => f.dataset.pick !== 'one');
    if (!field) {
      return;
    }
    const goesOn = field === touchedInto && takesMore(field);
    touchedInto = field;
    if (field.dataset.pick === 'one') {
      fill(field, name);
      fields.find(f => !f.value)?.focus();
    } else if (field.dataset.pick === 'value') {
      fill(field, goesOn ? `${field.value} to ${name}` : name);
      field.focus();
    } else {
      const { value } = field;
      fill(field, !value ? name : field.dataset.pick === 'lines' && /^[^,;]* \d+$/.test(value.split(';').at(-1)) ? `${value}; ${name}` : `${value}, ${name}`);
      field.focus();
    }
  };

  /** A string or a line of a file goes into the field that is typed in, else into the first for lines that is empty. */
  const line = (event, name) => {
    const fields = [...form.querySelectorAll('[data-pick=line], [data-pick=lines]')];
    const field = asked(fields, takesMore) ?? fields.find(f => !f.value) ?? fields.at(-1);
    if (field) {
      event.preventDefault();
      fill(field, field.dataset.pick === 'lines' && field.value ? `${field.value}; ${name}` : name);
      fields.find(f => !f.value)?.focus();
    }
  };
  const measure = async ({ currentTarget: key }) => {
    if (key.classList.contains('busy')) {
      return;
    }
    key.classList.add('busy');
    try {
      const stored = await post(`/jobs/${job}/measure/shots`, { id: shot.get(), name: key.dataset.next, code: '' });
      shot.settle();
      stored.before ? say('This point was stored already, before the last answer was lost.', 'It stands where the pole was then; nothing was measured now.') : tellStored();
      key.dataset.next = stored.next;
      if (stored.point) {
        drawPoint(stored.point, stored.line);
        document.dispatchEvent(new CustomEvent('verge:touched', { cancelable: true, detail: { name: stored.point.name } }));
      }
    } catch (problem) {
      shot.settle(problem);
      sayProblem(problem);
    } finally {
      key.classList.remove('busy');
    }
  };
  const key = document.getElementById('measure-into');
  key?.addEventListener('mousedown', event => event.preventDefault());   // the field that it is for keeps the caret
  key?.addEventListener('click', measure);

  const string = event => line(event, event.detail.string.name);
  const drawn = event => line(event, event.detail.name);
  document.addEventListener('verge:touched', touched);
  document.addEventListener('verge:string', string);
  document.addEventListener('verge:line', drawn);
  draw();
  'restored' in form.dataset && compute();
  return () => {
    clearTimeout(timer);
    computed.forget();
    document.removeEventListener('verge:touched', touched);
    document.removeEventListener('verge:string', string);
    document.removeEventListener('verge:line', drawn);
    endSliding?.();
    layer.clear();
  };
}
