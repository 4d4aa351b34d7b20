// Looks at a page as a person would who holds it: what is cut, what lies on what, what is too small for a glove, what is out of sight.
// Gives what is wrong, one line each; none if all is well.
const GLOVE = 47.5;
const APART = 7.5;
const CONTRAST = 7;
const found = [];
const tell = (what, element, more = '') => found.push(`${what}: ${told(element)}${more}`);

const pen = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
const known = new Map();
function rgba(css) {
  if (!known.has(css)) {
    pen.clearRect(0, 0, 1, 1);
    pen.fillStyle = css;
    pen.fillRect(0, 0, 1, 1);
    known.set(css, [...pen.getImageData(0, 0, 1, 1).data]);
  }
  return known.get(css);
}

const told = e => `${e.tagName.toLowerCase()}${e.id ? `#${e.id}` : ''}${typeof e.className === 'string' && e.className ? `.${e.className.trim().split(/\s+/).join('.')}` : ''} '${(e.textContent || e.getAttribute('aria-label') || e.name || '').trim().replace(/\s+/g, ' ').slice(0, 40)}'`;

/** The part of a box that its scrolling and clipping surroundings let through. @param within whether the element itself is one of them */
function shown(element, box, within = false) {
  let [left, top, right, bottom] = [Math.max(0, box.left), Math.max(0, box.top), Math.min(innerWidth, box.right), Math.min(innerHeight, box.bottom)];
  for (let at = element; at && at !== document.body; at = at.parentElement) {
    const style = getComputedStyle(at);
    if ((within || at !== element) && (style.overflowX !== 'visible' || style.overflowY !== 'visible')) {
      const own = at.getBoundingClientRect();
      [left, top, right, bottom] = [Math.max(left, own.left), Math.max(top, own.top), Math.min(right, own.right), Math.min(bottom, own.bottom)];
    }
    if (style.position === 'fixed') {
      break;
    }
  }
  return right - left > 1 && bottom - top > 1 ? { left, top, right, bottom } : null;
}

const visible = e => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && e.getClientRects().length > 0;
const isOnTop = (element, x, y) => {
  const top = document.elementFromPoint(x, y);
  return top && (element === top || element.contains(top) || top.contains(element) && !top.matches('.over, .drawer, dialog'));
};
const middle = r => [(r.left + r.right) / 2, (r.top + r.bottom) / 2];

/** What a finger can press, with the box it presses: of a box to tick, its words too. */
function targets() {
  return [...document.querySelectorAll('a[href], button, input:not([type=hidden]), select, textarea, summary')].filter(visible)
    .filter(e => !(e.matches('a') && isInText(e)))
    .map(e => [e, (e.matches('[type=checkbox], [type=radio]') ? e.closest('label') ?? e : e)])
    .map(([e, body]) => [e, body.getBoundingClientRect(), shown(body, body.getBoundingClientRect())])
    .filter(([e, whole, part]) => part && isOnTop(e.closest('label') ?? e, ...middle(part)));
}

/** A link within a sentence is as high as the line it stands in. */
const isInText = a => getComputedStyle(a).display === 'inline' && [...a.parentElement.childNodes].some(n => n !== a && n.nodeType === 3 && n.textContent.trim().length > 1);

const scroller = e => (!e || getComputedStyle(e).overflowY === 'auto' || getComputedStyle(e).position === 'fixed' || e.matches('.index-tabs') ? e : scroller(e.parentElement));

/** The place of a box, a pixel within, that is nearest to another's middle. */
const nearest = (box, to) => {
  const [x, y] = middle(to);
  return [Math.max(box.left + 1, Math.min(box.right - 1, x)), Math.max(box.top + 1, Math.min(box.bottom - 1, y))];
};

function glove() {
  const all = targets();
  for (const [e, whole] of all) {
    if (whole.width < GLOVE || whole.height < GLOVE) {
      tell('smaller than a glove', e, ` ${Math.round(whole.width)}x${Math.round(whole.height)}`);
    }
  }
  all.forEach(([e, wholeOfE, partOfE], i) => all.slice(i + 1).forEach(([other, wholeOfOther, partOfOther]) => {
    const [a, b] = scroller(e) === scroller(other) ? [wholeOfE, wholeOfOther] : [partOfE, partOfOther];
    if (e.contains(other) || other.contains(e) || e.closest('label') && e.closest('label') === other.closest('label')) {
      return;
    }
    const across = Math.max(a.left, b.left) - Math.min(a.right, b.right);
    const down = Math.max(a.top, b.top) - Math.min(a.bottom, b.bottom);
    const apart = Math.max(across, down);
    if (apart < -1) {
      covered(e, other, Math.max(a.left, b.left) - across / 2, Math.max(a.top, b.top) - down / 2) || tell('controls overlap', e, ` and ${told(other)}`);
    } else if (apart < APART && scroller(e) === scroller(other) && [[e, a, b], [other, b, a]].every(([own, box, to]) => isOnTop(own, ...nearest(box, to)))) {   // what is scrolled lies now nearer, now farther
      tell('too close', e, ` and ${told(other)}: ${apart.toFixed(1)}`);
    }
  }));
}

const texts = () => {
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const list = [];
  while (walker.nextNode()) {
    const node = walker.currentNode;
    const own = node.parentElement;
    if (node.textContent.trim() && visible(own) && !own.closest('script, style, noscript, option, datalist, .heard, .initials[aria-hidden], defs') && getComputedStyle(own).clipPath === 'none') {
      const range = document.createRange();
      range.selectNodeContents(node);
      list.push([own, [...range.getClientRects()].filter(r => r.width > 1)]);
    }
  }
  return list;
};

