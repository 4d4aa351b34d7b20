// Where words stand. No label lies on another, on a mark, under a button or across the edge of what is seen: all drawing asks here.

const CELL = 3;
const GAP = 3;
const SHORTEST = 12;
/** Where a label is tried about its mark, the best first: how far its box lies to the right of and below the mark's middle, -1 to 1. */
const SIDES = [[1, 0], [-1, 0], [0, -1], [0, 1], [1, -1], [1, 1], [-1, -1], [-1, 1]];

export class Labels {
  /** @param seen the part of the picture that is looked at, as [left, top, width, height]; what lies beyond is uncovered by a finger's move */
  constructor(width, height, seen = [0, 0, width, height]) {
    this.seen = seen;
    this.width = width;
    this.height = height;
    this.columns = Math.ceil(width / CELL);
    this.rows = Math.ceil(height / CELL);
    this.taken = new Uint8Array(this.columns * this.rows);
  }

  /** Nothing may be written over this box any more: the cells whose middles lie in it are taken. */
  block(x, y, w, h) {
    const left = Math.max(0, Math.ceil(x / CELL - 0.5));
    const right = Math.min(this.columns - 1, Math.floor((x + w) / CELL - 0.5));
    const bottom = Math.min(this.rows - 1, Math.floor((y + h) / CELL - 0.5));
    for (let row = Math.max(0, Math.ceil(y / CELL - 0.5)); row <= bottom && left <= right; row++) {
      this.taken.fill(1, row * this.columns + left, row * this.columns + right + 1);
    }
  }

  /** Whether words stand over this very place, or something they must not cover. */
  isTaken(x, y) {
    return this.taken[Math.floor(y / CELL) * this.columns + Math.floor(x / CELL)] === 1;
  }

  /** Nothing may be written over this line any more. */
  blockLine([x1, y1], [x2, y2]) {
    const steps = Math.ceil(Math.hypot(x2 - x1, y2 - y1) / CELL) || 1;
    for (let i = 0; i <= steps; i++) {
      this.block(x1 + i / steps * (x2 - x1) - CELL, y1 + i / steps * (y2 - y1) - CELL, 2 * CELL, 2 * CELL);
    }
  }

  isFree(x, y, w, h) {
    const [sx, sy, sw, sh] = this.seen;
    const within = x >= sx && y >= sy && x + w <= sx + sw && y + h <= sy + sh;
    const beyond = x > sx + sw || y > sy + sh || x + w < sx || y + h < sy;
    if (!within && !beyond || x < 0 || y < 0 || x + w > this.width || y + h > this.height) {
      return false;
    }
    const left = Math.max(0, Math.ceil(x / CELL - 1));
    const right = Math.min(this.columns - 1, Math.floor((x + w) / CELL));
    const bottom = Math.min(this.rows - 1, Math.floor((y + h) / CELL));
    for (let row = Math.max(0, Math.ceil(y / CELL - 1)); row <= bottom; row++) {
      for (let column = left; column <= right; column++) {
        if (this.taken[row * this.columns + column]) {
          return false;
        }
      }
    }
    return true;
  }

  /** Whether even the shortest words would have room to the right of a mark. */
  mayStand(x, y, height, radius) {
    return this.isFree(x + radius + GAP, y - height / 2, SHORTEST, height);
  }

  /**
   * Finds room for words about a mark and takes it.
   *
   * @param radius of the mark, in pixels; 0 to write over the very place
   * @param sides how many places about it are tried
   * @return the middle of the label's left edge, or null: there is no room, and nothing is written
   */
  place(x, y, width, height, radius, sides = SIDES.length) {
    const away = radius + GAP;
    for (const [right, down] of radius ? SIDES.slice(0, sides) : [[0, 0]]) {
      const slant = right && down ? 0.7 : 1;
      const left = x + right * away * slant + (right - 1) / 2 * width;
      const top = y + down * away * slant + (down - 1) / 2 * height;
      if (this.isFree(left, top, width, height)) {
        this.block(left, top, width, height);
        return [left, top + height / 2];
      }
    }
    return null;
  }
}

/** How far what lies over the picture reaches into it: its buttons and notes, as boxes in the picture's own pixels. */
export function boxesOver(element) {
  const { left, top } = element.getBoundingClientRect();
  return [...element.parentElement.children, ...document.querySelectorAll('[data-over-sketch]')].filter(other => other !== element && !other.matches('.over, .sketch-empty'))
    .map(other => other.getBoundingClientRect()).filter(r => r.width > 0).map(r => [r.left - left - GAP, r.top - top - GAP, r.width + 2 * GAP, r.height + 2 * GAP]);
}
