// Fields that ask for a point take the one touched in the sketch: the field that was gone to last, else the first empty one, else the last.

/**
 * The field of a form that was gone to last, and whether what stands in it was changed since: a touch in the sketch takes the caret out of
 * its field, so what has the focus then says nothing.
 */
export function goneTo(form) {
  const last = { field: null, answered: false };
  form.addEventListener('focusin', event => Object.assign(last, { field: event.target, answered: false }));
  form.addEventListener('input', event => { last.answered ||= event.target === last.field; });
  return last;
}

/** Which of some fields was gone to last and still waits: it is empty, what stands in it has not been changed since, or it takes more. */
export function askedField(form) {
  const last = goneTo(form);
  return (fields, takesMore = () => false) => fields.find(field => field === last.field && (!field.value || !last.answered || takesMore(field)));
}

export function pickFromSketch(form, picked = () => {}) {
  const asked = askedField(form);
  const listener = event => {
    event.preventDefault();
    const fields = [...form.querySelectorAll('[data-pick]')];
    const field = asked(fields) ?? fields.find(f => !f.value) ?? fields.at(-1);
    field.value = event.detail.name;
    field.dispatchEvent(new Event('input', { bubbles: true }));
    fields.find(f => !f.value)?.focus();
    picked();
  };
  document.addEventListener('verge:touched', listener);
  return () => document.removeEventListener('verge:touched', listener);
}
