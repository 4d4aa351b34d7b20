// A changed choice shows the first lines anew.

export function mount(bench) {
  const form = bench.querySelector('#export');
  form.addEventListener('change', () => form.requestSubmit());
}
