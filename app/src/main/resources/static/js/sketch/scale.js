// The scale bar: a round length in the job's unit.

const ROUND = [1, 2, 5];
const WIDEST = 150;

/** The largest round length that fits into so many pixels, and its width on the screen. */
export function roundLength(unitsPerPixel, widest = WIDEST) {
  const most = unitsPerPixel * widest;
  const power = 10 ** Math.floor(Math.log10(most));
  const length = power * ROUND.filter(r => r * power <= most).pop();
  return { length, pixels: length / unitsPerPixel };
}

export function drawScale(bar, metresPerPixel, metresPerUnit, unit) {
  const { length, pixels } = roundLength(metresPerPixel / metresPerUnit);
  bar.querySelector('u').style.width = `${pixels}px`;
  bar.querySelector('span').textContent = `${Number(length.toPrecision(1))} ${unit}`;
}
