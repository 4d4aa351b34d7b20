// The bench for a base: how it is now, what the sky says of the mark that is chosen, starting and ending it.
import { get, onceId, page, post } from 'verge/frame/http.js';
import { turnTo } from 'verge/frame/leaves.js';
import { newest } from 'verge/frame/newest.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { reach } from 'verge/receiver/reach.js';

const job = document.body.dataset.job;
const MILLIS_BETWEEN_LOOKS = 1500;
const MILLIS_UNTIL_HELD = 400;
/** Where it stands, by these. */
const STANDS = ['from', 'mark', 'newMark', 'northing', 'easting', 'elevation'];
/** On what it sends, by these: another channel has to be listened to as well. */
const CHANNEL = ['megahertz', 'spacing', 'modulation', 'code'];
const started = onceId();
const ended = onceId();

export function mount(bench) {
  reach(bench);
  const form = bench.querySelector('#base-form');
  const looking = bench.querySelector('#base-now') && setInterval(() => {
    look(bench);
    form?.querySelector('#held').dataset.unknown && held(form);   // what could not be said before may be known now
  }, MILLIS_BETWEEN_LOOKS);
  let holding = 0;
  const hold = () => {
    clearTimeout(holding);
    holding = setTimeout(() => held(form), MILLIS_UNTIL_HELD);
  };
  bench.addEventListener('click', event => pressed(bench, form, event, hold));
  form?.addEventListener('input', event => {
    STANDS.includes(event.target.name) && doubted(form);
    CHANNEL.includes(event.target.name) && (form.elements.sureChannel.checked = false);
    choose(form);
    hold();
  });
  form?.addEventListener('submit', event => { event.preventDefault(); start(form); });
  form && choose(form);
  form && hold();
  const touched = event => take(form, event, hold);
  document.addEventListener('verge:touched', touched);
  return () => {
    clearInterval(looking);
    clearTimeout(holding);
    document.removeEventListener('verge:touched', touched);
  };
}

/** What was answered with yes was of another place. */
function doubted(form) {
  form.elements.sure.checked = false;
}

/** Shows what belongs to what is chosen. */
function choose(form) {
  const { from, way, earlier } = form.elements;
  from.value === 'EARLIER' && !earlier.value && (from.value = 'SKY');   // a draft knows no other job's base
  form.querySelectorAll('[data-for]').forEach(part => { part.hidden = !part.dataset.for.split(' ').includes(from.value); });
  form.querySelectorAll('[data-way]').forEach(part => { part.hidden = part.dataset.way !== way.value; });
}

async function look(bench) {
  try {
    const { document: fetched } = await page(`/jobs/${job}/base/now`);
    const now = fetched.getElementById('base-now');
    const place = bench.querySelector('#base-now');
    const antenna = bench.querySelector('#antenna-name');
    antenna && !antenna.value && (antenna.value = now?.dataset.antenna ?? '');
    now && place.innerHTML !== now.innerHTML && place.replaceChildren(...document.adoptNode(now).childNodes);
  } catch {
    // the next look tells
  }
}

const fields = form => {
  const all = new FormData(form);
  all.delete('_csrf');
  return new URLSearchParams(all);
};

/** What the sky says of the mark, and with it what has to be answered before the base may start. */
async function held(form) {
  const told = form.querySelector('#held');
  const ready = { KNOWN: ['mark'], TYPED: ['newMark', 'northing', 'easting', 'elevation'], SKY: ['newMark'], EARLIER: ['newMark', 'earlierJob', 'earlier'] }[form.elements.from.value];
  const tell = (said, unknown = '') => {
    told.dataset.unknown = unknown;
    told.hidden = !said.words;
    told.textContent = said.words;
    told.className = `told ${{ stop: 'wrong', question: 'doubtful' }[said.grade] ?? ''}`;
    form.querySelector('#sure').hidden = said.grade !== 'question';
    form.querySelector('#why').hidden = said.grade !== 'stop';
  };
  const query = new URLSearchParams([...fields(form)].filter(([name]) => ['from', ...ready].includes(name)));
  const isReady = ready.every(name => form.elements[name].value.trim());
  await latest(async () => isReady ? get(`/jobs/${job}/base/held?${query}`) : { words: '', grade: '' }, tell,
    problem => tell({ words: `${problem.message} ${problem.next ?? ''}`, grade: '' }, problem.code === 'NO_POSITION' ? 'yes' : ''));
}

/** What was typed last is what is held against the sky. */
const latest = newest();

async function start(form) {
  const button = document.getElementById('base-start');
  button.classList.add('busy');
  button.disabled = true;
  say('The base is started.', 'It takes some seconds: the channel is listened to, and what the receiver sends is compared with what it was told.', 'good');
  const all = fields(form);
  all.set('id', started.get());
  try {
    await post(`/jobs/${job}/base/start`, all);
    started.settle();
    hush();
    await turnTo(`/jobs/${job}/setup/base`);
  } catch (problem) {
    started.settle(problem);
    sayProblem(problem);
    problem.code === 'CHANNEL_IN_USE' && (form.querySelector('#sure-channel').hidden = false);
  } finally {
    button.classList.remove('busy');
    button.disabled = false;
  }
}

async function pressed(bench, form, event, hold) {
  const again = event.target.closest('[data-again]');
  if (again && form) {
    const other = again.dataset.entry;
    form.elements.from.value = other ? 'EARLIER' : 'KNOWN';
    form.elements[other ? 'newMark' : 'mark'].value = again.dataset.again;
    form.elements.earlierJob.value = again.dataset.job ?? '';
    form.elements.earlier.value = other ?? '';
    doubted(form);
    choose(form);
    hold();
    form.elements[other ? 'newMark' : 'mark'].scrollIntoView({ block: 'center' });
    return;
  }
  try {
    if (event.target.closest('#base-end')) {
      await post(`/jobs/${job}/base/end`, { id: ended.get() });
      ended.settle();
      await turnTo(`/jobs/${job}/setup/base`);
    } else if (event.target.closest('[data-end]')) {
      await post(`/jobs/${job}/base/${event.target.closest('[data-end]').dataset.end}/end`, { id: crypto.randomUUID() });
      await turnTo(`/jobs/${job}/setup/base`);
    } else if (event.target.closest('#base-again')) {
      await post(`/jobs/${job}/base/again`, {});
      say('The receiver sends again.', 'It is the same base over the same mark.', 'good');
    }
  } catch (problem) {
    ended.settle(problem);
    sayProblem(problem);
  }
}

/** A point touched in the sketch is the mark. */
function take(form, event, hold) {
  if (form?.elements.from.value === 'KNOWN') {
    event.preventDefault();
    form.elements.mark.value = event.detail.name;
    doubted(form);
    hold();
  }
}
