// The bench for measuring: the legend and the list of open strings say what the next shot is, the big key takes it.
import { get, onceId, post } from 'verge/frame/http.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { dropDraft } from 'verge/frame/draft.js';
import { refreshFrame, tellStored } from 'verge/frame/leaves.js';
import { listenToDeeds } from 'verge/device/deeds.js';
import { Arming } from 'verge/measure/arming.js';
import { followPole, showArmed } from 'verge/measure/ghost.js';
import { Finding } from 'verge/measure/finding.js';
import { ByItself } from 'verge/measure/itself.js';
import { measuresBy, openBy } from 'verge/measure/by.js';
import { isNew, joins, openLegend, showChosen, showLegend, showMatching, touchMeasures } from 'verge/measure/legend.js';
import { ask, keepAsked } from 'verge/attributes/asked.js';
import { keepPole } from 'verge/pole/pole.js';
import { drawPoint } from 'verge/sketch/sketch.js';
import { sample } from 'verge/sketch/marks.js';

const job = document.body.dataset.job;
const shot = onceId();

export function mount(bench) {
  listenToDeeds(bench);
  const form = bench.querySelector('#shot-form');
  const { code } = form.elements;
  const button = document.getElementById('measure');
  const arming = new Arming(bench, other => {
    code.value = other;
    code.dispatchEvent(new Event('input', { bubbles: true }));   // kept over a reload, like one that is typed
  });
  arming.joins[0] && arming.joins[0].code !== code.value.trim() && arming.choose(code.value.trim(), joins(bench, code.value.trim()), false);
  const finding = new Finding(bench);
  arming.finding = finding;
  finding.way.addEventListener('change', () => arming.show());
  arming.show();
  const take = () => measure(form, button, arming, finding);
  openLegend(bench, (chosen, makesString) => {
    if (arming.adding) {
      arming.choose(chosen, makesString);
      return;
    }
    const again = code.value.trim() === chosen;
    code.value = chosen;
    code.dispatchEvent(new Event('input', { bubbles: true }));
    arming.choose(chosen, makesString, again && !touchMeasures());
    touchMeasures() && take();
  });
  bench.addEventListener('click', event => {
    const pole = event.target.closest('[data-pole]');
    if (pole) {
      form.elements.targetHeight.value = pole.dataset.pole;
      form.elements.targetHeight.dispatchEvent(new Event('change', { bubbles: true }));
    }
    const make = event.target.closest('[data-make]');
    make && makeCode(bench, arming, code.value.trim(), make.dataset.make);
  });
  form.addEventListener('input', event => {
    if (event.target === code) {
      showChosen(bench, code.value);
      showMatching(bench, code.value);
      arming.choose(code.value.trim(), joins(bench, code.value.trim()), false);
    }
  });
  form.addEventListener('input', () => arming.show());
  form.addEventListener('submit', event => event.preventDefault());
  openBy(bench);
  showChosen(bench, code.value);
  keepPole(form);
  button.addEventListener('click', take);
  listenToStrings(bench, arming);
  const strike = document.getElementById('strike-last');
  strike.addEventListener('click', () => strikeLast(strike));
  return followSketch(bench, arming, measureByItself(bench, take));
}

const BESIDE = ['right', 'farther', 'up'];

/** Where the next point lies beside the prism, as it is typed. */
function beside(form, arming) {
  const along = document.getElementById('along-string').checked && arming.joins[0]?.string;
  return { ...Object.fromEntries(BESIDE.map(field => [field, form.elements[field].value])), ...(along ? { along } : {}) };
}

/** Each way of measuring by itself begins anew when it is chosen, and ends with a touch. */
function measureByItself(bench, take) {
  const choice = bench.querySelector('#by-itself');
  const stop = document.getElementById('stop-itself');
  const byItself = new ByItself(take);
  const choose = () => {
    const [kind, much] = choice.value.split(':');
    byItself.start(kind && kind !== 'waited' ? `${kind}:${much * bench.dataset.metres}` : choice.value);
    stop.hidden = !byItself.on;
  };
  choice.addEventListener('change', choose);
  stop.addEventListener('click', () => { choice.value = ''; choose(); });
  return byItself;
}

