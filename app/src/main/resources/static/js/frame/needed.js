// A field that is needed and empty, or cannot be right, is named in words beside it.

/** What a field is called, without the key beside it. */
function nameOf(field) {
  const label = field.labels?.[0]?.cloneNode(true);
  label?.querySelectorAll('kbd').forEach(key => key.remove());
  return (label?.textContent ?? field.getAttribute('aria-label') ?? field.placeholder).trim();
}

function words(field) {
  const { validity } = field;
  if (validity.valueMissing) {
    return `${nameOf(field)}: needed here.`;
  }
  return validity.tooShort ? `${nameOf(field)}: at least ${field.minLength} characters.` : `${nameOf(field)}: ${field.validationMessage}`;
}

const noteOf = field => document.getElementById(field.getAttribute('aria-describedby'));

function forget(field) {
  if (field.getAttribute('aria-invalid') === 'true') {
    noteOf(field)?.remove();
    field.removeAttribute('aria-invalid');
    field.removeAttribute('aria-describedby');
  }
}

let first = null;
let count = 0;

function name(event) {
  event.preventDefault();   // else the browser says it in its own bubble, in its own language and paint
  const field = event.target;
  forget(field);
  const note = document.createElement('p');
  note.className = 'needed';
  note.id = `needed-${++count}`;
  note.textContent = words(field);
  (field.closest('.with-unit, .select') ?? field).after(note);
  field.setAttribute('aria-invalid', 'true');
  field.setAttribute('aria-describedby', note.id);
  field.closest('details')?.setAttribute('open', '');
  first ??= field;
  queueMicrotask(() => {
    first?.focus();
    first = null;
  });
}

export function listenToNeeds() {
  document.addEventListener('invalid', name, true);
  document.addEventListener('input', event => forget(event.target));
}
