// All computations: found by typing, those first that take what is selected.
import { chosenLast } from 'verge/sketch/pick.js';
import { turnTo } from 'verge/frame/leaves.js';

const job = document.body.dataset.job;
const MOST_NAMED = 6;
const plain = text => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

export function mount(bench) {
  const text = bench.querySelector('#tools-text');
  const tiles = () => [...bench.querySelectorAll('.tool-tile')];
  const seen = () => tiles().filter(tile => !tile.hidden && !tile.closest('[hidden]'));

  function filter() {
    const words = plain(text.value).split(/\s+/).filter(Boolean);
    tiles().forEach(tile => { tile.hidden = !words.every(word => plain(tile.dataset.words).includes(word)); });
    bench.querySelectorAll('section:not(#tools-selected)').forEach(section => { section.hidden = ![...section.querySelectorAll('.tool-tile')].some(tile => !tile.hidden); });
    bench.querySelector('#tools-none').hidden = seen().length > 0;
  }

  /** What can be done with the points that were selected last, with them filled in. */
  function offer(names) {
    const own = bench.querySelector('#tools-selected');
    const fitting = [...bench.querySelectorAll('.tool-group .tool-tile')].filter(tile => (tile.dataset.counts ?? '').split(' ').includes(String(Math.min(names.length, 5))));
    own.hidden = names.length === 0 || fitting.length === 0;
    own.querySelector('#tools-names').textContent = names.slice(0, MOST_NAMED).join(', ') + (names.length > MOST_NAMED ? ` … ${names.length}` : '');
    own.querySelector('.tool-tiles').replaceChildren(...fitting.map(tile => tile.cloneNode(true)));
  }

  function take(event) {
    const tile = event.target.closest('#tools-selected .tool-tile');
    if (!tile) {
      return;
    }
    event.preventDefault();
    const names = chosenLast();
    if (tile.dataset.tool === 'inverse') {
      turnTo(`/jobs/${job}/compute/inverse?${new URLSearchParams({ from: names[0], to: names[1] })}`).catch(() => {});
      return;
    }
    const form = bench.querySelector('#tools-with');
    form.action = `/jobs/${job}/compute/${tile.dataset.tool}`;
    form.elements.with.value = names.join(', ');
    form.elements.names.value = names.join(', ');
    form.requestSubmit();
  }

  const selected = event => offer(event.detail.names);
  text.addEventListener('input', filter);
  text.addEventListener('keydown', event => {
    if (event.key === 'Enter' && !event.ctrlKey) {
      event.preventDefault();
      seen()[0]?.click();
    }
  });
  bench.addEventListener('click', take, true);
  document.addEventListener('verge:selected', selected);
  offer(chosenLast());
  return () => document.removeEventListener('verge:selected', selected);
}
