// Turning leaves without leaving the page: the sketch stays, the bench, strip, tabs and top line are replaced.
import { page } from 'verge/frame/http.js';
import { hush, sayProblem } from 'verge/frame/said.js';
import { dropDraft, keepDraft } from 'verge/frame/draft.js';
import { restFold } from 'verge/frame/fold.js';
import { clearThird, spreadLeaves } from 'verge/frame/third.js';
import { tellKeys } from 'verge/frame/keys.js';
import { openLive } from 'verge/frame/live.js';
import { compareFigures, takeFigures } from 'verge/frame/figures.js';

const FRAME = ['top', 'tabs', 'foot'];
const REPLACED = [...FRAME, 'bench', 'over', 'strip'];
let leaveBench = () => {};

/** How many turns are under way, the number of the latest and of the latest that is shown, and the form that is being sent, if one is. */
let turning = 0;
let latest = 0;
let shown = 0;
let sending = Promise.resolve();

/**
 * Fetches a page and shows it in this one's frame. While something is sent no page is fetched, which might not know of it yet; and of two pages
 * that were asked for the one that was asked for last is shown, whichever comes last. What was sent counts, though its page comes too late to be
 * shown.
 *
 * @param sent the form that was sent, whose draft goes once there is an answer, before the same form comes back empty
 */
export async function turnTo(url, options = {}, remember = true, sent = null) {
  const sends = options.method === 'POST';
  const mine = ++latest;
  turning++;
  document.documentElement.dataset.turning = '';
  const free = hold(document.getElementById('bench'));
  try {
    const before = linesShown();
    if (!sends) {
      await sending.catch(() => {});
    }
    const asked = page(url, options);
    sending = sends ? asked : sending;
    const fetched = await asked;
    sent && dropDraft(sent);
    if (mine < (sends ? shown : latest)) {
      sends && refreshFrame().catch(() => {});
      return;
    }
    shown = mine;
    show(fetched, remember);
    sends && linesShown() > before && tellStored();
    const place = new URL(url, location.href).hash.slice(1);
    if (place) {
      const wanted = document.getElementById(place);
      wanted?.closest('details')?.setAttribute('open', '');
      wanted?.scrollIntoView({ block: 'center' });
    }
  } catch (problem) {
    if (!sends && mine < latest) {
      return;   // nobody waits for it any more
    }
    free();
    sayProblem(problem);
    throw problem;
  } finally {
    if (--turning === 0) {
      delete document.documentElement.dataset.turning;
    }
  }
}

/** A bench that is about to be replaced takes nothing more: what is filled in meanwhile would be lost. @return what gives it back as it was, if it stays */
function hold(bench) {
  if (!bench) {
    return () => {};
  }
  const focused = document.activeElement;
  bench.inert = true;
  return () => {
    bench.inert = false;
    bench.contains(focused) && focused.focus();
  };
}

/** Puts a fresh part in place of the old one. @param sameLeaf whether what was unfolded in it stays so */
function swap(id, fresh, sameLeaf = false) {
  const old = document.getElementById(id);
  const open = sameLeaf ? [...old.querySelectorAll('[data-kept-open][open]')].map(part => part.id) : [];
  const along = old.querySelector('.index-tabs')?.scrollLeft;
  old.replaceWith(document.adoptNode(fresh));
  open.forEach(part => document.getElementById(part)?.setAttribute('open', ''));
  if (along !== undefined) {
    fresh.querySelector('.index-tabs').scrollLeft = along;
    sameLeaf || showOpenTab();
  }
}

/** On a pad the row of tabs is longer than the edge: the open one and its neighbours are brought into view. */
export function showOpenTab() {
  document.querySelector('.tab.open')?.scrollIntoView({ block: 'nearest', inline: 'center' });
}

/** The same page again, from the server. */
export function refresh() {
  return turnTo(location.href, {}, false);
}

