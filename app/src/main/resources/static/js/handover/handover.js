// A changed choice shows the first lines anew.

export function mount(bench) {
  const form = bench.querySelector('#export');
  form.addEventListener('change', event => {
    if (event.target.name === 'unit') {
      form.elements.decimals.selectedIndex = -1;   // another unit brings decimals of its own, so that nothing is lost on the way
    }
    form.requestSubmit();
  });
}
