// A leaf: checks to known marks, and corrections that first show what they move.
import { onceId, post } from 'verge/frame/http.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { refresh, tellStored } from 'verge/frame/leaves.js';
import { pickFromSketch } from 'verge/frame/pick.js';
import { helper } from 'verge/practice/practice.js';
import { drawSetup } from 'verge/setup/drawing.js';

const job = document.body.dataset.job;
const check = onceId();

export function mount(bench) {
  const leaf = bench.dataset.leafId;
  const form = bench.querySelector('#check-form');
  const unpick = form ? pickFromSketch(form) : () => {};
  form?.addEventListener('submit', event => event.preventDefault());
  (bench.querySelector('#read-check') ?? document.getElementById('first-check'))?.addEventListener('click', event => read(form, event.currentTarget));
  bench.querySelector('[data-practice]')?.addEventListener('click', () => helper('go', { mark: form.elements.mark.value }).then(() => say(`The prism is held on ${form.elements.mark.value}.`, '', 'good'), sayProblem));
  const undraw = drawSetup(`/jobs/${job}/setup/leaves/${leaf}/drawing`);
  return () => {
    unpick();
    undraw();
  };
}

async function read(form, button) {
  button.classList.add('busy');
  try {
    const found = await post(`/jobs/${job}/setup/leaves/check`, { id: check.get(), ...Object.fromEntries(new FormData(form)) });
    check.settle();
    tellStored();
    await refresh();
    say(found.words, '', found.within ? 'good' : '');
  } catch (problem) {
    check.settle(problem);
    sayProblem(problem);
  } finally {
    button.classList.remove('busy');
  }
}
