// Which strings the next shot joins. It is said before the shot is taken, and what is said is what is sent.
import { showArmed } from 'verge/measure/ghost.js';
import { theStrings } from 'verge/sketch/sketch.js';

const KEPT = `armed:${document.body.dataset.job}`;

/** For how long a second string is armed beside the first. */
const ONCE = 'once';
const HELD = 'held';

/** A new string of the same code. */
const anew = ({ code, times }) => ({ string: null, code, name: code, end: 'LAST', times });

/**
 * The arming of a bench. The first of its joins goes on and on; the others are for one shot, or until they are released.
 *
 * A join is { string, code, name, end, times }, string null for one that begins with the next shot.
 */
export class Arming {
  /** @param bench whose list of open strings is touched @param said where it is said @param coded told when the code changes with the string */
  constructor(bench, coded) {
    this.bench = bench;
    bench.dataset.last ??= '';
    this.coded = coded;
    this.bend = 'CORNER';
    this.gap = false;
    this.adding = false;
    this.joins = JSON.parse(bench.dataset.armed || '[]');
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? 'null');
    if (kept && kept.after === bench.dataset.last) {   // nobody has measured since
      Object.assign(this, kept.arming);
      this.joins = this.joins.map(join => (theStrings().get(join.string)?.ended ? anew(join) : join));   // ended or closed elsewhere meanwhile
    }
    this.sent = [];
  }

  /** Strings that are there no more, since their shots were struck or they became part of others, begin anew with the next shot: that is what would happen. */
  settle() {
    this.joins = this.joins.map(join => (join.string && !this.find(join.string) ? anew(join) : join));
    this.show();
  }

  /** The open strings as the bench lists them. */
  open() {
    return [...this.bench.querySelectorAll('[data-string]')].map(row => ({ string: row.dataset.string, code: row.dataset.code, name: row.dataset.name }));
  }

  /** What is known of a string that is armed: from the list, or from the sketch, where any string can be touched. */
  find(id) {
    const drawn = theStrings().get(id);
    return this.open().find(o => o.string === id) ?? (drawn && { string: id, code: drawn.code, name: drawn.name });
  }

  /** A code was chosen. @param joins whether its points make strings @param again whether it was chosen already: then a new string begins */
  choose(code, joins, again) {
    if (this.adding) {
      this.adding = false;
      joins && this.joins.push({ string: null, code, name: code, end: 'LAST', times: ONCE });
      this.show();
      return;
    }
    const open = this.open().find(o => o.code === code);
    this.gap = false;
    if (this.joins[0]?.code !== code || again) {
      this.joins = !joins && !open ? [] : open && !(again && this.joins[0]?.string) ? [{ ...open, end: 'LAST' }] : [{ string: null, code, name: code, end: 'LAST' }];
    }
    this.show();
  }

  /** What is touched next in legend, list or sketch is armed beside what is armed already. */
  more() {
    this.adding = !this.adding;
    this.show();
  }

  /** A string was touched: the next shot goes on with it alone. */
  take(id, end = 'LAST') {
    const string = this.find(id);
    if (this.adding) {
      this.adding = false;
      this.joins.some(j => j.string === id) ? this.show() : this.also(id, end);
    } else if (string) {
      this.joins = [{ ...string, end }];
      this.gap = false;
      this.show();
      this.coded(string.code);
    }
  }

  /** Arms a string beside the others: for one shot, touched again until it is released, touched again no more. */
  also(id, end = 'LAST') {
    const at = this.joins.findIndex(j => j.string === id);
    const string = this.find(id);
    if (at === 0 || !string) {
      return;
    }
    if (at < 0) {
      this.joins.push({ ...string, end, times: ONCE });
    } else if (this.joins[at].times === ONCE) {
      this.joins[at].times = HELD;
    } else {
      this.joins.splice(at, 1);
    }
    this.show();
  }

  /** A new string of the same code. */
  begin() {
    this.joins = [anew(this.joins[0])];
    this.gap = false;
    this.show();
  }

  /** From the other end of the first. */
  turn() {
    this.joins[0].end = this.joins[0].end === 'LAST' ? 'FIRST' : 'LAST';
    this.show();
  }

  /** Nothing leads to the next shot: a new part begins. */
  part() {
    this.gap = !this.gap;
    this.show();
  }

  flow(bend) {
    this.bend = bend;
    this.show();
  }

  /** What is sent with a shot. */
  asked() {
    this.sent = this.joins;
    return JSON.stringify(this.joins.map(({ string, code, end }, i) => ({ string, code, end, bend: this.bend, gap: i === 0 && this.gap })));
  }

  /**
   * A shot is stored: new strings are there now, and what was armed for one shot is released. What was armed otherwise while it was under way is for the
   * next shot, and stays.
   *
   * @param strings as they are drawn, in the order of what was asked
   */
  stored(strings, after) {
    const taken = new Map(this.sent.map((join, i) => [join, strings[i]]));
    this.gap = this.gap && !taken.has(this.joins[0]);
    this.joins = this.joins.filter((join, i) => i === 0 || join.times === HELD || !taken.has(join))
      .map(join => (taken.get(join) ? { ...join, string: taken.get(join).id, name: taken.get(join).name } : join));
    this.bench.dataset.last = after;
    this.show();
  }

  /** What is armed is ended, closed or gone: the next shot begins a new one of its code. */
  ended(id) {
    this.joins = this.joins.filter((join, i) => i === 0 || join.string !== id).map(join => (join.string === id ? anew(join) : join));
    this.show();
  }

  /** In words: what the next shot will do, and which string goes on after it. */
  words() {
    return this.goes() + (this.finding?.isPlain === false ? this.finding.words() : this.beside());
  }

  /** Where the point lies beside the prism, so that nobody forgets that it does. */
  beside() {
    const along = this.bench.querySelector('#along-string').checked && this.joins[0]?.string;
    const sides = { right: ['right', 'left'], farther: along ? ['on', 'back'] : ['farther', 'nearer'], up: ['up', 'down'] };
    const typed = Object.entries(sides).map(([field, [ahead, back]]) => [this.bench.querySelector(`#${field}`).value.trim(), ahead, back]).filter(([value]) => value)
      .map(([value, ahead, back]) => (/^[-−]/.test(value) ? `${value.slice(1)} ${back}` : `${value} ${ahead}`));
    return typed.length ? `, the point lying ${typed.join(' and ')}${along ? ` along ${this.joins[0].name}` : ''}` : '';
  }

  goes() {
    const [first, ...others] = this.joins;
    if (this.adding) {
      return `Touch what the shot is to join besides ${first.string ? first.name : `the new ${first.code}`}`;
    }
    if (!first) {
      return 'A point of its own';
    }
    const end = first.string && (this.bench.querySelector(`[data-string="${first.string}"]`)?.dataset[first.end === 'FIRST' ? 'first' : 'last'] ?? '');
    const goes = !first.string ? `Begins a new ${first.code} string` : this.gap ? `Begins a new part of ${first.name}` : `${first.name} goes on${end ? ` from ${end}` : ''}${first.end === 'FIRST' ? ', its first end' : ''}`;
    const more = others.map(o => `${o.string ? o.name : `a new ${o.code}`} (${o.times === HELD ? 'until released' : 'this shot only'})`).join(', ');
    return goes + (more ? `, and so does ${more}. Then ${first.name} goes on` : '');
  }

  show() {
    localStorage.setItem(KEPT, JSON.stringify({ after: this.bench.dataset.last, arming: { joins: this.joins, bend: this.bend } }));
    this.bench.querySelector('#arming-words').textContent = this.words();
    const [first] = this.joins;
    for (const row of this.bench.querySelectorAll('[data-string]')) {
      const at = this.joins.findIndex(j => j.string === row.dataset.string);
      row.querySelector('[data-arm]').setAttribute('aria-pressed', String(at === 0));
      const also = row.querySelector('[data-also]');
      also.hidden = at === 0 || !first;
      also.setAttribute('aria-pressed', String(at > 0));
      also.textContent = at <= 0 ? 'Also' : this.joins[at].times === HELD ? 'Also, held' : 'Also, once';
    }
    const deeds = this.bench.querySelector('#arming-deeds');
    deeds.querySelectorAll('[data-deed]').forEach(key => { key.disabled = !first?.string; });
    deeds.querySelector('[data-deed=begin]').disabled = deeds.querySelector('[data-deed=more]').disabled = !first;
    deeds.querySelector('[data-deed=more]').setAttribute('aria-pressed', String(this.adding));
    deeds.querySelector('[data-deed=part]').setAttribute('aria-pressed', String(this.gap));
    const page = deeds.querySelector('#its-string');
    page.href = first?.string ? page.dataset.strings + first.string : page.dataset.strings;
    page.hidden = !first?.string;
    for (const key of document.querySelectorAll('[data-bend]')) {
      key.setAttribute('aria-pressed', String(key.dataset.bend === this.bend));
    }
    document.getElementById('bends').hidden = !first;
    const code = deeds.querySelector('#its-code');
    const typed = this.bench.querySelector('#code').value.trim();
    code.href = code.dataset.codes + encodeURIComponent(typed);
    code.hidden = !typed;
    showArmed(this.joins.map((join, i) => ({ ...join, gap: i === 0 && this.gap })));
  }
}
