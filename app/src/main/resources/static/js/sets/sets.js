// Sets of directions: read on by themselves, stopped at any pointing, gone on with where they stopped.
import { onceId, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { refresh, tellStored } from 'verge/frame/leaves.js';
import { helper } from 'verge/practice/practice.js';

const job = document.body.dataset.job;
const pointing = onceId();

export function mount(bench) {
  let running = false;
  const stop = bench.querySelector('#stop-sets');
  const run = document.getElementById('run-sets');
  stop?.addEventListener('click', () => { running = false; });
  run?.addEventListener('click', async () => {
    if (running) {
      return;
    }
    running = true;
    stop.hidden = false;
    run.classList.add('busy');
    while (running) {
      running = await next(bench, true) && running;
    }
    run.classList.remove('busy');
    await refresh();
  });
  bench.querySelector('#by-hand')?.addEventListener('click', async () => await next(bench, false) !== null && refresh());
  bench.querySelector('#place-prisms')?.addEventListener('click', placePrisms);
  bench.addEventListener('click', event => takeOut(bench, event.target.closest('[data-take-out]')));
  bench.querySelector('#whole-set')?.addEventListener('click', event => { event.currentTarget.form.elements.mark.value = ''; });
  return () => { running = false; };
}

/** Reads the pointing that stands as the next one; whether there is another, null if it failed. */
async function next(bench, turn) {
  const step = bench.querySelector('#next-step');
  const { plan, set, mark, face } = step.dataset;
  try {
    const progress = await post(`/jobs/${job}/setup/sets/${plan}/pointings`, { id: pointing.get(), set, mark, face, turn });
    pointing.settle();
    progress.before || tellStored();
    hush();
    if (progress.before) {
      say('This pointing was stored already, before the last answer was lost.', 'Nothing was measured now; the sets go on with the next one.');
    }
    document.getElementById('sets-done').textContent = `${progress.done} of ${progress.all}`;
    bench.querySelector('progress').value = progress.done;
    step.textContent = progress.next?.words ?? 'nothing';
    Object.assign(step.dataset, progress.next && { set: progress.next.set, mark: progress.next.mark, face: progress.next.face });
    return progress.next !== null;
  } catch (problem) {
    pointing.settle(problem);
    sayProblem(problem);
    return null;
  }
}

function takeOut(bench, button) {
  if (button) {
    const form = bench.querySelector('#take-out');
    form.hidden = false;
    form.elements.set.value = button.dataset.set;
    form.elements.mark.value = button.dataset.mark;
    bench.querySelector('#take-out-words').textContent = `${button.dataset.mark} of set ${button.dataset.set}`;
    form.elements.reason.focus();
  }
}

/** The helper on the practice ground sets a prism up over each mark that is there. */
async function placePrisms(event) {
  const marks = event.currentTarget.dataset.marks.split(' on ')[1].split(', ');
  const placed = [];
  for (const mark of marks) {
    try {
      await helper('place', { mark, height: '1.6 m' });
      placed.push(mark);
    } catch {
      // not a mark of the island: it is held by the pole
    }
  }
  say(`Prisms stand on ${placed.join(', ')}.`, 'Each 1.600 m high. Other marks are held by the pole.', 'good');
}
