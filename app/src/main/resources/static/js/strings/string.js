// The bench of one string: it is drawn thick on the sketch while its page is open.
import { showArmed } from 'verge/measure/ghost.js';

export function mount(bench) {
  const show = () => showArmed([{ string: bench.dataset.string, end: 'LAST', gap: true }]);
  document.addEventListener('verge:strings', show);
  show();
  return () => {
    document.removeEventListener('verge:strings', show);
    showArmed([]);
  };
}
