// The bench of gaps: each is found on the sketch by touching its line, the area of interest is drawn there.
import { fragment } from 'verge/frame/http.js';
import { turnTo } from 'verge/frame/leaves.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { gapAt, letStay, showGaps, stay } from 'verge/gaps/marks.js';
import { lookAt, outlineOn } from 'verge/sketch/sketch.js';

const job = document.body.dataset.job;

/** What takes long is looked for while the page is there already. */
async function later(bench) {
  const waiting = bench.querySelector('#gaps-found[data-later]');
  if (waiting) {
    const found = document.adoptNode(await fragment(`/jobs/${job}/gaps/found`));
    waiting.replaceWith(found);
    bench.isConnected && (document.querySelector('#gaps-count').textContent = found.dataset.count);
  }
}

export function mount(bench) {
  showGaps(true);
  later(bench).catch(problem => {
    bench.querySelector('#gaps-found p')?.replaceChildren('Not looked through. Open Gaps again.');
    sayProblem(problem);
  });
  bench.addEventListener('toggle', event => {
    const gap = event.target.open && event.target.dataset.gap && gapAt(event.target.dataset.gap);
    gap && lookAt(gap.north, gap.east, gap.metres);
  }, true);
  bench.querySelector('#draw-area').addEventListener('click', () => {
    say('Draw round what is to be measured.', 'One line round it on the sketch, in one go; Esc leaves it as it was.');
    outlineOn(corners => {
      const fields = new URLSearchParams();
      corners.forEach(([east, north]) => { fields.append('north', north); fields.append('east', east); });
      turnTo(`/jobs/${job}/gaps/bounds`, { method: 'POST', body: fields }).catch(() => {});
    });
  });
  const key = bench.querySelector('#show-gaps');
  const tell = () => key.setAttribute('aria-pressed', String(stay()));
  key.addEventListener('click', () => { letStay(!stay()); tell(); });
  tell();
  return () => showGaps(false);
}
