// The bench for setting up: marks or faces are read one by one, what they come to is shown at once, then it is accepted.
import { get, onceId, page, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { dropDraft } from 'verge/frame/draft.js';
import { refresh, turnTo } from 'verge/frame/leaves.js';
import { newest } from 'verge/frame/newest.js';
import { pickFromSketch } from 'verge/frame/pick.js';
import { helper } from 'verge/practice/practice.js';
import { drawSetup, faceAt } from 'verge/setup/drawing.js';
import { moveBubble } from 'verge/setup/bubble.js';

const job = document.body.dataset.job;
const setup = onceId();

export function mount(bench) {
  const form = bench.querySelector('#setup-form');
  if (!form) {
    return undefined;
  }
  const bubble = event => moveBubble(event.detail);
  document.addEventListener('verge:instrument', bubble);
  const unpick = pickFromSketch(form, () => changed(bench, form));
  form.addEventListener('change', event => changed(bench, form, event.target));
  form.addEventListener('submit', event => event.preventDefault());
  bench.addEventListener('change', event => rowChanged(bench, form, event.target));
  document.getElementById('read-mark').addEventListener('click', event => read(form, event.currentTarget));
  document.getElementById('read-again').addEventListener('click', () => another(form));
  document.getElementById('accept-setup').addEventListener('click', () => accept(bench, form));
  bench.addEventListener('click', event => {
    const deed = event.target.closest('[data-practice]')?.dataset.practice;
    const kind = event.target.closest('.kinds [data-kind]')?.dataset.kind;
    if (deed) {
      help(form, deed);
    } else if (kind) {
      dropDraft(form);
      turnTo(`/jobs/${job}/setup/kind`, { method: 'POST', body: new URLSearchParams({ kind }) }).catch(() => {});
    }
  });
  const face = event => chooseFace(form, event);
  document.addEventListener('verge:touching', face);
  askAboutZero(form);
  const undraw = drawSetup(bench.querySelector('#check').dataset.present === 'true' ? `/jobs/${job}/setup/drawing` : null,
    form.dataset.kind === 'BUILDING' ? `/jobs/${job}/setup/faces` : null);
  return () => {
    document.removeEventListener('verge:instrument', bubble);
    document.removeEventListener('verge:touching', face);
    unpick();
    undraw();
  };
}

/** All fields of the form; a box that is not ticked is said to be so, else what was ticked before would stay. */
const typed = form => Object.fromEntries([...[...form.elements].filter(e => e.type === 'checkbox' && e.name).map(e => [e.name, 'false']), ...new FormData(form)]);

async function read(form, button) {
  if (button.classList.contains('busy') || !form.reportValidity()) {
    return;
  }
  button.classList.add('busy');
  try {
    await post(`/jobs/${job}/setup/${form.dataset.kind === 'BUILDING' ? 'face' : 'mark'}`, typed(form));
    hush();
    dropDraft(form);
    await refresh();
    document.querySelector('#check .verdict').scrollIntoView({ block: 'start' });
  } catch (problem) {
    sayProblem(problem);
    askAboutZero(form, problem.code === 'INSTRUMENT_HEIGHT_ZERO');
  } finally {
    button.classList.remove('busy');
  }
}

/** Back to reading: the big key reads again, the first empty field of the next mark is there to be typed in. */
function another(form) {
  document.getElementById('accept-setup').hidden = true;
  document.getElementById('read-again').hidden = true;
  const button = document.getElementById('read-mark');
  button.hidden = false;
  (form.elements.mark ?? form.elements.face).focus();
  (form.elements.mark ?? form.elements.face).scrollIntoView({ block: 'center' });
}

/** A face of the building touched in the sketch is the one that the next shot meets. */
function chooseFace(form, event) {
  const name = form.elements.face && faceAt(event.detail.at, event.detail.reach);
  if (name) {
    event.preventDefault();
    form.elements.face.value = name;
    form.elements.level.value = '';
    form.elements.face.dispatchEvent(new Event('input', { bubbles: true }));
  }
}

/** A height of nothing is confirmed once. */
function askAboutZero(form, asked = false) {
  const box = document.getElementById('no-ground-mark');
  const zero = /^0*([.,]0*)?$/.test(form.elements.instrumentHeight.value.trim()) && form.elements.instrumentHeight.value.trim() !== '';
  box.hidden = !(asked || zero);
}

/** The target of the mark that was named last, not of one before it that was answered late. */
const lastTarget = newest();

async function changed(bench, form, field) {
  askAboutZero(form);
  if (field?.name === 'mark' && field.value) {
    await lastTarget(() => get(`/jobs/${job}/setup/last-target?mark=${encodeURIComponent(field.value)}`), last => {
      form.elements.targetHeight.value = last.targetHeight;
      form.elements.prismConstant.value = last.prismConstant;
    });
  }
  if (!['mark', 'targetHeight', 'prismConstant', 'faces', 'azimuth', 'face', 'level'].includes(field?.name)) {
    await recheck(bench, form);
  }
}

/** A row of a mark that was read: its name, its target, what of it counts. */
function rowChanged(bench, form, field) {
  if (field.dataset.use) {
    form.elements[`${field.dataset.use}-${field.dataset.row}`].value = String(field.checked);
    recheck(bench, form);
  } else if (/^(mark|height|prism)-\d+$/.test(field.name)) {
    recheck(bench, form);
  }
}

/** What is being looked at again; whoever accepts meanwhile waits for it, since it is their own change. */
let checking = Promise.resolve();

/** What was read is looked at again with what is typed now. */
function recheck(bench, form) {
  checking = checking.then(() => lookAgain(bench, form));
  return checking;
}

async function lookAgain(bench, form) {
  if (bench.querySelector('#check').dataset.present !== 'true') {
    return;
  }
  try {
    const reason = bench.querySelector('#reason')?.value;
    await post(`/jobs/${job}/setup/recheck`, typed(form));
    dropDraft(form);
    hush();
    const fresh = (await page(location.href)).document;
    for (const id of ['check', 'check-figures']) {
      const now = document.getElementById(id);
      const then = fresh.getElementById(id);
      now && then && now.replaceWith(document.adoptNode(then));
    }
    if (reason && bench.querySelector('#reason')) {
      bench.querySelector('#reason').value = reason;
    }
    document.dispatchEvent(new CustomEvent('verge:setup'));
  } catch (problem) {
    sayProblem(problem);
  }
}

async function accept(bench, form) {
  await checking;
  try {
    const body = new URLSearchParams({ id: setup.get(), seen: bench.querySelector('#check').dataset.seen, reason: bench.querySelector('#reason')?.value ?? '' });
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
    done: scene => [scene.tripod ? `The tripod stands on ${scene.tripod}.` : 'The tripod stands at the pole.', `The tape shows ${scene.tape}; the pole is ${scene.pole} high, its prism says ${scene.prism}.`] },
  go: { field: 'mark', tell: mark => ({ mark }), done: (scene, mark) => [`The prism is held on ${mark}.`, ''] },
  extend: { field: 'targetHeight', tell: height => ({ height }), done: scene => [`The pole is ${scene.pole} high.`, ''] },
};

async function help(form, deed) {
  const { field, tell, done } = DEEDS[deed];
  const free = deed === 'stand' && form.dataset.kind !== 'KNOWN_POINT';
  const word = form.elements[field]?.value.trim();
  if (!word && !free) {
    form.elements[field]?.focus();
    say('Not told yet.', 'Type or touch it first, then the helper can do it.');
    return;
  }
  try {
    const scene = free ? await helper('stand-at-pole', {}) : await helper(deed, tell(word));
    say(...done(scene, word), 'good');
  } catch (problem) {
    sayProblem(problem);
  }
}
