// Corrections of one line or of several: first what they move, in figures and as arrows in the sketch, then, with a reason, written.
import { onceId, post } from 'verge/frame/http.js';
import { goneTo } from 'verge/frame/pick.js';
import { hush, say, sayProblem } from 'verge/frame/said.js';
import { turnTo } from 'verge/frame/leaves.js';
import { addLayer, theMap } from 'verge/sketch/sketch.js';

const job = document.body.dataset.job;
/** So long, in pixels, the largest move is drawn at most. */
const LONGEST_ARROW = 90;
/** One id for each thing that is said: another correction must never pass for one whose answer was lost. */
const corrections = new Map();
let arrows;

/** What is ticked at first: a tripod's height does not change with the pole's. */
const USUAL_KINDS = { POLE_BY: ['SHOT', 'STAKE', 'CHECK'], POLE_WAS: ['SHOT', 'STAKE', 'CHECK'], CODE_WAS: ['SHOT'], AIR_WAS: ['SETUP'] };

export function mount(bench) {
  const form = bench.querySelector('#rework-form');
  const go = document.getElementById('rework-go');
  if (!form) {
    go.disabled = true;
    return () => {};
  }
  const { address } = bench.dataset;
  arrows ??= addLayer('moves', 24);
  let seen = null;
  const forget = () => {
    seen = null;
    arrows.clear();
    form.querySelector('#moves').hidden = true;
    document.getElementById('moved').textContent = document.getElementById('exaggerated').textContent = '–';
    label(go, 'See what moves');
  };
  const press = async () => {
    if (seen) {
      await write(address, form, seen);
      return;
    }
    try {
      seen = await post(`${address}/preview`, fields(form));
      hush();
      show(form, seen);
      label(go, 'Write the correction');
    } catch (problem) {
      sayProblem(problem);
    }
  };
  form.addEventListener('submit', event => { event.preventDefault(); go.click(); });
  form.addEventListener('input', event => event.target.name !== 'reason' && forget());
  form.elements.what?.addEventListener('change', () => { choose(form, true); forget(); });
  go.addEventListener('click', press);
  form.elements.what && choose(form, !form.elements.names?.value);
  form.addEventListener('click', event => takePlace(form, event.target.closest('[data-takes-place]')) && forget());
  const last = goneTo(form);
  const touched = event => take(form, last, event, forget);
  document.addEventListener('verge:touched', touched);
  return () => {
    document.removeEventListener('verge:touched', touched);
    arrows.clear();
  };
}

function label(go, words) {
  go.firstChild.textContent = `${words} `;
}

/** A point touched in the sketch goes where names are wanted; without such a field it is left to others. */
function take(form, last, event, forget) {
  const wanted = [...form.querySelectorAll('[data-takes-touch]')].filter(field => !field.closest('[hidden]'));
  const field = wanted.find(f => f === last.field) ?? wanted.find(f => f.name !== 'names' && !f.value) ?? wanted.find(f => f.name === 'names');
  if (!field) {
    return;
  }
  event.preventDefault();
  const names = field.value.split(',').map(n => n.trim()).filter(Boolean);
  field.value = field.name === 'names' ? [...new Set([...names, event.detail.name])].join(', ') : event.detail.name;
  forget();
}

/** A place that is offered goes where coordinates are typed, in their order. */
function takePlace(form, button) {
  button && form.querySelectorAll('[data-what=TYPED] .fig.input').forEach((field, i) => { field.value = [button.dataset.first, button.dataset.second, button.dataset.elevation][i]; });
  return button;
}

/** Shows what belongs to what was wrong; the usual kinds of line are ticked when that is chosen. */
function choose(form, tick) {
  const what = form.elements.what.value;
  form.querySelectorAll('[data-what]').forEach(part => { part.hidden = part.dataset.what !== what; });
  tick && form.querySelectorAll('[data-kind]').forEach(box => { box.checked = USUAL_KINDS[what]?.includes(box.dataset.kind) ?? true; });
}

