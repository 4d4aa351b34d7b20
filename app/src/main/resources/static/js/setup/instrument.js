// The bench for the instrument: its switches, turning, reading marks in both faces.
import { post } from 'verge/frame/http.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { listenToDeeds, tellInstrument } from 'verge/device/deeds.js';
import { refresh } from 'verge/frame/leaves.js';
import { pickFromSketch } from 'verge/frame/pick.js';
import { moveBubble } from 'verge/setup/bubble.js';

const job = document.body.dataset.job;

export function mount(bench) {
  const told = event => show(bench, event.detail);
  document.addEventListener('verge:instrument', told);
  const turn = bench.querySelector('#turn-form');
  const unpick = turn ? pickFromSketch(turn) : () => {};
  turn?.addEventListener('submit', event => {
    event.preventDefault();
    tellInstrument('turn', Object.fromEntries(new FormData(turn)));
  });
  bench.querySelector('#read-pair')?.addEventListener('click', event => readPair(event.currentTarget));
  listenToDeeds(bench);
  bench.addEventListener('click', event => pressed(bench, event));
  return () => {
    document.removeEventListener('verge:instrument', told);
    unpick();
  };
}

function pressed(bench, event) {
  const toggle = event.target.closest('[data-toggle]');
  const offer = event.target.closest('[data-offer]');
  if (toggle) {
    tellInstrument(`do/${toggle.dataset.toggle}-${toggle.getAttribute('aria-pressed') === 'true' ? 'off' : 'on'}`);
  } else if (offer) {
    bench.querySelector('#link').value = offer.dataset.link;
    bench.querySelector('#address').value = offer.dataset.address;
    bench.querySelector('#partner').focus();
  }
}

async function readPair(button) {
  button.classList.add('busy');
  try {
    const count = await post(`/jobs/${job}/instrument/calibration/read`, {});
    await refresh();
    say(`${count} read in both faces.`, count < 2 ? 'One more at least.' : '', 'good');
  } catch (problem) {
    sayProblem(problem);
  } finally {
    button.classList.remove('busy');
  }
}

function show(bench, view) {
  moveBubble(view);
  const set = view.switches;
  for (const button of bench.querySelectorAll('[data-mode]')) {
    button.setAttribute('aria-pressed', String(set?.mode === button.dataset.mode));
  }
  for (const name of ['laser', 'compensator']) {
    const button = bench.querySelector(`#${name}`);
    if (button && set) {
      button.setAttribute('aria-pressed', String(set[name]));
      button.querySelector('b').textContent = set[name] ? 'on' : 'off';
    }
  }
  const face = bench.querySelector('#face-now');
  if (face) {
    face.textContent = set ? `now ${set.face}` : '';
  }
}
