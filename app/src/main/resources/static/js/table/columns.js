// Which columns a table shows, in which order and how wide: chosen once, kept on this device.

const KEPT = 'points-columns';
const WIDTHS = 'points-widths';
const USUAL_WIDTHS = { NAME: 110, CODE: 84, NORTH: 156, EAST: 156, HEIGHT: 110, SIGMA_PLAN: 104, SIGMA_HEIGHT: 104, ORIGIN: 100, WHEN: 250, WHO: 110, FROM: 120, POSITIONS: 170, APART: 92, FLOOR: 100, PHOTOS: 80 };
const NARROWEST = 56;
const OTHERWISE = 200;

const kept = name => {
  try {
    return JSON.parse(localStorage.getItem(name));
  } catch {
    return null;   // written by another version: chosen anew
  }
};

export class Columns {
  /** @param list the list of all columns to be chosen from. @param usual names parted by commas. @param changed called after each change */
  constructor(list, usual, changed) {
    this.list = list;
    this.changed = changed;
    this.widths = kept(WIDTHS) ?? {};
    const names = [...list.querySelectorAll('[data-column]')].map(item => item.dataset.column);
    const shown = (kept(KEPT) ?? usual.split(',')).filter(name => names.includes(name));
    [...shown].reverse().forEach(name => list.prepend(this.item(name)));
    shown.forEach(name => { this.item(name).querySelector('input').checked = true; });
    list.addEventListener('change', () => this.keep());
    list.addEventListener('click', event => {
      const item = event.target.closest('[data-earlier]')?.closest('li');
      item?.previousElementSibling?.before(item);
      item && this.keep();
      item?.querySelector('[data-earlier]').focus();
    });
  }

  item(name) {
    return this.list.querySelector(`[data-column=${name}]`);
  }

  keep() {
    localStorage.setItem(KEPT, JSON.stringify(this.shown().map(column => column.name)));
    this.changed();
  }

  /** Those that are shown: { name, heading, figure, sorts, width }. */
  shown() {
    return [...this.list.querySelectorAll('li:has(input:checked)')].map(item => ({
      name: item.dataset.column, heading: item.querySelector('span').textContent, brief: item.dataset.brief, figure: item.dataset.figure === 'true', sorts: item.dataset.sorts === 'true',
      width: this.widths[item.dataset.column] ?? USUAL_WIDTHS[item.dataset.column] ?? OTHERWISE,
    }));
  }

  names() {
    return this.shown().map(column => column.name).join(',');
  }

  widen(name, width) {
    this.widths[name] = Math.max(NARROWEST, Math.round(width));
    localStorage.setItem(WIDTHS, JSON.stringify(this.widths));
  }
}
