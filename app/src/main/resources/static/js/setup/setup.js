// The bench for connecting and setting up.
import { onceId, page, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { dropDraft } from 'verge/frame/draft.js';
import { refresh, turnTo } from 'verge/frame/leaves.js';
import { pickFromSketch } from 'verge/frame/pick.js';
import { helper } from 'verge/device/practice.js';

const job = document.body.dataset.job;
const BUBBLE_RUN = 32;
const setup = onceId();

export function mount(bench) {
  const form = bench.querySelector('#setup-form');
  if (!form) {
    return undefined;
  }
  const bubble = event => {
    moveBubble(event.detail);
    takeAir(form, event.detail);
  };
  document.addEventListener('verge:instrument', bubble);
  const unpick = pickFromSketch(form, () => recheck(bench, form));
  form.addEventListener('change', () => recheck(bench, form));
  form.addEventListener('submit', event => event.preventDefault());
  document.getElementById('read-backsight').addEventListener('click', event => read(form, event.currentTarget));
  document.getElementById('read-again')?.addEventListener('click', event => read(form, event.currentTarget));
  document.getElementById('accept-setup').addEventListener('click', () => accept(bench, form));
  bench.addEventListener('click', event => {
    const deed = event.target.closest('[data-practice]')?.dataset.practice;
    if (deed) {
      help(form, deed);
    }
  });
  return () => {
    document.removeEventListener('verge:instrument', bubble);
    unpick();
  };
}

function moveBubble(view) {
  const dot = document.getElementById('bubble');
  dot?.setAttribute('cx', view.tiltAcross * BUBBLE_RUN);
  dot?.setAttribute('cy', -view.tiltAlong * BUBBLE_RUN);
  dot?.setAttribute('fill', view.level ? 'var(--moss)' : 'var(--madder)');
}

/** What the instrument's own sensors say stands in the fields until something is typed there. */
function takeAir(form, view) {
  for (const name of ['temperature', 'pressure']) {
    const field = form.elements[name];
    if (!field.value && !field.defaultValue && view[name] && field !== document.activeElement) {
      field.value = field.defaultValue = view[name];
    }
  }
}

const typed = form => Object.fromEntries(new FormData(form));

async function read(form, button) {
  if (button.classList.contains('busy')) {
    return;
  }
  button.classList.add('busy');
  try {
    await post(`/jobs/${job}/setup/backsight`, typed(form));
    hush();
    dropDraft(form);
    await refresh();
    document.querySelector('#check .pair').scrollIntoView({ block: 'nearest' });
  } catch (problem) {
    sayProblem(problem);
  } finally {
    button.classList.remove('busy');
  }
}

/** A reading that is there is checked again with what is typed now. */
async function recheck(bench, form) {
  if (bench.querySelector('#check').dataset.present !== 'true') {
    return;
  }
  try {
    await post(`/jobs/${job}/setup/recheck`, typed(form));
    dropDraft(form);
    hush();
    const reason = bench.querySelector('#reason')?.value;
    const fresh = (await page(location.href)).document;
    for (const id of ['check', 'check-figures']) {
      document.getElementById(id).replaceWith(document.adoptNode(fresh.getElementById(id)));
    }
    if (reason && bench.querySelector('#reason')) {
      bench.querySelector('#reason').value = reason;
    }
  } catch (problem) {
    sayProblem(problem);
  }
}

async function accept(bench, form) {
  try {
    const body = new URLSearchParams({ id: setup.get(), reason: bench.querySelector('#reason')?.value ?? '' });
    await turnTo(`/jobs/${job}/setup/accept`, { method: 'POST', body });
    setup.settle();
    dropDraft(form);
  } catch (problem) {
    setup.settle(problem);
    bench.querySelector('#reason')?.focus();   // the strip has said what is wrong
  }
}

// What the helper on the practice ground needs to be told for each deed, and what is said when it is done.
const DEEDS = {
  stand: { field: 'station', tell: mark => ({ mark }),
    done: scene => [`The tripod stands on ${scene.tripod}.`, `The tape shows ${scene.tape}; the pole is ${scene.pole} high, its prism says ${scene.prism}.`] },
  go: { field: 'backsight', tell: mark => ({ mark }), done: (scene, mark) => [`The prism is held on ${mark}.`, ''] },
  extend: { field: 'targetHeight', tell: height => ({ height }), done: scene => [`The pole is ${scene.pole} high.`, ''] },
};

async function help(form, deed) {
  const { field, tell, done } = DEEDS[deed];
  const typed = form.elements[field].value.trim();
  if (!typed) {
    form.elements[field].focus();
    say('Not told yet.', 'Type or touch it first, then the helper can do it.');
    return;
  }
  try {
    const scene = await helper(deed, tell(typed));
    say(...done(scene, typed), 'good');
  } catch (problem) {
    sayProblem(problem);
  }
}
