// The bench for measuring: a touch on the legend chooses the code, the big key measures.
import { onceId, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { dropDraft } from 'verge/frame/draft.js';
import { refreshFrame, tellStored } from 'verge/frame/leaves.js';
import { listenToDeeds } from 'verge/device/deeds.js';
import { keepPole } from 'verge/pole/pole.js';
import { drawPoint } from 'verge/sketch/sketch.js';
import { sample } from 'verge/sketch/marks.js';

const job = document.body.dataset.job;
const shot = onceId();

export function mount(bench) {
  listenToDeeds(bench);
  const form = bench.querySelector('#shot-form');
  const button = document.getElementById('measure');
  bench.querySelectorAll('svg[data-marker]').forEach(sample);
  bench.querySelector('#legend').addEventListener('click', event => {
    const key = event.target.closest('[data-code]');
    if (key) {
      form.elements.code.value = key.dataset.code;
      form.elements.code.dispatchEvent(new Event('input', { bubbles: true }));
    }
  });
  form.addEventListener('input', event => {
    showArmed(bench, form.elements.code.value);
    event.target === form.elements.code && showMatching(bench, form.elements.code.value);
  });
  form.addEventListener('submit', event => event.preventDefault());
  showArmed(bench, form.elements.code.value);
  keepPole(form);
  button.addEventListener('click', () => measure(form, button));
}

function showArmed(bench, code) {
  bench.querySelectorAll('[data-code]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.code === code.trim())));
}

/** While a code is being typed, the legend shows what it can mean: parts of codes and of meanings; once it is one, all again. */
function showMatching(bench, typed) {
  const words = typed.trim().toLowerCase();
  const keys = [...bench.querySelectorAll('[data-code]')];
  const whole = !words || keys.some(key => key.dataset.code.toLowerCase() === words);
  keys.forEach(key => { key.hidden = !whole && !key.textContent.toLowerCase().includes(words); });
  for (const group of [...bench.querySelectorAll('.legend-group')].reverse()) {   // those within others first
    const found = [...group.querySelectorAll('[data-code]')].some(key => !key.hidden);
    group.hidden = !found;
    group.open = whole ? group.dataset.open === 'true' : found;
  }
  bench.querySelector('#no-code').hidden = keys.some(key => !key.hidden);
}

async function measure(form, button) {
  if (button.classList.contains('busy') || !form.reportValidity()) {
    return;   // a second touch in the rain is not a second shot
  }
  button.classList.add('busy');
  const { name, code } = form.elements;
  const notes = [...form.elements].filter(field => field.name.startsWith('note:'));
  const asked = performance.now();
  try {
    const stored = await post(`/jobs/${job}/measure/shots`, { id: shot.get(), name: name.value, code: code.value, ...Object.fromEntries(notes.map(n => [n.name, n.value])) });
    shot.settle();
    stored.before || tellStored();
    if (stored.point && !stored.elsewhere) {
      drawPoint(stored.point, stored.line);
      requestAnimationFrame(() => performance.measure('measure-to-drawn', { start: asked, end: performance.now() }));
    }
    hush();
    if (stored.before) {
      say('This point was stored already, before the last answer was lost.',
        'It stands where the pole was then; nothing was measured now. Measure again for the place the pole is at.');
    }
    if (stored.elsewhere) {
      say(stored.elsewhere, 'It is stored, and shown with its own floor or with all floors. A wrong pole height or a wrong floor would look like this.');
    }
    dropDraft(form);
    name.value = stored.next;
    name.defaultValue = stored.next;
    code.defaultValue = code.value;
    notes.forEach(note => { note.value = ''; });
    showShots(await refreshFrame());
  } catch (problem) {
    shot.settle(problem);
    sayProblem(problem);
  } finally {
    button.classList.remove('busy');
  }
}

function showShots(fresh) {
  for (const selector of ['#shots', '#shots-count']) {
    const now = document.querySelector(selector);
    const next = fresh.querySelector(selector);
    if (now && next) {
      now.replaceWith(document.adoptNode(next));
    }
  }
}
