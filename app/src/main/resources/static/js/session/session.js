// The bench for static sessions: how the one that runs is now, beginning and ending it, fetching what was written.
import { onceId, page, post } from 'verge/frame/http.js';
import { turnTo } from 'verge/frame/leaves.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { reach } from 'verge/receiver/reach.js';

const job = document.body.dataset.job;
const MILLIS_BETWEEN_LOOKS = 1500;
/** What may be answered with 'all the same'. */
const SURE = ['HEIGHT_NOT_AGAIN', 'SESSION_TOO_SHORT', 'OTHER_FILE_WRITTEN'];
const begun = onceId();
const ended = onceId();

export function mount(bench) {
  reach(bench);
  const form = bench.querySelector('#session-form');
  const end = bench.querySelector('#end-form');
  const looking = bench.querySelector('#session-now') && setInterval(() => look(bench), MILLIS_BETWEEN_LOOKS);
  form?.addEventListener('submit', event => { event.preventDefault(); order('session-begin', begun, 'begin', form); });
  end?.addEventListener('submit', event => { event.preventDefault(); order('session-end', ended, 'end', end); });
  bench.addEventListener('click', pressed);
  const touched = event => take(form, event);
  document.addEventListener('verge:touched', touched);
  return () => {
    clearInterval(looking);
    document.removeEventListener('verge:touched', touched);
  };
}

async function look(bench) {
  try {
    const { document: fetched } = await page(`/jobs/${job}/static/now`);
    const now = fetched.getElementById('session-now');
    const place = bench.querySelector('#session-now');
    const antenna = bench.querySelector('#antenna-name');
    antenna && !antenna.value && (antenna.value = now?.dataset.antenna ?? '');
    now && place.innerHTML !== now.innerHTML && place.replaceChildren(...document.adoptNode(now).childNodes);
  } catch {
    // the next look tells
  }
}

/** Lets one thing more be answered; what was answered before was another. */
function ask(sure, code) {
  sure.value = sure.parentElement.hidden ? code : `${sure.value} ${code}`;
  sure.checked = false;
  sure.parentElement.hidden = false;
}

/** Sends what is typed, once however often it is pressed. */
async function order(name, id, what, form) {
  const button = document.getElementById(name);
  button.classList.add('busy');
  button.disabled = true;
  const all = new URLSearchParams(new FormData(form));
  all.delete('_csrf');
  all.set('id', id.get());
  try {
    await post(`/jobs/${job}/static/${what}`, all);
    id.settle();
    hush();
    await turnTo(`/jobs/${job}/setup/static`);
  } catch (problem) {
    id.settle(problem);
    sayProblem(problem);
    SURE.includes(problem.code) && ask(form.elements.sure, problem.code);
  } finally {
    button.classList.remove('busy');
    button.disabled = false;
  }
}

async function pressed(event) {
  const fetching = event.target.closest('[data-fetch]');
  const left = event.target.closest('[data-end]');
  const button = fetching ?? left ?? event.target.closest('#session-again');
  if (!button) {
    return;
  }
  button.classList.add('busy');
  try {
    if (fetching) {
      await post(`/jobs/${job}/static/${fetching.dataset.fetch}/fetch`, { id: crypto.randomUUID() });
      await turnTo(`/jobs/${job}/setup/static`);
      say('It came as it lies on the card.', 'It is kept under its digest.', 'good');
    } else if (left) {
      await post(`/jobs/${job}/static/${left.dataset.end}/end`, { id: crypto.randomUUID() });
      await turnTo(`/jobs/${job}/setup/static`);
    } else {
      await post(`/jobs/${job}/static/again`, {});
      say('It is written again.', 'The file goes on where it stopped; the gap stays told.', 'good');
    }
  } catch (problem) {
    sayProblem(problem);
  } finally {
    button.classList.remove('busy');
  }
}

/** A point touched in the sketch is the mark. */
function take(form, event) {
  if (form) {
    event.preventDefault();
    form.elements.mark.value = event.detail.name;
  }
}
