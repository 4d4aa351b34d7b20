// Starts what every page needs.
import { listenToFold } from 'verge/frame/fold.js';
import { listenToKeys } from 'verge/frame/keys.js';
import { listenToPaint } from 'verge/frame/paint.js';
import { listenToVoice } from 'verge/frame/voice.js';
import { listenToLeaves, mountBench } from 'verge/frame/leaves.js';
import { draftIsSent, keepDraft, settleSentDraft } from 'verge/frame/draft.js';

listenToKeys();
listenToPaint();
settleSentDraft();
if (document.body.dataset.job) {
  listenToFold();
  listenToVoice();
  listenToLeaves();
  const { openSketch } = await import('verge/sketch/sketch.js');
  await openSketch();
  const { openPractice } = await import('verge/device/practice.js');
  openPractice();
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
document.documentElement.dataset.ready = 'true';
