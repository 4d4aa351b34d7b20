// What is typed and not yet sent survives a reload: kept in this browser until it was sent.

import { figuresMark } from 'verge/frame/figures.js';
import { say } from 'verge/frame/said.js';

/** Under which a draft keeps the mark of the figures that it was typed in; no field is called so. */
const FIGURES = '*figures';
const key = form => `draft:${location.pathname}:${form.dataset.draft}`;

function fields(form) {
  return [...form.elements].filter(field => field.name && field.type !== 'hidden' && field.type !== 'file' && field.type !== 'fieldset');
}

const ticks = field => field.type === 'radio' || field.type === 'checkbox';
// Rows of a table have fields of one name: they are told apart by their ids.
const nameOf = field => ticks(field) ? `${field.name}=${field.value}` : field.form.elements[field.name] === field ? field.name : field.id;
const now = field => ticks(field) ? field.checked : field.value;
const asServed = field => ticks(field) ? field.defaultChecked
  : field.type === 'select-one' ? ([...field.options].find(o => o.defaultSelected) ?? field.options[0])?.value : field.defaultValue;

/** Puts back what was typed: also into fields that came later than the form. What was made of a form that is marked 'restored' is to be made anew. */
export function putBack(form) {
  const kept = JSON.parse(localStorage.getItem(key(form)) ?? '{}');
  if ((kept[FIGURES] ?? figuresMark()) !== figuresMark()) {
    sayOtherFigures(kept);
    localStorage.removeItem(key(form));
    return;
  }
  for (const field of fields(form)) {
    // A value that the server has since filled in by itself is newer than the draft made over another value.
    if (nameOf(field) in kept && kept[nameOf(field)].over === asServed(field)) {
      field[ticks(field) ? 'checked' : 'value'] = kept[nameOf(field)].typed;
      form.dataset.restored = '';
    }
  }
}

/** What was typed in other units is not filled in where it would mean something else; it can be read, and typed again. */
function sayOtherFigures(kept) {
  const texts = Object.entries(kept).filter(([name, value]) => name !== FIGURES && typeof value.typed === 'string' && value.typed).map(([, value]) => value.typed);
  if (texts.length) {
    say('The job’s units or coordinate system were changed.', `What was typed before is not filled in: ${texts.join(', ').slice(0, 300)}`);
  }
}

/** Puts back what was typed, and keeps what is typed from now on. */
export function keepDraft(form) {
  putBack(form);
  form.addEventListener('input', () => {
    const typed = Object.fromEntries(fields(form).filter(f => now(f) !== asServed(f)).map(f => [nameOf(f), { typed: now(f), over: asServed(f) }]));
    localStorage.setItem(key(form), JSON.stringify({ ...typed, [FIGURES]: figuresMark() }));
  });
}

export function dropDraft(form) {
  if (form?.dataset.draft) {
    localStorage.removeItem(key(form));
  }
}

const SENT = 'draft-sent';

/** A form that leaves the page: whether its draft may go is known only on the page that answers. */
export function draftIsSent(form) {
  sessionStorage.setItem(SENT, key(form));
}

/** On the answering page: the draft goes, unless what was sent was refused or this is the form again because no answer came. */
export function settleSentDraft() {
  const sent = sessionStorage.getItem(SENT);
  sessionStorage.removeItem(SENT);
  if (sent && !('refused' in document.body.dataset) && ![...document.querySelectorAll('form[data-draft]')].some(form => key(form) === sent)) {
    localStorage.removeItem(sent);
  }
}
