// Which of two measures: the total station, or the satellite receiver beside it. The choice stays with the tab.
const KEPT = `measures-by-${document.body.dataset.job}`;
let by = 'instrument';

export const measuresBy = () => by;

/** Without a receiver nothing is chosen; without a setup it is the receiver at first. */
export function openBy(bench) {
  const has = bench.dataset.receiver === 'true';
  choose(bench, has ? sessionStorage.getItem(KEPT) ?? (bench.dataset.instrument === 'true' ? 'instrument' : 'receiver') : 'instrument');
  bench.addEventListener('click', event => {
    const chosen = event.target.closest('[data-by]')?.dataset.by;
    if (chosen) {
      sessionStorage.setItem(KEPT, chosen);
      choose(bench, chosen);
    }
  });
}

function choose(bench, chosen) {
  by = chosen;
  bench.dataset.by = chosen;
  bench.querySelectorAll('[data-by]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.by === chosen)));
  document.querySelectorAll('#bench [data-with], #strip [data-with], #no-guide [data-with]').forEach(part => part.toggleAttribute('hidden', part.dataset.with !== chosen));
}
