// The bench for staking: keeps the guide in step and stores the stake.
import { onceId, post } from 'verge/frame/http.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { refreshFrame, tellStored, turnTo } from 'verge/frame/leaves.js';
import { measuresBy, openBy } from 'verge/measure/by.js';
import { drawGuide, follow } from 'verge/stakeout/guide.js';

const job = document.body.dataset.job;
const stake = onceId();

export function mount(bench) {
  if (!bench.dataset.point) {
    const pick = event => {
      event.preventDefault();
      turnTo(`/jobs/${job}/stake?point=${encodeURIComponent(event.detail.name)}`).catch(() => {});
    };
    document.addEventListener('verge:touched', pick);
    return () => document.removeEventListener('verge:touched', pick);
  }
  openBy(bench);
  bench.addEventListener('click', event => event.target.closest('[data-by]') && turnTo(location.href).catch(() => {}));   // another guide, from the beginning
  let trail = [];
  const show = event => {
    document.getElementById('no-guide').hidden = Boolean(event.detail);
    if (event.detail) {
      trail = follow(trail, event.detail);
      drawGuide(document.getElementById('guide'), event.detail, trail);
      showWords(event.detail);
    } else {
      document.querySelector('[data-guide=verdict]').textContent = measuresBy() === 'receiver' ? 'Waiting for the receiver to be fixed, with its antenna’s height told.' : 'Waiting for the instrument to track the prism on a setup that holds.';
    }
  };
  document.addEventListener('verge:guide', show);
  document.getElementById('store').addEventListener('click', event => store(bench, event.currentTarget));
  bench.querySelectorAll('form input').forEach(field => field.addEventListener('change', () => field.form.requestSubmit()));
  return () => {
    document.removeEventListener('verge:guide', show);
    delete document.body.dataset.facing;
  };
}

function showWords(guide) {
  document.body.dataset.facing = guide.facing;
  const set = (name, text) => document.querySelectorAll(`[data-guide=${name}]`).forEach(e => { e.textContent = text; });
  set('forwardArrow', guide.forwardMetres < 0 ? '▼' : '▲');
  set('rightArrow', guide.rightMetres < 0 ? '◀' : '▶');
  set('cutArrow', guide.cutWord === 'cut' ? '▼' : guide.cutWord === 'fill' ? '▲' : '');
  const cut = document.getElementById('cut-figure');
  cut.classList.toggle('look-word', guide.cutWord === 'cut');
  cut.classList.toggle('fill-word', guide.cutWord === 'fill');
  document.getElementById('verdict').classList.toggle('good', guide.done);
}

async function store(bench, button) {
  if (button.classList.contains('busy')) {
    return;
  }
  button.classList.add('busy');
  const { point, facing, plan, height } = bench.dataset;
  const reason = document.getElementById('reason');
  try {
    const stored = await post(`/jobs/${job}/stake/stakes`, {
      id: stake.get(), point, facing, planTolerance: plan ?? '', heightTolerance: height ?? '', reason: reason.value, by: measuresBy(),
    });
    stake.settle();
    tellStored();
    reason.value = '';
    document.getElementById('reason-field').hidden = true;
    await refreshFrame();
    say(stored.said, '', 'good');
  } catch (problem) {
    stake.settle(problem);
    sayProblem(problem);
    if (['REASON_NEEDED', 'OUTSIDE_LIMITS', 'BASE_NOT_AS_BEFORE', 'NOT_FIXED'].includes(problem.code)) {
      document.getElementById('reason-field').hidden = false;
      reason.focus();
    }
  } finally {
    button.classList.remove('busy');
  }
}
