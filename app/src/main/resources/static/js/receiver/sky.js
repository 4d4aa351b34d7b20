// The sky about the sketch's compass: where satellites stand, north up as the sketch lies; the zenith in the middle, the horizon at the rim.
const RADIUS = 100;
/** So far a name keeps from other marks and names: its width, its height. */
const ROOM = [15, 9];
const RIGHT = 12;

/** A shape for each system: a mark says it, not its colour. */
export const SHAPES = {
  G: r => `<circle r="${r}"/>`,
  R: r => `<rect x="${-r}" y="${-r}" width="${2 * r}" height="${2 * r}"/>`,
  E: r => `<path d="M0 ${-1.2 * r}L${1.1 * r} ${0.8 * r}H${-1.1 * r}Z"/>`,
  C: r => `<path d="M0 ${-1.3 * r}L${1.3 * r} 0L0 ${1.3 * r}L${-1.3 * r} 0Z"/>`,
};

const place = (azimuth, elevation) => {
  const away = RADIUS * (90 - Math.max(0, elevation)) / 90;
  return [away * Math.sin(azimuth * Math.PI / 180), -away * Math.cos(azimuth * Math.PI / 180)];
};

/** @param sky null to take it away, so that the plain compass stands there again */
export function drawSky(sky) {
  const svg = document.getElementById('sky-compass');
  svg.toggleAttribute('hidden', !sky);
  document.querySelector('.north').toggleAttribute('hidden', Boolean(sky));
  svg.innerHTML = sky ? compass(sky) : '';
}

function compass({ mask, satellites }) {
  const ring = elevation => `<circle r="${RADIUS * (90 - elevation) / 90}" class="ring"/>`;
  const masked = mask > 0 ? `<path fill-rule="evenodd" class="masked" d="${round(RADIUS)}${round(RADIUS * (90 - mask) / 90)}"/>` : '';
  const order = s => (s.used ? 2 : s.strength ? 1 : 0);
  return `<circle r="${RADIUS}" class="horizon"/>${masked}${ring(30)}${ring(60)}<path d="M0 ${-RADIUS - 3}l-4.5 8h9z" class="needle"/>
    <text y="${-RADIUS - 6}" text-anchor="middle">N</text>${named([...satellites].sort((a, b) => order(a) - order(b))).map(mark).join('')}`;
}

const round = r => `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`;

/** Those used get their number where there is room for it. */
function named(satellites) {
  const taken = satellites.map(s => place(s.azimuth, s.elevation));
  return satellites.map(s => {
    const [x, y] = place(s.azimuth, s.elevation);
    const free = s.used && taken.every(([a, b]) => a === x && b === y || Math.abs(a - x - RIGHT) > ROOM[0] || Math.abs(b - y) > ROOM[1]);
    free && taken.push([x + RIGHT, y]);
    return { ...s, x, y, free };
  });
}

function mark({ system, number, x, y, strength, used, free }) {
  const size = used ? 4.6 : 3.6;
  const words = free ? `<text x="7" y="3.4">${number}</text>` : '';
  return `<g transform="translate(${x.toFixed(1)} ${y.toFixed(1)})" class="sat ${used ? 'used' : strength ? 'heard' : 'hidden'}">${SHAPES[system](size)}${words}</g>`;
}
