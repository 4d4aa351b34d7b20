// The page that stands in while Verge does not answer: tries again until it does, then goes on where it was.

const MILLIS_BETWEEN_TRIES = 2000;

async function again() {
  const answer = await fetch('/actuator/health', { cache: 'no-store' }).catch(() => null);
  if (answer?.ok) {
    // what was being sent is not sent twice: its form comes back with what was typed
    'sent' in document.body.dataset ? location.replace(document.referrer || '/') : location.reload();
  }
}

document.getElementById('again').addEventListener('click', again);
setInterval(again, MILLIS_BETWEEN_TRIES);
