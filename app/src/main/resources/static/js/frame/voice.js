// Says aloud what was stored, for the one who looks at the prism and not at the screen. Whether it does is this device's own choice.
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
    }
  });
  new MutationObserver(tellNew).observe(document.getElementById('foot').parentNode, { childList: true });
}

function turn(voice) {
  if (voice === 'on' && !window.speechSynthesis) {
    say('This browser cannot speak.', 'What is stored stands at the foot of this leaf, as ever.');
    return;
  }
  document.documentElement.dataset.voice = voice;
  localStorage.setItem(KEPT, voice);
  window.speechSynthesis?.cancel();
  if (voice === 'on') {
    speak('Voice on');
  }
}

function latest() {
  return Math.max(told, ...lines().map(number));
}

function tellNew() {
  const fresh = lines().filter(line => number(line) > told);
  told = latest();
  if (document.documentElement.dataset.voice === 'on') {
    fresh.forEach(line => speak(line.dataset.spoken));
  }
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