/** Of a line only what was changed; of several lines all that is typed. */
function fields(form) {
  const sent = {};
  for (const field of form.elements) {
    if (!field.name || field.name === 'reason' || field.closest('[hidden]')) {
      continue;
    }
    const box = field.type === 'checkbox';
    if ('changedOnly' in form.dataset) {
      const changed = box ? field.checked !== field.defaultChecked : field.value !== field.defaultValue;
      changed && (sent[field.name] = box ? String(field.checked) : field.value);
    } else if (box ? field.checked : field.value !== '') {
      sent[field.name] = box ? 'on' : field.value;
    }
  }
  return sent;
}

const element = (tag, className, words) => Object.assign(document.createElement(tag), { className, textContent: words });

function show(form, seen) {
  const place = form.querySelector('#moves');
  const table = element('table', 'lines tight', '');
  for (const move of seen.moves) {
    const row = table.insertRow();
    row.insertCell().append(element('b', '', `${move.kind === 'check' ? 'check ' : ''}${move.name} `), element('span', 'fig', move.by),
      element('div', 'fig quiet place', `was ${move.before}`), element('div', 'fig place', `is  ${move.after}`));
  }
  const lines = /\D/.test(seen.lines) ? [element('p', 'quiet', `Lines ${seen.lines}`)] : [];
  const gone = seen.gone.length ? [element('p', 'told wrong', `Without coordinates then: ${seen.gone.slice(0, 40).join(', ')}${seen.gone.length > 40 ? ' …' : ''}`)] : [];
  place.replaceChildren(element('p', '', seen.words), ...gone, ...lines, table, ...(seen.more ? [element('p', 'quiet', `and ${seen.more} points more`)] : []));
  place.hidden = false;
  document.getElementById('moved').textContent = seen.arrows.length + (seen.arrows.length === 2000 ? ' or more' : '');
  document.getElementById('exaggerated').textContent = draw(seen.arrows);
  place.scrollIntoView({ block: 'nearest' });
}

/**
 * Draws each move from where a point is, as many times longer than it is as can be told at a glance; where heights move more than places,
 * those, up or down the paper. Gives what was drawn, in words.
 */
function draw(moves) {
  arrows.clear();
  const largest = of => Math.max(0, ...moves.map(of));
  const plan = largest(m => Math.hypot(m.toNorth - m.north, m.toEast - m.east));
  const up = largest(m => Math.abs(m.up));
  if (plan === 0 && up === 0) {
    return '–';
  }
  const heights = up > plan;
  const pixels = Math.max(plan, up) / theMap().getView().getResolution();
  const times = pixels > LONGEST_ARROW ? 1 : mostTimes(pixels);
  arrows.addFeatures(moves.map(m => {
    const [east, north] = heights ? [0, m.up] : [m.toEast - m.east, m.toNorth - m.north];
    return new ol.Feature(new ol.geom.LineString([[m.east, m.north], [m.east + times * east, m.north + times * north]]));
  }));
  return `${heights ? 'heights' : 'in plan'} × ${times}`;
}

/** The largest round number of times that keeps so many pixels within the longest arrow. */
function mostTimes(pixels) {
  const most = LONGEST_ARROW / pixels;
  const power = 10 ** Math.floor(Math.log10(most));
  return power * [1, 2, 5].filter(round => round * power <= most).pop();
}

async function write(address, form, seen) {
  const sent = { ...fields(form), reason: form.elements.reason.value };
  const said = JSON.stringify([address, sent]);
  corrections.has(said) || corrections.set(said, onceId());
  const correction = corrections.get(said);
  try {
    await post(address, { id: correction.get(), asOf: seen.asOf, ...sent });
    correction.settle();
    await turnTo(`/jobs/${job}/book`);
    say('The correction is written.', 'What was read stays in the field book, with the correction beside it.', 'good');
  } catch (problem) {
    correction.settle(problem);
    sayProblem(problem);
    form.elements.reason.focus();
  }
}