/** Text that its box cuts off without dots, or with dots and no way to see the rest. */
function cut() {
  for (const [own, boxes] of texts()) {
    let clipped = false;
    for (let at = own; at && at !== document.body; at = at.parentElement) {
      const style = getComputedStyle(at);
      const clips = style.overflowX === 'hidden' || style.overflowX === 'clip';
      if (!clips && style.overflowX !== 'visible') {
        break;   // it can be scrolled to
      }
      clipped ||= clips;
      const box = at.getBoundingClientRect();
      if (clips && boxes.some(r => r.right > box.right + 1.5 && r.top < box.bottom && r.bottom > box.top || r.left < box.left - 1.5)) {
        const wayOn = own.closest('summary, a, button') || own.title;
        if (style.textOverflow !== 'ellipsis' || !wayOn) {
          tell('cut', own, ` in ${told(at).split(' ')[0]}`);
        }
        break;
      }
      if (clips && at.scrollHeight > at.clientHeight + 2 && style.overflowY !== 'auto' && style.webkitLineClamp === 'none' && boxes.some(r => r.bottom > box.bottom + 2)) {
        tell('cut below', own, ` in ${told(at).split(' ')[0]}`);
        break;
      }
    }
    if (!clipped && boxes.some(r => (r.right > innerWidth + 1 || r.left < -1) && r.bottom > 0 && r.top < innerHeight) && !own.closest('.index-tabs, .scroll-x, pre')) {
      tell('beyond the edge', own);
    }
  }
}

/** Whether something that lets nothing through lies between the two there, as a panel over the paper. */
function covered(one, other, x, y) {
  const stack = document.elementsFromPoint(x, y);
  const places = [one, other].map(e => stack.findIndex(s => s === e || e.contains(s))).filter(i => i >= 0);
  const lower = [one, other].find(e => stack.findIndex(s => s === e || e.contains(s)) === Math.max(...places));
  return places.length < 2 || stack.slice(0, Math.max(...places)).some(s => !s.contains(lower) && rgba(getComputedStyle(s).backgroundColor)[3] === 255);
}

function overlaps() {
  const all = texts().flatMap(([own, boxes]) => boxes.map(r => [own, r, shown(own, r, true)])).filter(([own, r, part]) => part && isOnTop(own, ...middle(part)));
  all.forEach(([own, , a], i) => all.slice(i + 1).forEach(([other, , b]) => {
    const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
    const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
    if (own !== other && across > 2 && down > 5 && !own.contains(other) && !other.contains(own) && !covered(own, other, Math.max(a.left, b.left) + across / 2, Math.max(a.top, b.top) + down / 2)) {
      tell('words overlap', own, ` and ${told(other)}`);
    }
  }));
}

function sideways() {
  if (document.scrollingElement.scrollWidth > innerWidth) {
    found.push('the page scrolls sideways');
  }
  for (const e of document.querySelectorAll('.bench, .page, .book, .strip, dialog[open], .health-panel, .last-ten, .layers-panel')) {
    if (visible(e) && e.scrollWidth > e.clientWidth + 1) {
      tell('scrolls sideways', e, ` ${e.scrollWidth} in ${e.clientWidth}`);
    }
  }
}

function primary() {
  const go = [...document.querySelectorAll('.go')].filter(visible);
  if (document.querySelector('dialog[open]') || !go.length) {
    return;
  }
  const box = go[0].getBoundingClientRect();
  if (box.top < 0 || box.left < 0 || box.bottom > innerHeight + 1 || box.right > innerWidth + 1 || !isOnTop(go[0], ...middle(box))) {
    tell('the primary action is out of sight', go[0]);
  }
  if (go.length > 1) {
    tell('more than one primary action', go[1]);
  }
}

// ── contrast ────────────────────────────────────────────────────────────────

const over = (a, b) => { const t = a[3] / 255; return [0, 1, 2].map(i => a[i] * t + b[i] * (1 - t)).concat(255); };
function ground(element) {
  const layers = [];
  for (let at = element; at; at = at.parentElement) {
    const own = rgba(getComputedStyle(at).backgroundColor);
    own[3] && layers.push(own);
    if (own[3] === 255) {
      break;
    }
  }
  return layers.reduceRight((below, layer) => over(layer, below), [255, 255, 255, 255]);
}
const light = c => { const [r, g, b] = c.map(v => v / 255).map(v => (v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)); return 0.2126 * r + 0.7152 * g + 0.0722 * b; };

function contrast() {
  const said = new Set();
  for (const [own] of texts()) {
    const style = getComputedStyle(own);
    const below = ground(own);
    const ink = over(rgba(own.closest('svg') ? style.fill : style.color), below);
    const opacity = [...function* () { for (let at = own; at; at = at.parentElement) { yield Number(getComputedStyle(at).opacity); } }()].reduce((a, b) => a * b, 1);
    const seen = over([...ink.slice(0, 3), 255 * opacity], below);
    const [a, b] = [light(seen), light(below)].sort((x, y) => y - x);
    const ratio = (a + 0.05) / (b + 0.05);
    const key = `${ratio.toFixed(1)} ${own.className}`;
    if (ratio < CONTRAST && !own.closest(':disabled, [aria-disabled=true]') && !said.has(key)) {
      said.add(key);
      tell(`contrast ${ratio.toFixed(1)} in ${document.documentElement.dataset.paint} paint`, own);
    }
  }
}

sideways();
cut();
overlaps();
glove();
primary();
contrast();
return [...new Set(found)];
