// A file that is read while one waits: what takes long can be stopped by hand.
import { onceId, post } from 'verge/frame/http.js';

const LONG = 1500;   // milliseconds

function offerStop(form, ticket) {
  const stop = document.createElement('button');
  stop.type = 'button';
  stop.className = 'plain-button';
  stop.textContent = 'Stop reading';
  stop.addEventListener('click', () => {
    stop.disabled = true;
    post(`/readings/${ticket}/stop`).catch(() => { stop.disabled = false; });
  });
  form.append(stop);
}

export function listenToReadings() {
  document.addEventListener('submit', event => {
    const form = event.target;
    if (!('readAside' in form.dataset) || event.defaultPrevented) {
      return;
    }
    const field = form.elements.reading ?? form.appendChild(Object.assign(document.createElement('input'), { type: 'hidden', name: 'reading' }));
    field.value = onceId().get();
    setTimeout(() => offerStop(form, field.value), LONG);
  });
}
