// What lies under the finger, and what the person means if that is several things.
import { fragment, post } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { say, sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;
export const FINGER = 18;
const CORNER = 14;
const MOST_LISTED = 8;

/** The things near a place: job's points and strings, points of files, lines; what can be picked before what cannot. */
export function near(content, [east, north], resolution) {
  const reach = FINGER * resolution;
  const found = [];
  const { points, strings, photos, sheets } = content;
  for (let i = 0; i < points.list.length; i++) {
    const away = Math.hypot(points.east[i] - east, points.north[i] - north);
    away <= reach && found.push({ away, point: points.list[i], name: points.list[i].name, kind: points.list[i].mark.toLowerCase() });
  }
  found.push(...nearStrings(strings, east, north, reach));
  found.length || found.push(...photos.map(photo => ({ photo, away: Math.hypot(photo.east - east, photo.north - north), name: photo.name, kind: 'photos' })).filter(f => f.away <= reach));
  for (const sheet of sheets) {
    for (const thing of [...sheet.spots, ...sheet.lines]) {
      const [west, south, most, top] = thing.box;
      if (east < west - reach || east > most + reach || north < south - reach || north > top + reach || !sheet.shows(thing)) {
        continue;
      }
      const away = distance(thing.at, east, north);
      const role = sheet.roleOf(thing);
      if (away <= reach && !(thing.kind === 'p' && found.some(f => f.point?.name === thing.name))) {
        found.push({ away, sheet, thing, name: thing.name || sheet.layers[thing.layer]?.name || '', kind: role.toLowerCase(), spot: thing.kind === 'p',
          north, east, reach: CORNER * resolution });
      }
    }
  }
  const rank = f => (f.point || f.spot && f.kind !== 'underlay' ? 0 : f.kind === 'underlay' ? 2 : 1);
  return found.sort((a, b) => rank(a) - rank(b) || a.away - b.away);
}

/** The strings near a place, as things that can be picked: with the end that is nearer. */
function nearStrings(strings, east, north, reach) {
  const found = [];
  for (const string of strings.values()) {
    const away = Math.min(Infinity, ...string.lines.map(({ at, box: [west, south, most, top] }) =>
      (east < west - reach || east > most + reach || north < south - reach || north > top + reach ? Infinity : distance(at, east, north))));
    if (away <= reach) {
      const [first, last] = string.ends.map(([e, n]) => Math.hypot(e - east, n - north));
      found.push({ away, string, name: string.name, kind: 'string', end: first < last ? 'FIRST' : 'LAST' });
    }
  }
  return found;
}

/** From a place to a point or a line. */
export function distance(at, east, north) {
  let away = Math.hypot(at[0] - east, at[1] - north);
  for (let i = 2; i < at.length; i += 2) {
    const dx = at[i] - at[i - 2];
    const dy = at[i + 1] - at[i - 1];
    const t = Math.max(0, Math.min(1, ((east - at[i - 2]) * dx + (north - at[i - 1]) * dy) / (dx * dx + dy * dy || 1)));
    away = Math.min(away, Math.hypot(at[i - 2] + t * dx - east, at[i - 1] + t * dy - north));
  }
  return away;
}

/** One thing is taken at once; of several, the person chooses from a list. */
export function touch(found, ring) {
  const panel = document.getElementById('touch-panel');
  panel.hidden = true;
  const pickable = found.filter(f => f.kind !== 'underlay');
  if (found.length === 0) {
    ring(null);
  } else if (pickable.length === 0) {
    saysUnderlay(found[0]);
  } else if (pickable.length === 1 || pickable[1].away > 2 * pickable[0].away + 1e-9 && rankOf(pickable[0]) === 0) {
    take(pickable[0], ring);
  } else {
    list(panel, pickable.slice(0, MOST_LISTED), ring);
  }
}

const rankOf = f => (f.point || f.spot ? 0 : 1);

function saysUnderlay(thing) {
  say(`‘${thing.name || thing.sheet.name}’ is underlay.`, thing.sheet.role === 'DESIGN' && !thing.sheet.current
    ? `It belongs to ${thing.sheet.name}, and the work goes by another design. Go by this one under Layers if it is to be picked or staked.`
    : `It is in ${thing.sheet.name}, for orientation only, and cannot be picked or staked. Make its layer design under Layers if it is to be built.`);
}

function list(panel, found, ring) {
  const title = document.createElement('h2');
  title.textContent = 'Several things lie here';
  const entries = document.createElement('div');
  entries.className = 'pick-list';
  for (const f of found) {
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'plain-button';
    const name = document.createElement('b');
    name.textContent = f.name || '(no name)';
    const kind = document.createElement('span');
    kind.textContent = f.point || f.spot || f.string || f.photo ? f.kind : `${f.kind} line`;
    button.append(name, ' ', kind);
    button.addEventListener('click', () => { panel.hidden = true; take(f, ring); });
    entries.append(button);
  }
  panel.replaceChildren(title, entries, closer(panel));
  panel.hidden = false;
}

function closer(panel) {
  const close = document.createElement('button');
  close.type = 'button';
  close.className = 'close-panel';
  close.textContent = '×';
  close.setAttribute('aria-label', 'Close');
  close.addEventListener('click', () => { panel.hidden = true; });
  return close;
}

function take(f, ring) {
  ring(f);
  if (f.point || f.spot && f.name) {
    // A bench that wants a point takes it; else what it is, is told.
    const wanted = !document.dispatchEvent(new CustomEvent('verge:touched', { cancelable: true, detail: { name: f.point?.name ?? f.name } }));
    !wanted && f.point && tell(`point?${new URLSearchParams({ entry: f.point.entry, name: f.point.name })}`);
  } else if (f.string) {
    // While measuring, the next shot goes on with it.
    const wanted = !document.dispatchEvent(new CustomEvent('verge:string', { cancelable: true, detail: { string: f.string, end: f.end } }));
    wanted || tell(`string?${new URLSearchParams({ string: f.string.id })}`);
  } else if (f.photo) {
    tell(`../photos/of/${f.photo.subject}/touched`);
  } else {
    // A bench that wants a line takes it as it is called.
    const wanted = 'al'.includes(f.thing.kind) && !document.dispatchEvent(new CustomEvent('verge:line', { cancelable: true, detail: { name: `${f.sheet.name} line ${f.thing.index + 1}` } }));
    wanted || show(f);
  }
}

/** What a line is, and its corner to be made a point. */
async function show(f) {
  const panel = await tell(`thing?${new URLSearchParams({ file: f.sheet.id, feature: f.thing.index, north: f.north, east: f.east, reach: f.reach })}`);
  panel?.querySelector('[data-corner]')?.addEventListener('submit', makePoint);
}

async function makePoint(event) {
  event.preventDefault();
  const { file, feature, vertex } = event.target.dataset;
  try {
    const taken = await post(`/jobs/${job}/sketch/corner`, { file, feature, corner: vertex, name: event.target.elements.name.value });
    document.getElementById('touch-panel').hidden = true;
    say(`${taken.name} is a design point now.`, 'It can be staked like any other.', 'good');
    document.dispatchEvent(new CustomEvent('verge:touched', { cancelable: true, detail: { name: taken.name } }));
  } catch (problem) {
    sayProblem(problem);
  }
}

/** Shows in the panel what the sketch tells of something; gives the panel, or undefined if it could not be told. */
export async function tell(of, options) {
  let shown;
  await told(() => fragment(`/jobs/${job}/sketch/${of}`, options), part => {
    shown = document.getElementById('touch-panel');
    shown.replaceChildren(document.adoptNode(part), closer(shown));
    shown.hidden = false;
  }, sayProblem);
  return shown;
}

/** Two touches one after the other: what the second is about is told. */
const told = newest();

/** Shows what a selection comes to, and rings its points. */
export function showSelection(outline) {
  const fields = new URLSearchParams();
  outline.forEach(([east, north]) => { fields.append('north', north); fields.append('east', east); });
  return selected('selection', fields);
}

let last = [];
document.addEventListener('verge:selected', event => { last = event.detail.names; });

/** The names of the points that were selected last. */
export const chosenLast = () => last;

/** Selects by something else than an outline, and shows what it comes to. @return the names of its points */
export async function selected(by, body) {
  const panel = await tell(by, { method: 'POST', body });
  const names = (panel?.querySelector('[data-names]')?.dataset.names ?? '').split(', ').filter(Boolean);
  names.length && document.dispatchEvent(new CustomEvent('verge:selected', { detail: { names } }));
  return names;
}

/** What can be selected by: the codes and layers of what was measured. */
export const showCommon = () => tell('common');

/** Keys that select all of a code, of a layer, of a string, wherever they stand. */
export function listenToCommon() {
  document.addEventListener('click', event => {
    const key = event.target.closest('[data-common]');
    key && selected('selection/common', new URLSearchParams({ [key.dataset.common]: key.dataset.value }));
  });
}
