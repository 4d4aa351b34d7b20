// The inverse: points touched in the sketch fill the fields and compute when both are there.
import { pickFromSketch } from 'verge/frame/pick.js';
import { choose } from 'verge/sketch/sketch.js';

export function mount(bench) {
  const form = bench.querySelector('#inverse-form');
  const { from, to } = form.elements;
  choose([bench.dataset.from, bench.dataset.to].filter(Boolean));
  const unpick = pickFromSketch(form, () => {
    choose([from.value, to.value].filter(Boolean));
    if (from.value && to.value) {
      form.requestSubmit();
    }
  });
  bench.querySelector('#turn-round')?.addEventListener('click', () => {
    [from.value, to.value] = [to.value, from.value];
    form.requestSubmit();
  });
  return () => { unpick(); choose([]); };
}
