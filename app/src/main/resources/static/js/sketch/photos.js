// Photos on the sketch: a little picture beside what they are of, and a wedge for each way that one looks.
import { colour } from 'verge/frame/paint.js';

const REACH = 30;
const HALF_WEDGE = 25 * Math.PI / 180;
const ASIDE = 13;
const [WIDE, HIGH] = [15, 11];
/** How wide a picture's mark is about its place, for words to keep off. */
export const PHOTO_RADIUS = ASIDE + WIDE / 2;

export function drawPhotos(pen, view, photos) {
  pen.save();
  for (const { north, east, azimuths } of photos) {
    const x = view.x(east);
    const y = view.y(north);
    if (x > -REACH && y > -REACH && x < view.width + REACH && y < view.height + REACH) {
      azimuths.forEach(azimuth => wedge(pen, x, y, azimuth));
      picture(pen, x + ASIDE, y - ASIDE);
    }
  }
  pen.restore();
}

/** @param azimuth clockwise from the top of the paper, in radians */
function wedge(pen, x, y, azimuth) {
  const middle = azimuth - Math.PI / 2;
  pen.beginPath();
  pen.moveTo(x, y);
  pen.arc(x, y, REACH, middle - HALF_WEDGE, middle + HALF_WEDGE);
  pen.closePath();
  pen.globalAlpha = 0.22;
  pen.fillStyle = colour('heather');
  pen.fill();
  pen.globalAlpha = 1;
  pen.strokeStyle = colour('heather');
  pen.lineWidth = 1.2;
  pen.stroke();
}

/** A print with its white edge: a hill and a sun. */
function picture(pen, x, y) {
  pen.fillStyle = colour('paper');
  pen.strokeStyle = colour('heather');
  pen.lineWidth = 1.5;
  pen.fillRect(x - WIDE / 2, y - HIGH / 2, WIDE, HIGH);
  pen.strokeRect(x - WIDE / 2, y - HIGH / 2, WIDE, HIGH);
  pen.fillStyle = colour('heather');
  pen.beginPath();
  pen.moveTo(x - WIDE / 2 + 2, y + HIGH / 2 - 2);
  pen.lineTo(x - 1, y - 2);
  pen.lineTo(x + WIDE / 2 - 3, y + HIGH / 2 - 2);
  pen.fill();
  pen.beginPath();
  pen.arc(x + 4, y - 2, 1.6, 0, 2 * Math.PI);
  pen.fill();
}
