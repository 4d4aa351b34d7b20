// Measuring by itself while one walks: after so far, after so long, or where the way leaves the straight line. Each shot is one like any other.

const MILLIS = 1000;

/** Distance of a place from the straight line between two others. */
function off([x, y], [fromX, fromY], [toX, toY]) {
  const length = Math.hypot(toX - fromX, toY - fromY);
  return length === 0 ? 0 : Math.abs((x - fromX) * (toY - fromY) - (y - fromY) * (toX - fromX)) / length;
}

const DUE = {
  moved: (trail, metres) => Math.hypot(trail.at(-1).at[0] - trail[0].at[0], trail.at(-1).at[1] - trail[0].at[1]) >= metres,
  waited: (trail, seconds) => trail.at(-1).time - trail[0].time >= seconds * MILLIS,
  turned: (trail, metres) => trail.some(({ at }) => off(at, trail[0].at, trail.at(-1).at) >= metres),
};

export class ByItself {
  /** @param take measures, and gives a promise of when that is done */
  constructor(take) {
    this.take = take;
    this.stop();
  }

  /** @param when 'moved:2' in metres, 'waited:5' in seconds, 'turned:0.2' in metres; empty for no more */
  start(when) {
    const [kind, much] = when.split(':');
    this.due = DUE[kind] ?? null;
    this.much = Number(much);
    this.trail = [];
  }

  stop() {
    this.start('');
  }

  get on() {
    return this.due !== null;
  }

  /** Where the pole is now; null while nobody knows. */
  async poleIsAt(at) {
    if (!this.on || this.busy) {
      return;
    }
    if (!at) {
      this.trail = [];   // the prism was lost: the way since the last shot is not known
      return;
    }
    this.trail.push({ at, time: performance.now() });
    if (this.trail.length > 1 && this.due(this.trail, this.much)) {
      this.busy = true;
      await this.take();
      this.busy = false;
      this.trail = [];
    }
  }
}
