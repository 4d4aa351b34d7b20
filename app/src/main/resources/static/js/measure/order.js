// How the legend is laid out: few and big or many and small, most used first or in an order of one's own. Kept in this browser.
const KEPT = 'legend-layout';
const FEW = 6;

const layout = () => ({ size: 'usual', order: 'used', own: [], ...JSON.parse(localStorage.getItem(KEPT) ?? '{}') });
const keep = change => localStorage.setItem(KEPT, JSON.stringify({ ...layout(), ...change }));
let changing = false;
const served = new WeakMap();

const firstGroup = legend => legend.querySelector('.legend-group .legend-keys');
const code = key => key.dataset.code;

/** Lays the legend out as it was chosen; what moves is seen to move. */
export function layOut(legend) {
  const { size, order, own } = layout();
  const group = firstGroup(legend);
  served.has(group) || served.set(group, [...group.children]);
  const before = new Map([...group.children].map(key => [code(key), key.getBoundingClientRect()]));
  const keys = served.get(group);
  const find = wanted => keys.find(key => code(key) === wanted) ?? copy(legend, wanted);
  const whole = !legend.querySelector('.legend-all');   // all codes stand here and nowhere else: none is left out
  const first = order === 'own' && own.length ? own.map(find).filter(Boolean) : keys;
  const ordered = whole ? [...first, ...keys.filter(key => !first.includes(key))] : first;
  group.replaceChildren(...(size === 'big' && !whole ? ordered.slice(0, FEW) : ordered));
  legend.dataset.size = size;
  legend.dataset.changing = changing;
  legend.querySelector('#legend-changing').hidden = !changing;
  legend.querySelectorAll('[data-legend-size]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.legendSize === size)));
  legend.querySelectorAll('[data-legend-order]').forEach(key => key.setAttribute('aria-pressed', String(key.dataset.legendOrder === order)));
  legend.querySelectorAll('[data-legend-change]').forEach(key => key.hasAttribute('aria-pressed') && key.setAttribute('aria-pressed', String(changing)));
  move(group, before);
}

/** A code that stands further down, to stand above as well. */
function copy(legend, wanted) {
  const there = legend.querySelector(`.legend-all [data-code="${CSS.escape(wanted)}"]`);
  return there && there.cloneNode(true);
}

/** Each key goes from where it was to where it is, unless one does not want to see things move. */
function move(group, before) {
  if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
    return;
  }
  for (const key of group.children) {
    const was = before.get(code(key));
    const is = key.getBoundingClientRect();
    was && (was.x !== is.x || was.y !== is.y) && key.animate([{ transform: `translate(${was.x - is.x}px, ${was.y - is.y}px)` }, { transform: 'none' }], { duration: 250, easing: 'ease-out' });
  }
}

/** @return whether the touch was about the layout, and is not to arm or measure anything */
export function touchedLayout(legend, target) {
  const size = target.closest('[data-legend-size]')?.dataset.legendSize;
  const order = target.closest('[data-legend-order]')?.dataset.legendOrder;
  const key = target.closest('[data-code]');
  if (size) {
    keep({ size: layout().size === size ? 'usual' : size });
  } else if (order) {
    keep({ order, own: order === 'own' && !layout().own.length ? [...firstGroup(legend).children].map(code) : layout().own });
  } else if (target.closest('[data-legend-change]')) {
    changing = !changing;
    changing && keep({ order: 'own', size: layout().size === 'big' ? 'usual' : layout().size, own: layout().own.length ? layout().own : [...firstGroup(legend).children].map(code) });
  } else if (key && changing) {
    const { own } = layout();
    const wanted = code(key);
    keep({ own: own[0] === wanted ? own.slice(1) : [wanted, ...own.filter(other => other !== wanted)] });
  } else {
    return false;
  }
  key || target.closest('details')?.removeAttribute('open');
  layOut(legend);
  return true;
}
