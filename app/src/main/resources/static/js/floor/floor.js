// Which floor the sketch shows: a button that says it, a drawer to change it.
import { post } from 'verge/frame/http.js';
import { refresh } from 'verge/frame/leaves.js';
import { sayProblem } from 'verge/frame/said.js';

const job = document.body.dataset.job;

/** The button says which floor is worked on, and takes no room while all are shown: 'Go to' leads to the others. @param floors highest first: { name, reach, here } */
export function showFloors(floors) {
  const opener = document.getElementById('floor-here');
  const here = floors.find(floor => floor.here);
  opener.hidden = !here;
  document.getElementById('floor-choose').hidden = Boolean(here) || floors.length === 0;
  opener.querySelector('b').textContent = here ? here.name : '';
  opener.querySelector('span').textContent = here ? here.reach : '';
  document.querySelector('[data-drawer-of=floor]').replaceChildren(
    choice('all floors', '', '', !here), ...floors.map(floor => choice(floor.name, floor.reach, floor.name, floor.here)), toBench());
}

/** While one measures: where the pole is, if not on the floor that is worked on. */
export function tellPole(view) {
  const words = view.pole?.floor ? `the pole is ${view.pole.floor}` : '';
  const place = document.querySelector('#floor-here i');
  if (place.textContent !== words) {
    place.textContent = words;
  }
}

function choice(words, reach, floor, here) {
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'plain-button';
  button.setAttribute('aria-pressed', String(here));
  const name = document.createElement('b');
  name.textContent = words;
  const span = document.createElement('span');
  span.className = 'quiet fig';
  span.textContent = reach;
  button.append(name, span);
  button.addEventListener('click', () => workOn(floor));
  return button;
}

function toBench() {
  const link = document.createElement('a');
  link.className = 'plain-button';
  link.dataset.leaf = '';
  link.href = `/jobs/${job}/floors`;
  link.textContent = 'Name the floors';
  return link;
}

async function workOn(floor) {
  try {
    await post(`/jobs/${job}/floors/here`, { floor });
    await refresh();
  } catch (problem) {
    sayProblem(problem);
  }
}
