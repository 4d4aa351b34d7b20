// What the sketch holds: the job's own points, and sheets: the drawings of the site's files, each with its layers.
import { get } from 'verge/frame/http.js';

const job = document.body.dataset.job;
const METRES = 1e-4;
/** The order in which marks and names win over each other. */
const RANK = { CONTROL: 0, STAKED: 1, DESIGN: 2, MEASURED: 3, REGISTER: 4 };

const rank = point => RANK[point.mark] ?? 9;

/** Points in rows of figures: a hundred thousand objects would be slow to walk through. */
export class Points {
  constructor(points) {
    const sorted = [...points].sort((a, b) => rank(a) - rank(b));
    this.list = sorted;
    this.east = sorted.map(p => p.east);
    this.north = sorted.map(p => p.north);
  }

  /** These with one more; one that stands behind all others is taken in without going through them again. */
  with(point) {
    const last = this.list[this.list.length - 1];
    if (last && rank(point) < rank(last)) {
      return new Points([...this.list, point]);
    }
    this.list.push(point);
    this.east.push(point.east);
    this.north.push(point.north);
    this.byName = undefined;
    return this;
  }
}

/** A drawing of a file as fetched, in metres of the grid. */
class Sheet {
  constructor(about, drawing) {
    Object.assign(this, about);
    this.layers = [];
    this.spots = [];
    this.lines = [];
    this.words = [];
    this.facets = [];
    for (const [kind, index, layer, name, own, at] of drawing.features) {
      const places = new Float64Array(at.length);
      for (let i = 0; i < at.length; i += 2) {
        places[i] = drawing.east + at[i] * METRES;
        places[i + 1] = drawing.north + at[i + 1] * METRES;
      }
      const thing = { kind, index, layer, name, own, at: places, box: box(places) };
      ({ p: this.spots, l: this.lines, a: this.lines, w: this.words, t: this.facets })[kind].push(thing);
    }
  }

  /** Whether a thing's layer is shown now. */
  shows(thing) {
    return this.layers[thing.layer]?.shown ?? true;
  }

  /** What a thing is: register, design or underlay; a design that the work does not go by is only looked at. */
  roleOf(thing) {
    const role = this.layers[thing.layer]?.role ?? this.role;
    return role === 'DESIGN' && !this.current ? 'UNDERLAY' : role;
  }

  /** The box round what is shown, as [west, south, east, north]; null if nothing is. */
  extent() {
    const all = [Infinity, Infinity, -Infinity, -Infinity];
    for (const thing of [...this.spots, ...this.lines, ...this.facets]) {
      this.shows(thing) && grow(all, thing.box);
    }
    return all[0] <= all[2] ? all : null;
  }
}

export function box(at) {
  const b = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < at.length; i += 2) {
    grow(b, [at[i], at[i + 1], at[i], at[i + 1]]);
  }
  return b;
}

export function grow(a, b) {
  a[0] = Math.min(a[0], b[0]);
  a[1] = Math.min(a[1], b[1]);
  a[2] = Math.max(a[2], b[2]);
  a[3] = Math.max(a[3], b[3]);
  return a;
}

export const touches = (a, b) => a[0] <= b[2] && a[2] >= b[0] && a[1] <= b[3] && a[3] >= b[1];

const fetched = new Map();

/** The sheets that a job's files make, fetched where they are new or changed; told one by one as they come. */
export async function fetchSheets(files, current, told) {
  const wanted = files.filter(f => f.role !== 'CONTROL');
  const sheets = await Promise.all(wanted.map(async about => {
    const known = fetched.get(about.id);
    let sheet = known?.version === about.version ? known : null;
    try {
      const [drawing, layers] = await Promise.all([sheet ?? get(`/jobs/${job}/sketch/files/${about.id}`), get(`/jobs/${job}/sketch/files/${about.id}/layers`)]);
      sheet ??= new Sheet(about, drawing);
      sheet.layers = layers;
    } catch {
      return null;   // a file that cannot be read says so where it is listed
    }
    sheet.role = about.role;
    sheet.current = about.id === current;
    fetched.set(about.id, sheet);
    told();
    return sheet;
  }));
  return sheets.filter(Boolean);
}
