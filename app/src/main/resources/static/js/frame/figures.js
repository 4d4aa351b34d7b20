// What the figures of this page mean: their mark goes with all that is sent, and a bench that was made before they changed says so.
import { say } from 'verge/frame/said.js';

const meta = source => source.querySelector('meta[name=figures]');

export const figuresMark = (source = document) => meta(source)?.content ?? '';

/** The bench is another one now, made with the figures of the page that it came in. */
export function takeFigures(fetched) {
  meta(document)?.setAttribute('content', figuresMark(fetched));
  delete document.getElementById('bench')?.dataset.outdated;
}

const typed = field => field.type === 'checkbox' || field.type === 'radio' ? field.checked !== field.defaultChecked
  : 'defaultValue' in field && field.type !== 'hidden' && field.type !== 'file' && field.value !== field.defaultValue;

/**
 * Another part of the page was fetched: whether the bench was made with the same figures. Where nothing is typed in it, it is fetched anew.
 *
 * @param again fetches the whole page
 */
export function compareFigures(fetched, again) {
  const bench = document.getElementById('bench');
  if (!bench || !figuresMark(fetched) || figuresMark(fetched) === figuresMark() || 'outdated' in bench.dataset) {
    return;
  }
  if (![...bench.querySelectorAll('input, textarea')].some(typed)) {
    again();
    return;
  }
  bench.dataset.outdated = '';
  const link = document.createElement('button');
  link.type = 'button';
  link.className = 'plain-button';
  link.textContent = 'Show it again';
  link.addEventListener('click', again);
  const rest = document.createElement('span');
  rest.append('What is typed here was meant in those before: nothing of it is stored. ', link);
  say('The job’s units or coordinate system were changed elsewhere.', rest, 'stop');
}

/** A form that the browser sends by itself carries the mark as a field. */
export function listenToForms() {
  document.addEventListener('submit', event => {
    const { target: form } = event;
    if (!event.defaultPrevented && form.method === 'post' && figuresMark()) {
      const field = form.elements._figures ?? form.appendChild(Object.assign(document.createElement('input'), { type: 'hidden', name: '_figures' }));
      field.value = figuresMark();
    }
  });
}
