// The bench for grid and ground: asks for what the chosen way of finding the factor needs; a change asks to compute anew.

export function mount(bench) {
  const form = bench.querySelector('#ground-form');
  const show = () => {
    for (const name of ['source', 'use']) {
      form.querySelectorAll(`[data-${name}]`).forEach(part => { part.hidden = !part.dataset[name].split(' ').includes(form.elements[name].value); });
    }
  };
  form.addEventListener('input', event => {
    show();
    const set = document.querySelector('#strip [formmethod=post]');
    if (set && event.target.name !== 'reason') {
      set.removeAttribute('formmethod');
      set.textContent = 'Compute';
    }
  });
  show();
  bench.querySelector('#computed')?.scrollIntoView({ block: 'nearest' });   // what it comes to and the key that sets it are seen together
}
