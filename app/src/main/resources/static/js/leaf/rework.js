// A correction: first what it moves, then, with a reason, written.
import { onceId, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { refresh } from 'verge/frame/leaves.js';

/** One id for each thing that is said of an entry: another correction must never pass for one whose answer was lost. */
const corrections = new Map();
const address = entry => `/jobs/${document.body.dataset.job}/setup/leaves/rework/${entry}`;
/** What is left blank stays as it was. */
const typed = form => Object.fromEntries([...new FormData(form)].filter(([, value]) => value !== ''));

/** Listens to forms of corrections within a bench: `data-entry` says what is corrected, `data-see` shows what would move, `data-write` writes it. */
export function listenToCorrections(bench) {
  bench.addEventListener('submit', event => 'entry' in event.target.dataset && event.preventDefault());
  bench.addEventListener('click', event => {
    const form = event.target.closest('form[data-entry]');
    if (form && 'see' in event.target.dataset) {
      seeMoves(form);
    } else if (form && 'write' in event.target.dataset) {
      writeCorrection(form);
    }
  });
}

async function seeMoves(form) {
  try {
    const seen = await post(`${address(form.dataset.entry)}/preview`, typed(form));
    hush();
    const lines = seen.moves.map(move => `${move.name}  ${move.plan}  ${move.up}`);
    form.querySelector('[data-moves]').replaceChildren(...[seen.words, ...lines, ...(seen.more ? [`and ${seen.more} more`] : [])].map(words => Object.assign(document.createElement('div'), { textContent: words })));
    form.dataset.asOf = seen.asOf;   // what is written later answers on this
    form.querySelector('[data-write]').hidden = false;
  } catch (problem) {
    sayProblem(problem);
  }
}

function onceFor(entry, fields) {
  const said = JSON.stringify([entry, fields]);
  corrections.has(said) || corrections.set(said, onceId());
  return corrections.get(said);
}

async function writeCorrection(form) {
  const fields = typed(form);
  const correction = onceFor(form.dataset.entry, fields);
  try {
    await post(address(form.dataset.entry), { id: correction.get(), asOf: form.dataset.asOf, ...fields });
    correction.settle();
    await refresh();
    say('The correction is written.', 'What was read stays in the field book, with the correction beside it.', 'good');
  } catch (problem) {
    correction.settle(problem);
    sayProblem(problem);
    form.elements.reason.focus();
  }
}
