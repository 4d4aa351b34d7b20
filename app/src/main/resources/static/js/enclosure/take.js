// Photos and spoken words, wherever a key for them stands: sent at once, and once, while the work goes on.
import { onceId, upload } from 'verge/frame/http.js';
import { say, sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;
const again = new WeakMap();

export function listenForPhotos() {
  document.addEventListener('change', event => {
    const field = event.target.closest?.('input[data-photo]');
    field?.files[0] && photograph(field, field.files[0]);
  });
  document.addEventListener('click', event => {
    const key = event.target.closest('[data-speak]');
    key && speak(key);
  });
}

/** Sends a photo; if that fails it can be sent again with the same key, and is stored once. */
async function photograph(field, photo) {
  const key = field.closest('.file-key');
  const id = again.get(photo) ?? onceId();
  again.set(photo, id);
  key.classList.add('busy');
  try {
    const kept = await upload(`/jobs/${job}/photos`, { id: id.get(), subject: field.dataset.subject, attribute: field.dataset.attribute ?? '', photo });
    id.settle();
    field.value = '';
    say(`The photo of ${kept.about} is kept.`, '', 'good');
    show(field, kept.entry);
    document.dispatchEvent(new CustomEvent('verge:photo'));
  } catch (problem) {
    id.settle(problem);
    sayProblem(problem);
    offerAgain(field, photo);
  } finally {
    key.classList.remove('busy');
  }
}

/** What was taken is not lost with the link: one touch sends it once more. */
function offerAgain(field, photo) {
  const key = document.createElement('button');
  key.type = 'button';
  key.className = 'plain-button';
  key.textContent = `Send ${photo.name} again`;
  key.addEventListener('click', () => { key.remove(); photograph(field, photo); });
  field.closest('.file-key').after(key);
}

function show(field, photo) {
  const all = field.closest('[data-photos]');
  if (all) {
    const link = document.createElement('a');
    link.className = 'thumb';
    link.dataset.leaf = '';
    link.href = `/jobs/${job}/photos/${photo}`;
    const image = document.createElement('img');
    image.alt = 'Photo';
    image.src = `/jobs/${job}/photos/${photo}/thumbnail`;
    link.append(image);
    all.prepend(link);
  }
}

let recorder = null;

/** The first touch begins to record, the second keeps what was spoken. */
async function speak(key) {
  if (recorder) {
    recorder.stop();
    return;
  }
  try {
    const microphone = await navigator.mediaDevices.getUserMedia({ audio: true });
    record(microphone, key, key.dataset.subject);
  } catch {
    say('The microphone is not to be had.', 'The browser does not give it: nobody allowed it, there is none, or Verge was not opened by https or on this machine itself. Allow it for this page, then touch again.');
  }
}

/** @param subject as it was when the words began: shots that follow do not move them */
function record(microphone, key, subject) {
  const parts = [];
  const usual = key.textContent;
  recorder = new MediaRecorder(microphone);
  recorder.addEventListener('dataavailable', event => parts.push(event.data));
  recorder.addEventListener('stop', () => {
    microphone.getTracks().forEach(track => track.stop());
    recorder = null;
    key.textContent = usual;
    key.classList.remove('on');
    keep(new Blob(parts), subject, onceId());
  });
  recorder.start();
  key.textContent = 'Stop speaking';
  key.classList.add('on');
}

async function keep(speech, subject, id) {
  try {
    const kept = await upload(`/jobs/${job}/photos/spoken`, { id: id.get(), subject, speech });
    say(`What you said of ${kept.about} is kept.`, '', 'good');
    document.dispatchEvent(new CustomEvent('verge:photo'));
  } catch (problem) {
    id.settle(problem);
    sayProblem(problem);
    setTimeout(() => keep(speech, subject, id), 10_000);   // it cannot be spoken again
  }
}
