// The field book: a shot's line corrected in its place.
import { seeMoves, writeCorrection } from 'verge/setup/rework.js';

export function mount(bench) {
  bench.addEventListener('submit', event => event.target.matches('.rework-shot') && event.preventDefault());
  bench.addEventListener('click', event => {
    const form = event.target.closest('.rework-shot');
    if (form && event.target.matches('[data-see]')) {
      seeMoves(form, form.dataset.entry, form.querySelector('[data-moves]'), form.querySelector('[data-write]'));
    } else if (form && event.target.matches('[data-write]')) {
      writeCorrection(form, form.dataset.entry);
    }
  });
  return undefined;
}
