// The live stream of the job: one event source, its figures put wherever a page asks for them by data-live or data-guide.

let source = null;
let openedWith = null;

const job = () => document.body.dataset.job;

/** Opens the stream for what the bench needs; the same again is left open. */
export function openLive(query) {
  const url = `/jobs/${job()}/live?${new URLSearchParams(query)}`;
  if (!job() || url === openedWith && source && source.readyState !== EventSource.CLOSED) {
    replay();
    return;
  }
  openedWith = url;
  latest.clear();
  if (!document.hidden) {
    connect(false);
  }
}

/** @param missed whether something may have been stored since the stream was last open */
function connect(missed) {
  source?.close();
  source = new EventSource(openedWith);
  for (const name of ['instrument', 'guide']) {
    source.addEventListener(name, event => tell(name, JSON.parse(event.data)));
  }
  source.addEventListener('book', event => tellBook(event.data));
  source.addEventListener('error', () => {
    missed = true;
    tell('instrument', LOST);
  });
  source.addEventListener('open', () => {
    if (missed) {
      missed = false;
      tellBook();
    }
  });
}

// A browser allows only a few open streams to one address: a tab that nobody looks at gives its own back.
document.addEventListener('visibilitychange', () => {
  if (document.hidden) {
    source?.close();
  } else if (openedWith && (!source || source.readyState === EventSource.CLOSED)) {
    connect(true);
  }
});

const LOST = { link: 'lost', linkWords: 'Verge does not answer', tilt: '', level: false, tiltAlong: 0, tiltAcross: 0, battery: '', air: '', temperature: '', pressure: '', settled: false, pole: null };
const latest = new Map();
const MILLIS_OF_PEACE = 150;
let bookTimer = 0;
let lines = 0;

/**
 * New lines in the book are told together, a moment later: what was stored here is drawn first, and drawing must not wait for it. Told with
 * how many lines there are, so that nobody fetches what is there already; endlessly many where something else may have changed.
 */
function tellBook(count) {
  lines = Math.max(lines, Number(count) || Infinity);
  bookTimer ||= setTimeout(() => {
    const detail = { lines };
    bookTimer = lines = 0;
    document.dispatchEvent(new CustomEvent('verge:book', { detail }));
  }, MILLIS_OF_PEACE);
}

function tell(name, value) {
  latest.set(name, value);
  if (name === 'instrument') {
    fill('live', value);
    topLine(value);
  } else if (name === 'guide' && value) {
    fill('guide', value);
  }
  document.dispatchEvent(new CustomEvent(`verge:${name}`, { detail: value }));
}

/** A fresh bench gets the figures that are known already. */
function replay() {
  for (const name of ['instrument', 'guide']) {
    if (latest.has(name)) {
      tell(name, latest.get(name));
    }
  }
}

function fill(kind, values) {
  const full = kind === 'live' ? { ...values, levelWords: levelWords(values) } : values;
  for (const element of document.querySelectorAll(`[data-${kind}]`)) {
    const value = element.dataset[kind].split('.').reduce((v, part) => v?.[part], full);
    const text = value ?? '–';
    if (element.textContent !== text) {
      element.textContent = text;
    }
  }
}

function levelWords(view) {
  return view.tilt ? `${view.level ? 'Level' : 'Not level'}, ${view.tilt} off. Battery ${view.battery}.` : '';
}

function topLine(view) {
  const chip = document.getElementById('chip-link');
  if (!chip) {
    return;
  }
  const up = view.link === 'up';
  chip.classList.toggle('good', up && view.level);
  chip.classList.toggle('stop', !up && view.link !== 'none' || up && view.tilt !== '' && !view.level);
  document.getElementById('link-words').textContent = up ? (view.level || !view.tilt ? 'Level' : 'Not level') : view.linkWords;
  document.getElementById('link-tilt').textContent = up ? view.tilt : '';
  document.getElementById('sigma').textContent = view.pole?.sigma ?? '';
  document.getElementById('chip-sigma').hidden = !view.pole?.sigma;
  document.getElementById('battery').textContent = view.battery;
  document.getElementById('chip-battery').hidden = !view.battery;
}
