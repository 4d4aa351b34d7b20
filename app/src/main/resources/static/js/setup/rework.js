// A correction: first what it moves, then, with a reason, written.
import { onceId, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { refresh } from 'verge/frame/leaves.js';

const correction = onceId();
const address = entry => `/jobs/${document.body.dataset.job}/setup/leaves/rework/${entry}`;
/** What is left blank stays as it was. */
const typed = form => Object.fromEntries([...new FormData(form)].filter(([, value]) => value !== ''));

/** Shows what a form's correction of an entry would move, and the key that writes it. */
export async function seeMoves(form, entry, into, writeKey) {
  try {
    const seen = await post(`${address(entry)}/preview`, typed(form));
    hush();
    const lines = seen.moves.map(move => `${move.name}  ${move.plan}  ${move.up}`);
    into.replaceChildren(...[seen.words, ...lines, ...(seen.more ? [`and ${seen.more} more`] : [])].map(words => Object.assign(document.createElement('div'), { textContent: words })));
    writeKey.hidden = false;
  } catch (problem) {
    sayProblem(problem);
  }
}

export async function writeCorrection(form, entry) {
  try {
    await post(address(entry), { id: correction.get(), ...typed(form) });
    correction.settle();
    await refresh();
    say('The correction is written.', 'What was read stays in the field book, with the correction beside it.', 'good');
  } catch (problem) {
    correction.settle(problem);
    sayProblem(problem);
    form.elements.reason.focus();
  }
}
