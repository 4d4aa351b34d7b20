// Tells what was stored to whoever does not look at the screen: to a reader of screens always, aloud if this device is to; and the live
// figures when they are asked for.
import { say } from 'verge/frame/said.js';

const KEPT = 'verge.voice';
let told = 0;

const lines = () => [...document.querySelectorAll('#foot [data-sequence]')];
const number = line => Number(line.dataset.sequence);

export function listenToVoice() {
  document.documentElement.dataset.voice = localStorage.getItem(KEPT) ?? 'off';
  told = latest();
  document.addEventListener('click', event => {
    if (event.target.closest('[data-voice-next]')) {
      turn(document.documentElement.dataset.voice === 'on' ? 'off' : 'on');
    } else if (event.target.closest('[data-hear]')) {
      tellFigures();
    }
  });
  showVoice();
  new MutationObserver(tellNew).observe(document.getElementById('foot').parentNode, { childList: true });
}

function turn(voice) {
  if (voice === 'on' && !window.speechSynthesis) {
    say('This browser cannot speak.', 'What is stored stands at the foot of this leaf, as ever.');
    return;
  }
  document.documentElement.dataset.voice = voice;
  localStorage.setItem(KEPT, voice);
  showVoice();
  window.speechSynthesis?.cancel();
  if (voice === 'on') {
    speak('Voice on');
  }
}

const isOn = () => document.documentElement.dataset.voice === 'on';

function showVoice() {
  document.querySelectorAll('[data-voice-next]').forEach(button => button.setAttribute('aria-pressed', String(isOn())));
}

function latest() {
  return Math.max(told, ...lines().map(number));
}

function tellNew() {
  const fresh = lines().filter(line => number(line) > told);
  told = latest();
  fresh.length && tell(fresh.map(line => line.dataset.spoken).join('. '));
}

/** The figures of the strip with what they are, as they are now. */
function tellFigures() {
  const figures = [...document.querySelectorAll('.strip .q')].map(q => `${q.querySelector('small').textContent} ${q.querySelector('.fig').textContent.trim()}`);
  tell(figures.join('. ') || 'No live figures here.');
}

function tell(words) {
  document.getElementById('heard').textContent = words;
  isOn() && speak(words);
}

function speak(words) {
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = document.documentElement.lang;
  utterance.addEventListener('error', event => {
    if (!['canceled', 'interrupted'].includes(event.error)) {
      turn('off');
      say('This device could not speak: the voice is off.', 'Look whether it has a voice installed. What is stored stands at the foot of this leaf, as ever.');
    }
  });
  window.speechSynthesis.speak(utterance);
}
