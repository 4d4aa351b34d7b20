// The table of points: as many rows are drawn as are seen; sorted, selected and gone through by touch or by keys.
import { get } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';
import { shape } from 'verge/frame/fold.js';
import { say, sayProblem } from 'verge/frame/said.js';
import { showInSketch } from 'verge/search/show.js';
import { outlineOn, showOnly } from 'verge/sketch/sketch.js';
import { tell } from 'verge/sketch/pick.js';
import { Columns } from 'verge/table/columns.js';
import { Rows } from 'verge/table/rows.js';

const job = document.body.dataset.job;
const LOW = 48;
const HIGH = 68;
const BEYOND = 8;
const MOST_CHOSEN = 5000;
const MOST_SORTED_BY = 4;
const MILLIS_OF_A_WORD = 900;

class PointTable {
  constructor(bench) {
    this.bench = bench;
    this.form = bench.querySelector('#points-filter');
    this.window = document.getElementById('points-window');
    this.head = this.window.querySelector('.points-head');
    this.body = this.window.querySelector('.points-body');
    this.total = Number(this.window.dataset.total);
    this.here = 0;
    this.from = 0;
    this.chosen = new Map();
    this.names = new Set();
    this.columns = new Columns(bench.querySelector('.column-list'), bench.dataset.usual, () => this.anew());
    this.rows = new Rows((first, count) => `${this.at('rows')}&${new URLSearchParams({ first, count })}`, told => this.came(told), sayProblem);
    this.typed = '';
    this.jumped = newest();
  }

  /** An address of the table as it is filtered, sorted and shown now. */
  at(what) {
    const fields = new URLSearchParams([...new FormData(this.form)].filter(([, text]) => text));
    fields.set('columns', this.columns.names());
    return `/jobs/${job}/points/${what}?${fields}`;
  }

  /** The rows are others now, or told otherwise. */
  anew() {
    this.rows.forget();
    this.drawHead();
    this.draw();
  }

  came(told) {
    if (told.total !== this.total) {
      this.total = told.total;
      document.getElementById('points-count').textContent = told.total === told.all ? told.all : `${told.total} of ${told.all}`;
      this.here = Math.max(0, Math.min(this.here, this.total - 1));
    }
    this.draw();
  }

  sorted() {
    return this.form.elements.sort.value.split(',').filter(Boolean);
  }

  /** A column that is touched counts first, and what counted before counts on where rows are alike in it; touched again, it turns round. */
  sortBy(name) {
    const before = this.sorted();
    const first = before[0] === name ? `-${name}` : name;
    this.form.elements.sort.value = [first, ...before.filter(key => key.replace(/^-/, '') !== name)].slice(0, MOST_SORTED_BY).join(',');
    history.replaceState(null, '', `?${new URLSearchParams([...new FormData(this.form)].filter(([, text]) => text))}`);
    this.window.scrollTop = 0;
    this.here = 0;
    this.anew();
  }

  drawHead() {
    const sorted = this.sorted();
    const width = this.columns.shown().reduce((sum, column) => sum + column.width, 0);
    this.window.style.setProperty('--points-columns', this.columns.shown().map(column => `${column.width}px`).join(' '));
    this.window.style.setProperty('--points-width', `${width}px`);
    this.head.replaceChildren(...this.columns.shown().map(column => {
      const cell = document.createElement('div');
      const title = document.createElement(column.sorts ? 'button' : 'span');
      const key = sorted.findIndex(k => k.replace(/^-/, '') === column.name);
      cell.className = column.figure ? 'points-heading num' : 'points-heading';
      cell.setAttribute('role', 'columnheader');
      cell.dataset.column = column.name;
      title.textContent = column.heading;
      if (column.sorts) {
        title.type = 'button';
        key >= 0 && cell.setAttribute('aria-sort', sorted[key].startsWith('-') ? 'descending' : 'ascending');
        key >= 0 && title.append(` ${sorted[key].startsWith('-') ? '▼' : '▲'}${sorted.length > 1 ? key + 1 : ''}`);
      }
      const edge = document.createElement('i');
      edge.className = 'points-edge';
      cell.append(title, edge);
      return cell;
    }));
  }

  /** Draws what is seen, and a little beyond. */
  draw() {
    const high = shape() === 'pad' || shape() === 'lying' ? HIGH : LOW;
    this.high = high;
    this.window.classList.toggle('two-lines', high === HIGH);
    this.window.setAttribute('aria-rowcount', this.total);
    this.body.style.height = `${this.total * high}px`;
    const first = Math.max(0, Math.floor(this.window.scrollTop / high) - BEYOND);
    const last = Math.min(this.total, Math.ceil((this.window.scrollTop + this.window.clientHeight) / high) + BEYOND);
    const rows = [];
    for (let place = first; place < last; place++) {
      rows.push(this.row(place, high));
    }
    this.body.replaceChildren(...rows);
    this.total ? this.window.setAttribute('aria-activedescendant', `point-row-${this.here}`) : this.window.removeAttribute('aria-activedescendant');
    document.getElementById('points-selected').textContent = this.chosen.size;
  }

