// What an instrument is told to do with one touch: its switches, its faces, searching, turning.
import { post } from 'verge/frame/http.js';
import { hush, sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;

/** Tells the instrument; what goes wrong is said. */
export async function tellInstrument(what, fields = {}) {
  try {
    await post(`/jobs/${job}/instrument/${what}`, fields);
    hush();
  } catch (problem) {
    sayProblem(problem);
  }
}

/** Buttons with data-do on a bench. */
export function listenToDeeds(bench) {
  bench.addEventListener('click', event => {
    const deed = event.target.closest('[data-do]')?.dataset.do;
    deed && tellInstrument(`do/${deed}`);
  });
}
