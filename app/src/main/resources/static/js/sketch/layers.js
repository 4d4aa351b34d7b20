// The panel of layers: which design the work goes by, what is shown, what is for orientation only.
import { post } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';
import { onPaper } from 'verge/sketch/marks.js';

const job = document.body.dataset.job;

/** @param content { sheets, files, current } @param changed called after anything here was changed on the screen */
export function showLayers(content, changed) {
  const panel = document.getElementById('layers-panel');
  const order = sheet => (sheet.current ? 0 : ['DESIGN', 'REGISTER', 'UNDERLAY'].indexOf(sheet.role) + 1);
  const sheets = [...content().sheets].sort((a, b) => order(a) - order(b));
  const draw = () => panel.replaceChildren(head(panel), ...(sheets.length ? sheets.map(sheet => block(sheet, content, () => { changed(); draw(); })) : [nothing()]));
  draw();
  panel.hidden = false;
}

function head(panel) {
  const row = document.createElement('header');
  const title = document.createElement('h2');
  title.textContent = 'Layers';
  const close = button('×', 'close-panel', () => { panel.hidden = true; });
  close.setAttribute('aria-label', 'Close the layers');
  row.append(title, close);
  return row;
}

function nothing() {
  const words = document.createElement('p');
  words.className = 'quiet';
  words.textContent = 'Drawings of the site stand here with their layers, once one is design, underlay or register under Prepare.';
  return words;
}

function button(words, className, act) {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = className;
  made.textContent = words;
  made.addEventListener('click', act);
  return made;
}

function block(sheet, content, changed) {
  const section = document.createElement('section');
  const row = document.createElement('div');
  row.className = 'sheet-row';
  const name = document.createElement('b');
  name.className = 'named-file';
  name.textContent = sheet.name;
  const role = document.createElement('span');
  role.className = `role-word ${sheet.role.toLowerCase()}`;
  role.textContent = sheet.role.toLowerCase() + (sheet.current ? ', current' : '');
  row.append(name, role);
  if (sheet.role === 'DESIGN' && !sheet.current) {
    row.append(button('Go by it', 'plain-button', () => goBy(sheet, content, changed)));
  }
  section.append(row, ...sheet.layers.filter(l => l.count > 0).map(layer => line(sheet, layer, changed)));
  return section;
}

/** Switching is done on the screen at once and told to Verge behind it. */
function goBy(sheet, content, changed) {
  content().sheets.forEach(other => { other.current = other === sheet; });
  changed();
  post(`/jobs/${job}/sketch/design`, { file: sheet.id }).catch(sayProblem);
}

function line(sheet, layer, changed) {
  const row = document.createElement('div');
  row.className = 'layer-row';
  const label = document.createElement('label');
  const tick = document.createElement('input');
  tick.type = 'checkbox';
  tick.checked = layer.shown;
  const swatch = document.createElement('i');
  swatch.style.background = layer.role === 'DESIGN' ? onPaper(layer.colour, document.documentElement.dataset.paint) : 'var(--edge)';
  const name = document.createElement('span');
  name.textContent = layer.name;
  const count = document.createElement('span');
  count.className = 'quiet fig';
  count.textContent = layer.count;
  label.append(tick, swatch, name, count);
  tick.addEventListener('change', () => { layer.shown = tick.checked; keep(sheet, layer, changed); });
  row.append(label);
  if (sheet.role === 'DESIGN' || sheet.role === 'UNDERLAY') {
    const other = layer.role === 'DESIGN' ? 'UNDERLAY' : 'DESIGN';
    row.append(button(`make ${other.toLowerCase()}`, 'link-button', () => { layer.role = other; keep(sheet, layer, changed); }));
  }
  return row;
}

function keep(sheet, layer, changed) {
  changed();
  // of known points only whether they are shown can be chosen
  const role = layer.role === 'DESIGN' ? 'DESIGN' : 'UNDERLAY';
  post(`/jobs/${job}/sketch/layers`, { file: sheet.id, layer: layer.name, shown: layer.shown, role }).catch(sayProblem);
}
