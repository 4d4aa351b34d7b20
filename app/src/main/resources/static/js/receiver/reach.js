// What the benches of rover and base have alike: how a receiver and a caster are reached, and the antenna drawn as it is typed.
import { page } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { hush, sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;
const MILLIS_UNTIL_DRAWN = 250;
const streams = newest();
const drawn = newest();

export function reach(bench) {
  bench.addEventListener('click', event => pressed(bench, event));
  drawTyped(bench);
}

function pressed(bench, event) {
  const offer = event.target.closest('[data-offer]');
  const stream = event.target.closest('[data-stream]');
  if (offer) {
    bench.querySelector('#address').value = offer.dataset.address;
    bench.querySelector('#receiver-name').value = offer.textContent;
  } else if (event.target.closest('[data-offer-caster]')) {
    bench.querySelector('#caster').value = event.target.closest('[data-offer-caster]').dataset.address;
    askStreams(bench);
  } else if (event.target.closest('#ask-streams')) {
    askStreams(bench);
  } else if (stream) {
    bench.querySelector('#mountpoint').value = stream.dataset.mountpoint;
    bench.querySelectorAll('[data-stream]').forEach(b => b.setAttribute('aria-pressed', String(b === stream)));
  }
}

async function askStreams(bench) {
  const button = bench.querySelector('#ask-streams');
  button.classList.add('busy');
  const fields = new FormData(button.form);
  fields.delete('_csrf');
  const counted = await streams(() => page(button.dataset.asks, { method: 'POST', body: new URLSearchParams(fields) }), fetched => {
    bench.querySelector('#streams').replaceWith(document.adoptNode(fetched.document.getElementById('streams')));
    hush();
  }, sayProblem);
  counted && button.classList.remove('busy');
}

/** Draws the antenna again while its height is typed; what cannot be drawn yet leaves the place empty. */
function drawTyped(bench) {
  const form = bench.querySelector('#antenna-form');
  let timer = 0;
  form?.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      const place = bench.querySelector('#antenna-drawing');
      const query = new URLSearchParams(new FormData(form));
      query.delete('_csrf');
      drawn(() => page(`/jobs/${job}/receiver/antenna/drawn?${query}`), fetched => {
        place.replaceChildren(document.adoptNode(fetched.document.querySelector('svg.antenna')));
        hush();
      }, problem => {
        place.replaceChildren();
        form.elements.height.value.trim() && sayProblem(problem);
      });
    }, MILLIS_UNTIL_DRAWN);
  });
}
