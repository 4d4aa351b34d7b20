// What the codebook asks about the last shots: a panel over the sketch that stops nothing. It is kept with a touch, or with the next shot.
import { fragment, post } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;
const panel = () => document.getElementById('asked-panel');

/** Asks about shots and strings, the first first; what stands there already is kept. */
export async function ask(subjects) {
  for (const subject of subjects) {
    const form = document.adoptNode(await fragment(`/jobs/${job}/attributes/${subject}/asked`));
    if (!form.querySelector('input')) {
      continue;
    }
    form.addEventListener('submit', event => { event.preventDefault(); keep(form); });
    form.querySelector('[data-later]').addEventListener('click', () => drop(form));
    form.querySelector('[data-keep]').addEventListener('click', () => keep(form));
    form.addEventListener('change', event => oneTouchIsAll(form, event.target));
    panel().append(form);
  }
  panel().hidden = panel().childElementCount === 0;
}

/** A form with nothing but one choice is answered by touching it; one that asks for a photo as well is not. */
function oneTouchIsAll(form, field) {
  const names = new Set([...form.elements].filter(f => f.name).map(f => f.name));
  field.type === 'radio' && names.size === 1 && !form.querySelector('[data-photo]') && keep(form);
}

function drop(form) {
  form.remove();
  panel().hidden = panel().childElementCount === 0;
}

async function keep(form) {
  try {
    await post(`/jobs/${job}/attributes/${form.dataset.subject}`, new FormData(form));
    drop(form);
  } catch (problem) {
    sayProblem(problem);
  }
}

/** What was filled in goes with the next shot, what repeats too; what lacks stays in the list of what is missing. */
export async function keepAsked() {
  await Promise.all([...panel().children].map(keep));
}
