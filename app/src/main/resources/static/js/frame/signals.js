// Sounds and vibration for the hand that holds the pole and the eye that holds the prism. Each signal has a pattern of its own, told apart
// by its direction and length and not by its loudness. What is on, and how loud, is this device's own choice and stays with it.

const KEPT = 'verge.signals';
/** Tones as [hertz, milliseconds], shakes as milliseconds on and off. */
const PATTERNS = {
  stored: { tones: [[660, 90], [990, 130]], shakes: [60] },
  refused: { tones: [[220, 260], [0, 70], [220, 260]], shakes: [250, 90, 250] },
  lost: { tones: [[780, 110], [590, 110], [440, 220]], shakes: [80, 60, 80, 60, 80] },
  within: { tones: [[1320, 60], [0, 50], [1320, 60], [0, 50], [1320, 60]], shakes: [40, 40, 40] },
};
const settings = { sounds: false, vibration: false, loudness: 60, ...JSON.parse(localStorage.getItem(KEPT) ?? '{}') };
let speaker = null;

/** A browser lets nothing sound before the person has touched the page. */
function awake() {
  speaker ??= new AudioContext();
  speaker.state === 'suspended' && speaker.resume();
  return speaker;
}

function sound(tones) {
  const context = awake();
  const volume = context.createGain();
  volume.gain.value = (settings.loudness / 100) ** 2;   // loudness is felt by its square
  volume.connect(context.destination);
  let at = context.currentTime + 0.02;
  for (const [hertz, millis] of tones) {
    if (hertz) {
      const tone = context.createOscillator();
      tone.frequency.value = hertz;
      tone.connect(volume);
      tone.start(at);
      tone.stop(at + millis / 1000);
    }
    at += millis / 1000;
  }
}

/** Gives a signal as far as this device is to give any. */
function signal(name) {
  settings.sounds && sound(PATTERNS[name].tones);
  settings.vibration && navigator.vibrate?.(PATTERNS[name].shakes);
}

function listenToTheWork() {
  let held = false;
  let fixed = false;
  let within = false;
  document.addEventListener('verge:stored', () => signal('stored'));
  document.addEventListener('verge:refused', () => signal('refused'));
  document.addEventListener('verge:instrument', ({ detail }) => {
    held && !detail.pole && signal('lost');
    held = Boolean(detail.pole);
  });
  document.addEventListener('verge:receiver', ({ detail }) => {
    fixed && detail && detail.kind !== 'fixed' && signal('lost');
    fixed = detail?.kind === 'fixed';
  });
  document.addEventListener('verge:guide', ({ detail }) => {
    const now = Boolean(detail?.done);
    now && !within && signal('within');
    within = now;
  });
}

function show(panel) {
  for (const field of panel.querySelectorAll('[data-signal-setting]')) {
    field[field.type === 'checkbox' ? 'checked' : 'value'] = settings[field.dataset.signalSetting];
  }
}

export function listenToSignals() {
  const panel = document.getElementById('signals');
  show(panel);
  panel.addEventListener('input', ({ target }) => {
    const name = target.dataset.signalSetting;
    if (name) {
      settings[name] = target.type === 'checkbox' ? target.checked : Number(target.value);
      localStorage.setItem(KEPT, JSON.stringify(settings));
    }
  });
  panel.addEventListener('click', ({ target }) => {
    const name = target.closest('[data-try]')?.dataset.try;
    if (name) {
      sound(PATTERNS[name].tones);
      navigator.vibrate?.(PATTERNS[name].shakes);
    }
  });
  document.addEventListener('click', ({ target }) => target.closest('[data-signals]') && panel.showModal());
  document.addEventListener('pointerdown', () => settings.sounds && awake(), { once: true });
  listenToTheWork();
}