  row(place, high) {
    const told = this.rows.at(place);
    const row = document.createElement('div');
    row.className = 'points-row';
    row.id = `point-row-${place}`;
    row.setAttribute('role', 'row');
    row.setAttribute('aria-rowindex', place + 1);
    row.setAttribute('aria-selected', String(Boolean(told && this.isChosen(told))));
    row.classList.toggle('here', place === this.here);
    row.dataset.place = place;
    row.style.top = `${place * high}px`;
    const shown = this.columns.shown();
    const cells = (told?.cells ?? ['…']).map((text, i) => this.cell(text, shown[i]));
    row.append(...(high === HIGH ? this.twoLines(cells, told?.cells ?? ['…'], shown) : cells));
    return row;
  }

  cell(text, column) {
    const cell = document.createElement('span');
    cell.setAttribute('role', 'gridcell');
    cell.className = column.figure ? 'num fig' : column.name === 'NAME' ? 'points-name' : '';
    cell.textContent = text;
    cell.title = text;
    return cell;
  }

  /** On a pad: what it is called and what is said of it, and where it lies. What there is nothing of takes no room. */
  twoLines(cells, texts, shown) {
    const lines = [0, 1].map(() => document.createElement('div'));
    cells.forEach((cell, i) => {
      shown[i].figure && (cell.textContent = `${shown[i].brief} ${texts[i]}`);
      texts[i] && lines[Number(['NORTH', 'EAST', 'HEIGHT'].includes(shown[i].name))].append(cell);
    });
    return lines;
  }

  key(told) {
    return `${told.entry} ${told.name}`;
  }

  isChosen(told) {
    return this.chosen.has(this.key(told)) || this.names.has(told.name);
  }

  /** What is selected in the sketch is selected here. */
  take(names) {
    this.names = new Set(names);
    this.draw();
  }

  choose(told, on) {
    this.names.delete(told.name);
    on ? this.chosen.set(this.key(told), told) : this.chosen.delete(this.key(told));
  }

  /** Selects all from one row to another, seen or not. */
  async chooseRange(from, to) {
    const [first, last] = from < to ? [from, to] : [to, from];
    const told = await get(`${this.at('keys')}&${new URLSearchParams({ first, end: last + 1 })}`);
    told.forEach(point => this.choose(point, true));
    last + 1 - first > MOST_CHOSEN && say(`The first ${MOST_CHOSEN} are selected.`, 'More are not handed on at once. Filter the table to what is wanted.');
    this.draw();
  }

  /** Goes to a row and brings it into view. */
  goTo(place) {
    if (this.total === 0) {
      return;
    }
    this.here = Math.max(0, Math.min(this.total - 1, place));
    const top = this.here * this.high;
    const room = this.window.clientHeight - this.head.offsetHeight;
    if (top < this.window.scrollTop) {
      this.window.scrollTop = top;
    } else if (top + this.high > this.window.scrollTop + room) {
      this.window.scrollTop = top + this.high - room;
    }
    this.draw();
  }

  touched(event) {
    const heading = event.target.closest('.points-heading > button')?.parentElement;
    const row = event.target.closest('.points-row');
    if (heading && !this.widening) {
      this.sortBy(heading.dataset.column);
    } else if (row) {
      const place = Number(row.dataset.place);
      const told = this.rows.at(place);
      if (event.shiftKey) {
        this.chooseRange(this.from, place).catch(sayProblem);
      } else if (told) {
        this.choose(told, !this.isChosen(told));
        this.from = place;
      }
      this.here = place;
      this.draw();
    }
    this.widening = false;
  }

