// Changing how a file is read looks again at once. The column choices stand outside the form and belong to it.

export function mount(bench) {
  const form = bench.querySelector('#columns');
  for (const field of form.elements) {
    field.addEventListener('change', () => form.requestSubmit(form.querySelector('button')));
  }
}
