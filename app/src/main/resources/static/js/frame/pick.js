// Fields that ask for a point take the one touched in the sketch: the focused field, else the first empty one, else the last.

export function pickFromSketch(form, picked = () => {}) {
  const listener = event => {
    event.preventDefault();
    const fields = [...form.querySelectorAll('[data-pick]')];
    const field = fields.find(f => f === document.activeElement) ?? fields.find(f => !f.value) ?? fields.at(-1);
    field.value = event.detail.name;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    fields.find(f => !f.value)?.focus();
    picked();
  };
  document.addEventListener('verge:touched', listener);
  return () => document.removeEventListener('verge:touched', listener);
}