  pressed(event) {
    const page = Math.max(1, Math.floor(this.window.clientHeight / this.high) - 2);
    const step = { ArrowDown: 1, ArrowUp: -1, PageDown: page, PageUp: -page, Home: -Infinity, End: Infinity }[event.key];
    if (event.altKey || event.target !== this.window) {
      return;
    }
    if (step) {
      const before = this.here;
      event.shiftKey || (this.from = Math.max(0, Math.min(this.total - 1, this.here + step)));
      this.goTo(before + step);
      event.shiftKey && this.chooseRange(this.from, this.here).catch(sayProblem);
    } else if (event.key === ' ') {
      const told = this.rows.at(this.here);
      told && this.choose(told, !this.isChosen(told));
      this.from = this.here;
      this.draw();
    } else if (event.key === 'a' && (event.ctrlKey || event.metaKey)) {
      this.chooseRange(0, this.total - 1).catch(sayProblem);
    } else if (event.key === 'Enter') {
      this.show().catch(sayProblem);
    } else if (/^[\p{L}\p{N}._#+-]$/u.test(event.key) && !event.ctrlKey && !event.metaKey) {
      this.jump(event.key);
    } else {
      return;
    }
    event.preventDefault();
  }

  /** What is typed quickly is the beginning of a name. */
  jump(letter) {
    clearTimeout(this.waits);
    this.typed += letter;
    const begins = this.typed;
    this.waits = setTimeout(() => { this.typed = ''; }, MILLIS_OF_A_WORD);
    this.jumped(() => get(`${this.at('jump')}&${new URLSearchParams({ begins })}`), place => {
      if (place >= 0) {
        this.from = place;
        this.goTo(place);
      }
    }, sayProblem);
  }

  /** The points that are selected, or the one that is gone through. */
  wanted() {
    const here = this.rows.at(this.here);
    return this.chosen.size ? [...this.chosen.values()] : here && this.total ? [here] : [];
  }

  fields() {
    return new URLSearchParams({ chosen: this.wanted().map(told => this.key(told)).join('\n') });
  }

  async show() {
    const wanted = this.wanted();
    if (wanted.length === 0) {
      say('There is nothing to show.', 'Touch a row of the table first.');
    } else if (wanted.length === 1 && wanted[0].north !== undefined) {
      await showInSketch({ show: 'point', ...wanted[0] });
    } else {
      await showInSketch({ show: 'chosen', chosen: this.fields().get('chosen') });
    }
  }

  async strike() {
    await tell('../points/strike/seen', { method: 'POST', body: this.fields() });
  }

  /** Shows in the sketch only what the filter leaves, or all again. */
  async only(button) {
    const on = button.getAttribute('aria-pressed') !== 'true';
    if (on && this.total > MOST_CHOSEN) {
      say(`${this.total} points fit.`, `At most ${MOST_CHOSEN} are shown alone. Filter the table further.`);
      return;
    }
    const told = on ? await get(`${this.at('keys')}&${new URLSearchParams({ first: 0, end: this.total })}`) : null;
    showOnly(told && new Set(told.map(point => this.key(point))));
    button.setAttribute('aria-pressed', String(on));
  }

  widen(event) {
    const edge = event.target.closest('.points-edge');
    if (!edge) {
      return;
    }
    event.preventDefault();
    const { column } = edge.parentElement.dataset;
    const from = event.clientX;
    const width = edge.parentElement.offsetWidth;
    const move = moved => { this.widening = true; this.columns.widen(column, width + moved.clientX - from); this.drawHead(); };
    document.addEventListener('pointermove', move);
    document.addEventListener('pointerup', () => document.removeEventListener('pointermove', move), { once: true });
  }
}

export function mount(bench) {
  const table = new PointTable(bench);
  const seen = new ResizeObserver(() => table.draw());
  const deeds = { sketch: () => table.show(), strike: () => table.strike(), only: button => table.only(button) };
  const pressed = event => {
    const button = event.target.closest('[data-points]');
    (button || event.target.closest('[data-points-file]')) && document.getElementById('points-hand').removeAttribute('open');
    button && Promise.resolve(deeds[button.dataset.points](button)).catch(sayProblem);
    const file = event.target.closest('[data-points-file]');
    file && (file.href = table.at(file.dataset.pointsFile));
  };
  const chosen = event => table.take(event.detail.names);
  const stored = () => table.anew();
  const undone = event => event.preventDefault();   // it follows the book by itself
  table.window.addEventListener('scroll', () => table.draw(), { passive: true });
  table.window.addEventListener('click', event => table.touched(event));
  table.window.addEventListener('keydown', event => table.pressed(event));
  table.window.addEventListener('pointerdown', event => table.widen(event));
  bench.querySelector('#points-area').addEventListener('click', () => {
    say('Draw round the points that are wanted.', 'One line round them on the sketch, in one go; Esc leaves it as it was.');
    outlineOn(corners => {
      table.form.elements.area.value = corners.map(([east, north]) => `${north},${east}`).join(' ');
      table.form.requestSubmit();
    });
  });
  bench.querySelector('#points-anywhere')?.addEventListener('click', () => { table.form.elements.area.value = ''; table.form.requestSubmit(); });
  document.addEventListener('click', pressed);
  document.addEventListener('verge:selected', chosen);
  document.addEventListener('verge:book', stored);
  document.addEventListener('verge:undone', undone);
  seen.observe(table.window);
  table.anew();
  return () => {
    seen.disconnect();
    document.removeEventListener('click', pressed);
    document.removeEventListener('verge:selected', chosen);
    document.removeEventListener('verge:book', stored);
    document.removeEventListener('verge:undone', undone);
  };
}
