// Points on which no prism can stand: which fields a way wants, and which sight is next.
import { post } from 'verge/frame/http.js';

const job = document.body.dataset.job;
const KEPT = `sights:${job}`;

/** What is aimed at, sight by sight. */
const AIMS = {
  PRISMS: ['the prism farther from the tip', 'the prism nearer to the tip'],
  LINE: ['the place farther from the point', 'the place nearer to the point, in line with it'],
  EDGES: ['its one edge, without a distance', 'its other edge', 'its face, between the edges'],
  RIM: ['one place of its rim', 'a second place of its rim', 'a third place of its rim'],
};

/**
 * The way in which the next point is found, with the sights that were taken for it: kept over a reload. The point's id is made with its first sight, so
 * that each sight is stored once, however often it is sent.
 */
export class Finding {
  constructor(bench) {
    this.bench = bench;
    this.way = bench.querySelector('#way');
    this.begun = JSON.parse(localStorage.getItem(KEPT) ?? 'null');
    if (this.begun) {
      this.way.value = this.begun.way;
      bench.querySelector('#beside').open = true;
    }
    this.way.addEventListener('change', () => { this.begin(); });
    bench.querySelector('#next-sight').addEventListener('click', event => event.target.closest('button') && this.begin());
    this.show();
  }

  /** Whether a prism stands on the point, or beside it by a few figures. */
  get isPlain() {
    return !this.way.value;
  }

  begin() {
    this.keep(null);
  }

  keep(begun) {
    this.begun = begun;
    begun ? localStorage.setItem(KEPT, JSON.stringify(begun)) : localStorage.removeItem(KEPT);
    this.show();
  }

  show() {
    const chosen = this.way.value || 'none';
    for (const part of this.bench.querySelectorAll('[data-ways]')) {
      part.hidden = !part.dataset.ways.split(' ').includes(chosen);
    }
    const words = this.bench.querySelector('#next-sight');
    const aims = AIMS[chosen];
    words.hidden = !aims || !this.begun || this.begun.place === 1;
    if (!words.hidden) {
      const anew = document.createElement('button');
      anew.type = 'button';
      anew.className = 'plain-button';
      anew.textContent = 'Start again';
      words.replaceChildren(`${this.begun.place - 1} of ${aims.length} sights are taken. `, anew);
    }
  }

  /** What the big key does next, in words; empty where it is as ever. */
  words() {
    const aims = AIMS[this.way.value];
    return this.isPlain ? '' : aims ? `, sight ${this.begun?.place ?? 1} of ${aims.length}: ${aims[(this.begun?.place ?? 1) - 1]}` : ', by the tape: nothing is sighted';
  }

  /** Takes the next sight, or stores what was taped. @return what was stored; stored is null while sights are missing */
  async take(fields) {
    const begun = this.begun ?? { way: this.way.value, id: crypto.randomUUID(), place: 1 };
    const own = Object.fromEntries([...this.bench.querySelectorAll('[data-ways] input, [data-ways] select')].filter(f => f.name).map(f => [f.name, f.value]));
    this.keep(begun);
    const kept = await post(`/jobs/${job}/measure/sights`, { ...own, ...fields, way: begun.way, id: begun.id, place: begun.place });
    this.keep(kept.stored ? null : { ...begun, place: begun.place + 1 });
    kept.stored && ['from', 'fromOther', 'along', 'across'].forEach(field => { this.bench.querySelector(`#${field}`).value = ''; });
    return kept;
  }
}