function show(fetched, remember) {
  if (!fetched.document.getElementById('bench') || !fetched.document.body.dataset.job) {
    location.assign(fetched.url);   // another kind of page: signed out, or back at the shelf
    return;
  }
  leaveBench();
  clearThird();
  document.getElementById('touch-panel').hidden = true;
  REPLACED.forEach(id => swap(id, fetched.document.getElementById(id)));
  takeFigures(fetched.document);
  hush();
  const said = fetched.document.querySelector('#said > *');
  if (said) {
    document.getElementById('said').append(document.adoptNode(said));
  }
  document.title = fetched.document.title;
  if (remember && fetched.url !== location.href) {
    history.pushState(null, '', fetched.url);
  } else {
    history.replaceState(null, '', fetched.url);
  }
  mountBench();
}

/** The number of the newest line at the foot: what was stored from this page stands there already. */
const linesShown = (of = document) => Math.max(0, ...[...of.querySelectorAll('#foot [data-sequence]')].map(line => Number(line.dataset.sequence)));

/** Something that was sent from this page is stored: what others store meanwhile must not sound as if it were one's own. */
export function tellStored() {
  document.dispatchEvent(new CustomEvent('verge:stored'));
}

let refreshing = Promise.resolve();

/** Fetches only what stands at the foot, the top and the tabs, after something was stored here or elsewhere; one at a time. */
export function refreshFrame() {
  refreshing = refreshing.catch(() => {}).then(fetchFrame);
  return refreshing;
}

async function fetchFrame() {
  const address = location.href;
  const fetched = await page(address);
  if (location.href !== address || fetched.document.getElementById('foot') && linesShown(fetched.document) < linesShown()) {
    return fetchFrame();   // the leaf was turned meanwhile, or something stored: this is the frame of before
  }
  for (const id of FRAME) {
    const fresh = fetched.document.getElementById(id);
    fresh && swap(id, fresh, true);
  }
  compareFigures(fetched.document, () => refresh().catch(() => {}));
  document.dispatchEvent(new CustomEvent('verge:frame', { detail: fetched.document }));   // a bench takes what is new in its lists
  return fetched.document;
}

/** Brings the bench to life: its drafts, its own module, its live figures. */
export async function mountBench() {
  const bench = document.getElementById('bench');
  document.querySelectorAll('form[data-draft]').forEach(keepDraft);
  spreadLeaves();
  restFold();
  leaveBench = () => {};
  if (bench?.dataset.module) {
    const module = await import(`verge/${bench.dataset.module}.js`);
    if (!bench.isConnected) {
      return;   // another one has taken its place while its module came: nobody would take it down
    }
    leaveBench = module.mount(bench) ?? (() => {});
  }
  // last: a stream that stays open tells its latest figures again, and the bench is to hear them
  openLive({ ...(bench?.dataset.sky ? { sky: true } : {}), ...(bench?.dataset.point ? {
    stake: bench.dataset.point, facing: bench.dataset.facing,
    planTolerance: bench.dataset.plan ?? '', heightTolerance: bench.dataset.height ?? '', by: bench.dataset.by ?? '',
  } : {}) });
  tellKeys();
}

function submitted(form, button) {
  const action = button?.getAttribute('formaction') ?? form.action;
  const fields = new FormData(form);
  if (button?.name) {
    fields.append(button.name, button.value);
  }
  if ((button?.getAttribute('formmethod') ?? form.method) === 'post') {
    return turnTo(action, { method: 'POST', body: new URLSearchParams(fields) }, true, form);
  }
  const url = new URL(action);
  url.search = new URLSearchParams(fields);
  return turnTo(url.href, {}, true, form);
}

export function listenToLeaves() {
  document.addEventListener('click', event => {
    const link = event.target.closest('a[data-leaf]');
    if (link && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
      event.preventDefault();
      turnTo(link.href).catch(() => {});
    }
  });
  document.addEventListener('submit', event => {
    const form = event.target;
    if ('leaf' in form.dataset && !event.submitter?.hasAttribute('data-download')) {
      event.preventDefault();
      submitted(form, event.submitter).catch(() => {});   // it has said why
    }
  });
  document.addEventListener('verge:book', event => refreshing.catch(() => {}).then(() => linesShown() < event.detail.lines && refreshFrame()).catch(() => {}));
  window.addEventListener('popstate', () => turnTo(location.href, {}, false).catch(() => {}));
}
