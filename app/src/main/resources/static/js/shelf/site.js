// The jobs of a site: filtered and put in order as one types, told of when they come into sight, and their map.
import { fragment, page } from 'verge/frame/http.js';
import { mapOf } from 'verge/shelf/map.js';

const MILLIS_OF_A_PAUSE = 200;

export function mount(main) {
  const jobs = main.querySelector('#shelf-jobs');
  const order = main.querySelector('#shelf-order');
  const map = mapOf(main.querySelector('#site-map'));
  let waits;
  let asked = 0;

  const seen = new IntersectionObserver(lines => lines.filter(line => line.isIntersecting).forEach(({ target }) => {
    seen.unobserve(target);
    fragment(target.dataset.card).then(card => target.replaceWith(card)).catch(() => {});   // its name stays, and leads to it
  }));
  const watch = () => main.querySelectorAll('[data-card]').forEach(line => seen.observe(line));

  async function list() {
    const own = ++asked;
    const query = new URLSearchParams(new FormData(order));
    const url = `${order.action}?${query}`;
    const found = await page(url);
    if (own === asked) {
      jobs.replaceChildren(...found.document.querySelector('#shelf-jobs').childNodes);
      history.replaceState(null, '', url);
      watch();
      await map.draw(order.elements.text.value);
    }
  }

  const soon = wait => {
    clearTimeout(waits);
    waits = setTimeout(() => list().catch(() => order.submit()), wait);   // the whole page, then: it says what is wrong
  };
  order?.addEventListener('input', event => soon(event.target.name === 'text' ? MILLIS_OF_A_PAUSE : 0));
  order?.addEventListener('submit', event => {
    event.preventDefault();
    soon(0);
  });
  watch();
  map.draw(order?.elements.text.value ?? '').catch(() => {});
}
