// The last thing done is taken back from the foot of any page; the bench stays where it is.
import { get, post } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;
let offered = null;

/** What would be taken back is looked up when the last lines are opened: few who pass by want it. */
async function offer(lines) {
  offered = await get(`/jobs/${job}/book/undo`).catch(() => null);
  const button = lines.querySelector('.undo-here');
  button.hidden = !offered;
  if (offered) {
    button.querySelector('.fig').textContent = offered.text;
    button.querySelector('.quiet').textContent = offered.effect;
    button.parentElement.scrollTop = button.parentElement.scrollHeight;
  }
}

async function undo(button) {
  button.disabled = true;   // once, however often it is touched
  try {
    await post(`/jobs/${job}/book/undo-here`, { seen: offered.seen });
  } catch (problem) {
    sayProblem(problem);
  } finally {
    button.disabled = false;
    button.closest('details').open = false;   // a second touch of a gloved finger must not take back the next thing, too
  }
}

export function listenForUndo() {
  document.addEventListener('toggle', event => event.target.id === 'last-ten' && event.target.open && offer(event.target), true);
  document.addEventListener('click', event => {
    const button = event.target.closest('.undo-here');
    button && undo(button);
  });
}
