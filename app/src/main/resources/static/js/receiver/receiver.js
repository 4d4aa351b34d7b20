// The bench for a satellite receiver: its sky and its settings.
import { get, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { helper } from 'verge/practice/practice.js';
import { reach } from 'verge/receiver/reach.js';
import { drawSky, SHAPES } from 'verge/receiver/sky.js';

const job = document.body.dataset.job;

export function mount(bench) {
  const told = ({ detail }) => detail && show(bench, detail);
  const sky = ({ detail }) => { drawSky(detail); detail && showSystems(bench, detail.systems); };
  document.addEventListener('verge:receiver', told);
  document.addEventListener('verge:sky', sky);
  bench.addEventListener('click', event => pressed(bench, event));
  reach(bench);
  showKeys(bench);
  showMount(bench);
  return () => {
    document.removeEventListener('verge:receiver', told);
    document.removeEventListener('verge:sky', sky);
    drawSky(null);
  };
}

function show(bench, view) {
  bench.querySelector('#solution')?.setAttribute('data-kind', view.kind);
  const doubts = bench.querySelector('#receiver-doubts');
  if (doubts) {
    const words = view.doubts.join(' ');
    doubts.hidden = !words;
    doubts.textContent === words || (doubts.textContent = words);
    const name = bench.querySelector('#antenna-name');
    name.value ||= view.antenna.includes(' screwed') ? '' : view.antenna;
    bench.querySelector('#settable').hidden = !view.set.canBeSet;
    bench.querySelector('#says-little').hidden = view.set.canBeSet;
    toggled(bench, 'TILT', view.set.tilting);
    toggled(bench, 'LOG', view.set.logging);
  }
}

function toggled(bench, what, on) {
  const button = bench.querySelector(`[data-set=${what}]`);
  button.setAttribute('aria-pressed', String(on));
  button.querySelector('b').textContent = on ? 'on' : 'off';
}

function showSystems(bench, systems) {
  const table = bench.querySelector('#systems');
  if (!table) {
    return;
  }
  const rows = systems.map(s => {
    const row = document.createElement('tr');
    row.innerHTML = `<td><svg class="sky-key" viewBox="-8 -8 16 16" data-system="${s.system}" aria-hidden="true"></svg> <span></span></td><td class="num"></td><td class="num"></td><td class="num"></td>`;
    row.querySelector('span').textContent = s.name;
    [s.used, s.seen, s.signal].forEach((text, i) => { row.cells[i + 1].textContent = text; });
    return row;
  });
  table.tBodies[0].replaceChildren(table.rows[0], ...rows);
  showKeys(bench);
}

/** On the practice ground a helper reads the pole's scale aloud. */
async function showMount(bench) {
  const place = bench.querySelector('#practice-mount');
  const { scene } = place ? await get(`/jobs/${job}/practice`).catch(() => ({})) : {};
  if (scene) {
    place.textContent = scene.mount;
  }
}

const showKeys = bench => bench.querySelectorAll('.sky-key').forEach(svg => { svg.innerHTML = `<g class="sat used">${SHAPES[svg.dataset.system](5)}</g>`; });

function pressed(bench, event) {
  const set = event.target.closest('[data-set]');
  const lean = event.target.closest('[data-lean]');
  if (set) {
    tellReceiver(bench, set);
  } else if (lean) {
    helper('lean', { degrees: lean.dataset.lean, towards: 60 }).catch(sayProblem);
  }
}

async function tellReceiver(bench, button) {
  const what = button.dataset.set;
  const value = { MASK: () => bench.querySelector('#mask').value, SYSTEMS: () => [...bench.querySelectorAll('[data-system]:checked')].map(b => b.value).join(''), INITIALISE: () => '' }[what]
    ?? (() => (button.getAttribute('aria-pressed') === 'true' ? '0' : '1'));
  try {
    await post(`/jobs/${job}/receiver/set`, { what, value: value() });
    hush();
    what === 'INITIALISE' && say('It is reinitialising.', 'Until it is fixed again, nothing is measured.', 'good');
  } catch (problem) {
    sayProblem(problem);
  }
}