/** The string that was touched on the sketch goes on; the ghost follows the pole. */
function followSketch(bench, arming, byItself) {
  const touched = event => { event.preventDefault(); arming.take(event.detail.string.id, event.detail.end); };
  const again = () => arming.settle();
  const fresh = ({ detail }) => showFresh(bench, detail, arming);
  const undone = event => {
    event.preventDefault();
    refreshFrame().catch(sayProblem);
  };
  const followed = pole => {
    followPole(pole);
    byItself.poleIsAt(pole);
  };
  const pole = ({ detail }) => measuresBy() === 'instrument' && followed(detail.pole?.position ? [detail.pole.east, detail.pole.north] : null);
  const rover = ({ detail }) => measuresBy() === 'receiver' && followed(detail?.pole ? [detail.pole.east, detail.pole.north] : null);
  document.addEventListener('verge:string', touched);
  document.addEventListener('verge:strings', again);
  document.addEventListener('verge:frame', fresh);
  document.addEventListener('verge:undone', undone);
  document.addEventListener('verge:instrument', pole);
  document.addEventListener('verge:receiver', rover);
  again();
  return () => {
    document.removeEventListener('verge:string', touched);
    document.removeEventListener('verge:strings', again);
    document.removeEventListener('verge:frame', fresh);
    document.removeEventListener('verge:undone', undone);
    document.removeEventListener('verge:instrument', pole);
    document.removeEventListener('verge:receiver', rover);
    byItself.stop();
    showArmed([]);
  };
}

function listenToStrings(bench, arming) {
  const deeds = { begin: () => arming.begin(), more: () => arming.more(), turn: () => arming.turn(), part: () => arming.part(), close: () => edit(arming, 'CLOSE'), end: () => edit(arming, 'END') };
  bench.addEventListener('click', event => {
    const row = event.target.closest('[data-string]');
    event.target.closest('[data-arm]') && arming.take(row.dataset.string);
    event.target.closest('[data-also]') && arming.also(row.dataset.string);
    const deed = event.target.closest('[data-deed]');
    deed && deeds[deed.dataset.deed]();
  });
  for (const key of document.querySelectorAll('[data-bend]')) {
    key.addEventListener('click', () => arming.flow(key.dataset.bend));
  }
  showSamples(bench);
}

const showSamples = bench => bench.querySelectorAll('#open-strings svg').forEach(sample);

/** Ends or closes the armed string; the next shot begins a new one of its code. */
async function edit(arming, deed) {
  const [{ string }] = arming.joins;
  try {
    await post(`/jobs/${job}/strings/${string}`, { deed });
    arming.ended(string);
    await refreshFrame();
  } catch (problem) {
    sayProblem(problem);
  }
}

/** Strikes the last shot through; pressed again, brings it back. */
async function strikeLast(button) {
  const { entry, name, struck } = button.dataset;
  try {
    await post(`/jobs/${job}/book/${entry}/${struck === 'true' ? 'restore' : 'strike'}`, {});
    say(struck === 'true' ? `${name} counts again.` : `${name} is struck through.`, struck === 'true' ? '' : 'Its line stays in the book; the same key brings it back.', 'good');
    await refreshFrame();
  } catch (problem) {
    sayProblem(problem);
  }
}

/** A code is made on the spot, and the shots to come are of it. */
async function makeCode(bench, arming, code, kind) {
  try {
    await post(`/jobs/${job}/codes`, { code, kind });
    const fresh = (await refreshFrame()).querySelector('#legend');
    bench.querySelector('#legend').replaceWith(document.adoptNode(fresh));
    showLegend(bench);
    showChosen(bench, code);
    hush();
    arming.choose(code, kind === 'STRING', false);
  } catch (problem) {
    sayProblem(problem);
  }
}

/** What is doubtful about a shot, and what the codebook asks: neither holds up the next. @param kept when what was asked before is kept */
async function sayAfter(shot, kept) {
  const { doubts, asks } = await get(`/jobs/${job}/measure/shots/${shot}/after`);
  if (doubts.length) {
    say(doubts[0], `${doubts.slice(1).join(' ')} It is stored as it was measured.`);
  }
  await kept;
  await ask(asks);
}

