// Pole height and prism constant as fields of a bench: kept as soon as they are changed.
import { post } from 'verge/frame/http.js';
import { sayProblem, say } from 'verge/frame/said.js';
import { refreshFrame } from 'verge/frame/leaves.js';

const job = document.body.dataset.job;

export function keepPole(form) {
  for (const name of ['targetHeight', 'prismConstant']) {
    form.elements[name].addEventListener('change', () => keep(form));
  }
}

async function keep(form) {
  const { targetHeight, prismConstant } = form.elements;
  if (!targetHeight.value || !prismConstant.value) {
    return;
  }
  try {
    await post(`/jobs/${job}/pole`, { targetHeight: targetHeight.value, prismConstant: prismConstant.value });
    const fresh = await refreshFrame();
    const chips = [...fresh.querySelectorAll('#top .chip b.fig')].map(b => b.textContent);
    say('Pole and prism kept.', chips.length ? 'They stand on the top line as Verge understood them.' : '', 'good');
  } catch (problem) {
    sayProblem(problem);
  }
}
