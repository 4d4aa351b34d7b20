// Starts what every page needs.
import { listenToFold } from 'verge/frame/fold.js';
import { listenToKeys, tellKeys } from 'verge/frame/keys.js';
import { listenToPaint } from 'verge/frame/paint.js';
import { listenToWidth } from 'verge/frame/third.js';
import { listenToSignals } from 'verge/frame/signals.js';
import { listenForPhotos } from 'verge/enclosure/take.js';
import { listenToVoice } from 'verge/frame/voice.js';
import { listenToLeaves, mountBench, showOpenTab } from 'verge/frame/leaves.js';
import { listenToCorner } from 'verge/frame/corner.js';
import { listenToForms } from 'verge/frame/figures.js';
import { listenForSearch } from 'verge/search/search.js';
import { listenForUndo } from 'verge/frame/undo.js';
import { listenToNeeds } from 'verge/frame/needed.js';
import { listenToReadings } from 'verge/frame/slow.js';
import { draftIsSent, keepDraft, settleSentDraft } from 'verge/frame/draft.js';

listenToKeys();
document.getElementById('search') && listenForSearch();
listenToPaint();
listenToNeeds();
listenToForms();
listenToReadings();
settleSentDraft();
navigator.serviceWorker?.register('/worker.js').catch(() => {});   // without one the pages work as ever
if (document.body.dataset.job) {
  document.cookie = `last-job=${document.body.dataset.job}; path=/; max-age=31536000; samesite=lax`;
  listenToFold();
  listenToCorner();
  listenToWidth();
  showOpenTab();
  listenToVoice();
  listenToSignals();
  listenForUndo();
  listenToLeaves();
  listenForPhotos();
  const { openSketch } = await import('verge/sketch/sketch.js');
  await openSketch();
  const { openPractice } = await import('verge/practice/practice.js');
  openPractice();
  (await import('verge/receiver/rover.js')).followRover();
  (await import('verge/base/ring.js')).followBase();
  const { listenForGaps, showGaps } = await import('verge/gaps/marks.js');
  listenForGaps();
  showGaps(false)?.catch(() => {});
  await mountBench();
} else {
  for (const form of document.querySelectorAll('form[data-draft]')) {
    keepDraft(form);
    form.addEventListener('submit', () => draftIsSent(form));
  }
  const main = document.querySelector('main[data-page]');
  if (main) {
    (await import(`verge/${main.dataset.page}.js`)).mount(main);
  }
}
tellKeys();
document.documentElement.dataset.ready = 'true';
