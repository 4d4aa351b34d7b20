// Looking for anything: a field that tells what it finds while it is typed, worked by keys or by touch.
import { fragment, post } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';

const { job } = document.body.dataset;
const at = job ? `/jobs/${job}/search` : '/search';
const MILLIS_BETWEEN_KEYS = 60;
const typed = newest();
let waits = 0;

const dialog = () => document.getElementById('search');
const field = () => dialog().querySelector('input');
const hits = () => [...dialog().querySelectorAll('.hit')];
const chosen = () => dialog().querySelector('.hit[aria-selected=true]');

function select(hit) {
  chosen()?.setAttribute('aria-selected', 'false');
  hit?.setAttribute('aria-selected', 'true');
  hit?.scrollIntoView({ block: 'nearest' });
  hit ? field().setAttribute('aria-activedescendant', hit.id) : field().removeAttribute('aria-activedescendant');
}

function look() {
  const wanted = field().value;
  return typed(() => fragment(`${at}/found?${new URLSearchParams({ typed: wanted })}`), found => {
    const list = dialog().querySelector('[role=listbox]');
    list.replaceChildren(document.adoptNode(found));
    list.dataset.of = wanted;
    hits().forEach((hit, i) => { hit.id = `hit-${i}`; });
    select(wanted.trim() ? hits()[0] : null);
  }, problem => {
    const words = document.createElement('p');
    words.textContent = `${problem.message} ${problem.means} ${problem.next}`;
    dialog().querySelector('[role=listbox]').replaceChildren(words);
  });
}

/** What is typed is looked for as soon as the fingers rest. */
function soon() {
  clearTimeout(waits);
  waits = setTimeout(look, MILLIS_BETWEEN_KEYS);
}

function move(step) {
  const all = hits();
  select(all[(all.indexOf(chosen()) + step + all.length) % all.length]);
}

/** Enter takes what was typed, though its answer is not there yet. */
async function enter() {
  clearTimeout(waits);
  if (dialog().querySelector('[role=listbox]').dataset.of !== field().value) {
    await look();
  }
  (chosen() ?? hits()[0])?.click();
}

function key(event) {
  const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (step) {
    event.preventDefault();
    hits().length && move(step);
  } else if (event.key === 'Enter') {
    event.preventDefault();
    enter();
  }
}

async function take(event) {
  const hit = event.target.closest('.hit');
  if (!hit) {
    return;
  }
  const { thing, show } = hit.dataset;
  job && thing && post(`${at}/used`, { thing }).catch(() => {});   // only the order of what is told next time
  dialog().close();
  if (show !== undefined) {
    event.preventDefault();
    const { showInSketch } = await import('verge/search/show.js');
    showInSketch(Object.fromEntries(new URLSearchParams(show)));
  }
}

function open() {
  dialog().showModal();
  field().value = '';
  look();
}

export function listenForSearch() {
  document.addEventListener('click', event => event.target.closest('[data-find]') && open());
  dialog().addEventListener('click', take);
  dialog().addEventListener('click', event => event.target === dialog() && dialog().close());
  field().addEventListener('input', soon);
  field().addEventListener('keydown', key);
}
