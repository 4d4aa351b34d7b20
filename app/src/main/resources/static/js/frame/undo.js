// The last thing done is taken back from the foot of any page; the bench stays where it is.
import { get, post } from 'verge/frame/http.js';
import { refresh } from 'verge/frame/leaves.js';
import { say, sayProblem } from 'verge/frame/said.js';

/** So long a person needs to see that another thing is offered than a moment ago. */
const MILLIS_TO_SEE = 600;
const job = document.body.dataset.job;
let offered = null;
let seenFrom = 0;

/** What would be taken back is looked up when the last lines are opened, and when something is stored while they are: few who pass by want it. */
async function offer(lines) {
  const now = await get(`/jobs/${job}/book/undo`).catch(() => null);
  const button = lines.querySelector('.undo-here');
  if (offered && now?.seen !== offered.seen) {
    seenFrom = performance.now() + MILLIS_TO_SEE;   // a finger on its way meant the one before
  }
  offered = now;
  button.hidden = !offered;
  if (offered) {
    button.querySelector('.fig').textContent = offered.text;
    button.querySelector('.quiet').textContent = offered.effect;
    button.parentElement.scrollTop = button.parentElement.scrollHeight;
  }
}

async function undo(button) {
  const { seen, text } = offered;
  button.disabled = true;   // once, however often it is touched
  button.closest('details').open = false;   // a second touch of a gloved finger must not take back the next thing, too
  try {
    await post(`/jobs/${job}/book/undo-here`, { seen });
    if (document.dispatchEvent(new CustomEvent('verge:undone', { cancelable: true }))) {
      await refresh();
    }
    say('Taken back.', `${text}. The field book can bring it back.`, 'good');
  } catch (problem) {
    sayProblem(problem);
  } finally {
    button.disabled = false;
  }
}

export function listenForUndo() {
  document.addEventListener('toggle', ({ target }) => {
    if (target.id === 'last-ten') {
      target.open ? offer(target) : offered = null;
    }
  }, true);
  document.addEventListener('click', event => {
    const button = event.target.closest('.undo-here');
    button && offered && performance.now() >= seenFrom && undo(button);
  });
}