async function measure(form, button, arming, finding) {
  const bench = document.getElementById('bench');
  const typed = form.elements.code.value.trim();
  if (isNew(bench, typed)) {
    say(`${typed} is new here.`, 'Touch what its shots make, a line or points: then measure. Nothing is measured yet.');
    bench.querySelector('#no-code').hidden = false;
    return;
  }
  if (button.classList.contains('busy') || !form.reportValidity()) {
    return;   // a second touch in the rain is not a second shot
  }
  button.classList.add('busy');
  const { name, code } = form.elements;
  const notes = [...form.elements].filter(field => field.name.startsWith('note:'));
  const asked = performance.now();
  try {
    const fields = { name: name.value, code: code.value, joins: arming.asked(), again: name.value !== name.defaultValue, ...Object.fromEntries(notes.map(n => [n.name, n.value])) };
    const sight = finding.isPlain || measuresBy() === 'receiver' ? null : await finding.take(fields);
    if (sight && !sight.stored) {
      hush();
      sight.before ? say('This sight was taken already, before the last answer was lost.', 'It is of what was aimed at then; nothing was measured now. Start the point again if that was not meant.') : tellStored();
      arming.show();
      return;
    }
    const stored = sight?.stored ?? await post(`/jobs/${job}/measure/shots`, { id: shot.get(), ...fields, ...(measuresBy() === 'receiver' ? { by: 'receiver', reason: form.elements.reason.value } : beside(form, arming)) });
    shot.settle();
    stored.before || tellStored();
    if (stored.point && !stored.elsewhere) {
      drawPoint(stored.point, stored.line, stored.strings);
      requestAnimationFrame(() => performance.measure('measure-to-drawn', { start: asked, end: performance.now() }));
    }
    hush();
    sight?.told && say(`${name.value} is found${sight.told}.`, '', 'good');
    if (stored.before) {
      say('This point was stored already, before the last answer was lost.',
        'It stands where the pole was then; nothing was measured now. Measure again for the place the pole is at.');
    }
    if (stored.elsewhere) {
      say(stored.elsewhere, 'It is stored, and shown with its own floor or with all floors. A wrong pole height or a wrong floor would look like this.');
    }
    askReason(form, false);
    dropDraft(form);
    const later = keepAsked();
    stored.point && !stored.before && sayAfter(stored.point.entry, later).catch(sayProblem);
    arming.stored(stored.strings, name.value.trim());
    name.value = stored.next;
    name.defaultValue = stored.next;
    code.defaultValue = code.value;
    notes.forEach(note => { note.value = ''; });
    bench.querySelector('#beside-held').checked || BESIDE.forEach(field => { form.elements[field].value = ''; });
    await refreshFrame();
  } catch (problem) {
    shot.settle(problem);
    sayProblem(problem);
    ['OUTSIDE_LIMITS', 'BASE_NOT_AS_BEFORE', 'NOT_FIXED'].includes(problem.code) && askReason(form, true);
  } finally {
    button.classList.remove('busy');
  }
}

/** What a receiver's solution is beyond its limits is kept with a reason, for one point. */
function askReason(form, wanted) {
  form.querySelector('#reason-field').hidden = !wanted;
  wanted || (form.elements.reason.value = '');
}

/** Puts what is new in lists into the bench, which otherwise stays as it is. */
function showFresh(bench, fresh, arming) {
  for (const selector of ['#shots', '#shots-count', '#open-strings']) {
    const now = document.querySelector(selector);
    const next = fresh.querySelector(selector);
    if (now && next) {
      now.replaceWith(document.adoptNode(next));
    }
  }
  const strike = document.getElementById('strike-last');
  const next = fresh.getElementById('strike-last');
  if (strike && next) {
    Object.assign(strike.dataset, next.dataset);
    strike.textContent = next.textContent;
    strike.hidden = next.hidden;
    document.querySelectorAll('.of-the-last').forEach(keys => { keys.hidden = fresh.querySelector('.of-the-last').hidden; });
    document.querySelectorAll('.of-the-last :is([data-photo], [data-speak])').forEach(key => { key.dataset.subject = next.dataset.entry; });
  }
  showSamples(bench);
  arming.settle();
}
