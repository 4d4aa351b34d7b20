// The benches on which marks are fitted and a job is localised: what comes out is told and drawn while it is given, matchings are proposed and taken.
import { putBack } from 'verge/frame/draft.js';
import { fragment } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { goneTo } from 'verge/frame/pick.js';
import { sayProblem } from 'verge/frame/said.js';
import { addLayer } from 'verge/sketch/sketch.js';

const PAUSE = 300;
const COUNTS = /\s*\((plan|height|out)\)\s*$/;
/** What a pair counts for after one touch more: for nothing, in plan alone, in height alone, for all again. */
const NEXT = { '': ' (out)', out: ' (plan)', plan: ' (height)', height: '' };
const job = document.body.dataset.job;
let layer;

export function mount(bench) {
  layer ??= addLayer('setup', 24);
  const form = bench.querySelector('#fit-form');
  const worked = bench.querySelector('#worked');
  const { pairs, names, found, file, way, scaleMode, freedom, theirs } = form.elements;
  const base = `/jobs/${job}/${form.dataset.bench}`;
  const byPairs = () => way?.value !== 'VALUES';
  const computed = newest();
  const layered = newest();
  const proposed = newest();
  let timer;
  const sent = () => ({ method: 'POST', body: new URLSearchParams(new FormData(form)) });

  const draw = () => {
    const { fitted = [], searched = [], misfits = [], hull = [], moves = [] } = JSON.parse((worked.querySelector('[data-drawing]') ?? bench.querySelector('#localised'))?.dataset.drawing ?? '{}');
    const feature = (role, geometry) => { const made = new ol.Feature({ geometry }); made.set('role', role); return made; };
    layer.clear();
    layer.addFeatures([...fitted.map(at => feature('mark', new ol.geom.Point(at))), ...searched.map(at => feature('hit', new ol.geom.Point(at))), ...misfits.map(line => feature('misfit', new ol.geom.LineString(line))),
      ...moves.map(line => feature('sight', new ol.geom.LineString(line))), ...(hull.length > 1 ? [feature('rests-on', new ol.geom.LineString(hull))] : [])]);
  };

  /** Which fields there are for. */
  const show = () => {
    bench.querySelectorAll('[data-way]').forEach(part => { part.hidden = part.dataset.way !== way.value; });
    bench.querySelectorAll('#names-of-job, #typed-positions').forEach(part => { part.hidden = Boolean(file.value); });
    bench.querySelectorAll('#layer-of-file').forEach(part => { part.hidden = !file.value; });
    bench.querySelector('#scale-value').hidden = byPairs() && scaleMode.value !== 'HELD';
    bench.querySelectorAll('[data-freedom]').forEach(part => { part.hidden = !part.dataset.freedom.includes(freedom.value); });
    bench.querySelector('#how').open ||= !byPairs();
  };

  const compute = () => computed(() => fragment(`${base}/worked`, sent()), told => {
    worked.replaceChildren(document.adoptNode(told));
    draw();
  }, sayProblem);

  const layersOf = async () => {
    const room = bench.querySelector('#layer-of-file');
    room?.replaceChildren();
    room && await layered(async () => file.value ? fragment(`${base}/layers?${new URLSearchParams({ file: file.value })}`) : null, told => room.replaceChildren(document.adoptNode(told)), sayProblem);
  };

  /** After a reload: the layers of the file that was chosen, and what comes of all that was given. */
  const again = async () => {
    await layersOf();
    putBack(form);
    await compute();
  };

  const propose = async ({ currentTarget: key }) => {
    key.classList.add('busy');
    const counted = await proposed(() => fragment(`${base}/proposed`, sent()), told => {
      bench.querySelector('#matchings').replaceChildren(document.adoptNode(told));
      const first = told.querySelector('[name=proposal]');
      if (first && !pairs.value.trim()) {
        first.checked = true;
        take(first.value);
      }
    }, problem => {   // where one looks: the key may be far below the top
      const words = document.createElement('p');
      words.className = 'warn mt-2';
      const strong = document.createElement('b');
      strong.textContent = problem.message;
      words.append(strong, ` ${problem.means} ${problem.next}`);
      bench.querySelector('#matchings').replaceChildren(words);
    });
    counted && key.classList.remove('busy');
  };

  const take = lines => { pairs.value = lines; pairs.dispatchEvent(new Event('input', { bubbles: true })); };

  form.addEventListener('input', event => {
    if (event.target.name === 'proposal') {
      take(event.target.value);
      return;
    }
    event.target === file && layersOf().catch(sayProblem);
    show();
    clearTimeout(timer);
    timer = setTimeout(compute, PAUSE);
  });
  bench.querySelector('#propose').addEventListener('click', propose);
  bench.querySelector('#theirs-file')?.addEventListener('change', async ({ currentTarget: { files } }) => {
    theirs.value = await files[0]?.text() ?? '';
    theirs.dispatchEvent(new Event('input', { bubbles: true }));
  });
  worked.addEventListener('click', event => {
    const pair = event.target.closest('[data-pair]');
    if (pair) {
      const lines = pairs.value.split('\n');
      const filled = lines.map((line, i) => (line.trim() ? i : -1)).filter(i => i >= 0);
      const at = filled[Number(pair.dataset.pair)];
      const counts = COUNTS.exec(lines[at])?.[1] ?? '';
      lines[at] = `${lines[at].replace(COUNTS, '').trimEnd()}${NEXT[counts]}`;
      take(lines.join('\n'));
    }
  });

  const last = goneTo(form);
  const touched = event => {
    const field = [names, found, form.elements.about, pairs].find(f => f && f === last.field) ?? (names ? (names.value || file.value ? found : names) : pairs);
    event.preventDefault();
    const { name } = event.detail;
    const line = pairs.value.split('\n').at(-1);
    field.value = field === pairs ? `${pairs.value}${line.includes('=') && !line.trim().endsWith('=') ? `\n${name} = ` : line.trim() ? name : `${name} = `}` : field.value && field !== form.elements.about ? `${field.value}, ${name}` : name;
    field.dispatchEvent(new Event('input', { bubbles: true }));
  };
  document.addEventListener('verge:touched', touched);
  show();
  draw();
  'restored' in form.dataset && again().catch(sayProblem);
  return () => {
    clearTimeout(timer);
    [computed, layered, proposed].forEach(asks => asks.forget());
    document.removeEventListener('verge:touched', touched);
    layer.clear();
  };
}
