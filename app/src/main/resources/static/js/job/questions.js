// The page of four questions: shows what belongs to the answers given, and tells them back in words while they are being given.
import { fragment } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { findSystems } from 'verge/system/find.js';

const PAUSE = 250;

export function mount(main) {
  const form = main.querySelector('#job-form');
  const base = main.dataset.base;
  let timer;
  const told = newest();
  const tell = () => told(() => fragment(`${base}/summary`, { method: 'POST', body: new URLSearchParams(new FormData(form)) }),
    part => main.querySelector('#summary').replaceWith(part));
  const show = () => showParts(form);
  form.addEventListener('input', event => {
    if (event.target.name === 'lengthUnit' || event.target.name === 'angleUnit') {
      offerWhatFits(form, event.target);
    }
    show();
    clearTimeout(timer);
    timer = setTimeout(tell, PAUSE);
  });
  findSystems(form, () => { show(); tell(); });
  show();
  offerClock(form);
  proposeStarter(main, form);
}

/** Hides what another answer would ask for; what is hidden is not sent. */
function showParts(form) {
  const value = name => form.elements[name]?.value ?? '';
  for (const [attribute, name] of [['where', 'where'], ['shift', 'shift'], ['geoid', 'geoid'], ['ellipsoid', 'ellipsoid'], ['method', 'method']]) {
    form.querySelectorAll(`[data-${attribute}]`).forEach(part => {
      const shown = part.dataset[attribute].split(' ').includes(value(name));
      part.hidden = !shown;
      if (part.tagName === 'FIELDSET') {
        part.disabled = !shown || value('where') !== 'FORMULA';
      }
    });
  }
  const unit = form.elements.lengthUnit;
  const symbol = { METRE: 'm', INTERNATIONAL_FOOT: 'ft', US_SURVEY_FOOT: 'ftUS' }[unit.value];
  form.querySelectorAll('[data-unit]').forEach(mark => { mark.textContent = symbol; });
  form.elements.inchParts.disabled = unit.value === 'METRE';
}

/** Stationing and decimals that go with a unit just chosen; they can still be chosen otherwise. */
function offerWhatFits(form, changed) {
  if (changed.name === 'lengthUnit') {
    form.elements.stationing.value = changed.value === 'METRE' ? 'THOUSANDS' : 'HUNDREDS';
  } else {
    form.elements.angleDecimals.value = { DEGREES: 0, DECIMAL_DEGREES: 5, GON: 4, MIL: 2 }[changed.value];
  }
}

/** A new job's times are told by the clocks here, unless what it begins from has others. */
function offerClock(form) {
  const { zone, asOf } = form.elements;
  if (!asOf && zone.value === 'UTC') {
    zone.value = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
  }
}

/** What a starter would set is shown before it is taken. */
function proposeStarter(main, form) {
  const choice = main.querySelector('#from');
  const place = main.querySelector('#proposed');
  const told = newest();
  choice?.addEventListener('change', () => told(
    () => fragment(`${main.dataset.base}/proposed?from=${encodeURIComponent(choice.value)}&name=${encodeURIComponent(form.elements.name.value)}`),
    part => { place.replaceChildren(...part.childNodes); place.hidden = false; }));
  choice?.form.addEventListener('submit', event => {
    const name = document.createElement('input');
    Object.assign(name, { type: 'hidden', name: 'name', value: form.elements.name.value });
    event.target.append(name);
  });
}
