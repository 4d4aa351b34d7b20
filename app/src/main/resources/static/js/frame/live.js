// The live stream of the job: one event source, its figures put wherever a page asks for them by data-live or data-guide.

let source = null;
let openedWith = null;
let again = 0;
const MILLIS_BETWEEN_TRIES = 3000;

const EVENTS = ['instrument', 'receiver', 'base', 'sky', 'guide'];

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
  for (const name of EVENTS) {
    source.addEventListener(name, event => tell(name, JSON.parse(event.data)));
  }
  source.addEventListener('book', event => tellBook(event.data));
  source.addEventListener('out', () => location.assign('/sign-in'));   // signed out elsewhere: what is typed is kept as a draft
  source.addEventListener('error', () => {
    missed = true;
    tell('instrument', LOST);
    latest.get('receiver') && tell('receiver', { ...latest.get('receiver'), ...SILENT });
    sayLost(true);
    clearTimeout(again);
    again = setTimeout(() => source.readyState === EventSource.CLOSED && !document.hidden && connect(true), MILLIS_BETWEEN_TRIES);   // refused, the browser gives up
  });
  source.addEventListener('open', () => {
    sayLost(false);
    if (missed) {
      missed = false;
      tellBook();
    }
  });
}

/** While Verge does not answer, that stands at the top of the bench; it goes by itself. */
function sayLost(lost) {
  const strip = document.getElementById('lost');
  if (lost === (strip.childElementCount > 0)) {
    return;
  }
  strip.innerHTML = lost ? '<div class="said stop"><p><b>Verge does not answer.</b> What is typed stays here, and nothing is stored until it is back. The page goes on by itself.</p></div>' : '';
  lost && document.dispatchEvent(new CustomEvent('verge:refused'));
}

// A browser allows only a few open streams to one address: a tab that nobody looks at gives its own back.
document.addEventListener('visibilitychange', () => {
  if (document.hidden) {
    source?.close();
  } else if (openedWith && (!source || source.readyState === EventSource.CLOSED)) {
    connect(true);
  }
});

const LOST = { link: 'lost', linkWords: 'Verge does not answer', tilt: '', level: false, tiltAlong: 0, tiltAcross: 0, battery: '', air: '', temperature: '', pressure: '', settled: false, pole: null,
  health: { mark: 'stop', words: 'No answer' } };
const SILENT = { link: 'lost', linkWords: 'Verge does not answer', solution: '', kind: 'none', brief: 'no answer', sigmaPlan: '', sigmaHeight: '', pole: null, mark: 'stop' };
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
  } else if (name === 'receiver' && value) {
    fill('rover', value);
    document.getElementById('chip-receiver')?.setAttribute('class', `chip receiver-chip ${value.mark}`);
  } else if (name === 'base' && value) {
    fill('base', value);
    document.getElementById('chip-base')?.setAttribute('class', `chip receiver-chip ${value.mark}`);
  } else if (name === 'guide' && value) {
    fill('guide', value);
  }
  document.dispatchEvent(new CustomEvent(`verge:${name}`, { detail: value }));
}

/** A fresh bench gets the figures that are known already. */
function replay() {
  for (const name of EVENTS) {
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
  if (chip) {
    chip.className = `chip ${view.health.mark}`;
    document.getElementById('link-words').textContent = view.health.words;
  }
}
