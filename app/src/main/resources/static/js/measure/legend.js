// The legend: its entries are keys. A touch arms, or measures at once, as it stands above them.
import { layOut, touchedLayout } from 'verge/measure/order.js';
import { sample } from 'verge/sketch/marks.js';

const KEPT = 'legend-touch';

export const touchMeasures = () => localStorage.getItem(KEPT) === 'measures';

/** @param touched told the code of an entry, and whether its points make strings */
export function openLegend(bench, touched) {
  showLegend(bench);
  bench.addEventListener('click', event => {
    const legend = event.target.closest('#legend');
    if (legend && touchedLayout(legend, event.target)) {
      return;
    }
    const key = event.target.closest('#legend [data-code]');
    key && touched(key.dataset.code, joins(bench, key.dataset.code));
    const way = event.target.closest('[data-touch]');
    if (way) {
      localStorage.setItem(KEPT, way.dataset.touch);
      showWay(bench.querySelector('#legend'));
    }
  });
}

/** Draws its samples and says what a touch does; after the legend has come anew, again. */
export function showLegend(bench) {
  bench.querySelectorAll('svg[data-marker]').forEach(sample);
  showWay(bench.querySelector('#legend'));
  layOut(bench.querySelector('#legend'));
}

/** Whether what is typed is a code that no book has and nobody has said yet what it makes. */
export const isNew = (bench, code) => Boolean(code) && !bench.querySelector(`#legend [data-code="${CSS.escape(code)}"]`);

function showWay(legend) {
  const way = touchMeasures() ? 'measures' : 'arms';
  legend.dataset.way = way;
  legend.querySelectorAll('[data-touch]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.touch === way)));
}

/** Whether points of a code make strings, as the book has it. */
export const joins = (bench, code) => bench.querySelector(`#legend [data-code="${CSS.escape(code)}"] svg`)?.dataset.line !== undefined;

export function showChosen(bench, code) {
  bench.querySelectorAll('#legend [data-code]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.code === code.trim())));
}

/** While a code is being typed, the legend shows what it can mean: parts of codes and of meanings; once it is one, all again. */
export function showMatching(bench, typed) {
  const words = typed.trim().toLowerCase();
  const keys = [...bench.querySelectorAll('#legend [data-code]')];
  const whole = !words || keys.some(key => key.dataset.code.toLowerCase() === words);
  keys.forEach(key => { key.hidden = !whole && !key.textContent.toLowerCase().includes(words); });
  for (const group of [...bench.querySelectorAll('.legend-group')].reverse()) {   // those within others first
    const found = [...group.querySelectorAll('[data-code]')].some(key => !key.hidden);
    group.hidden = !found;
    group.open = whole ? group.dataset.open === 'true' : found;
  }
  bench.querySelector('#no-code').hidden = keys.some(key => !key.hidden) || !isNew(bench, typed.trim());
}
