// What the next shot will draw: the armed strings thick, and a ghost of the next piece from each to the pole.
import { addLayer, lineOf, theStrings, writeLabels } from 'verge/sketch/sketch.js';

const RING = 12;

let layer = null;
let pole = null;
let armed = [];

/** Draws anew. @param joins the strings that the next shot joins, the first first: { string, end, gap } */
export function showArmed(joins) {
  armed = joins;
  draw();
  // Words keep off the rings, and off the keys for corner and flowing, which come and go with what is armed.
  writeLabels('armed', layer.getFeatures().filter(f => f.get('role') === 'from').map(f => ({ text: '', places: [f.getGeometry().getCoordinates()], radius: RING })));
}

/** @param at [east, north], or null */
export function followPole(at) {
  if (String(at) !== String(pole)) {
    pole = at;
    draw();
  }
}

function draw() {
  layer ??= addLayer('armed', 22);
  layer.clear();
  armed.forEach(({ string, end, gap }, i) => {
    const drawn = theStrings().get(string);
    if (drawn) {
      drawn.lines.forEach(({ at }) => put(lineOf(at), i === 0 ? 'armed' : 'also'));
      const from = drawn.ends[end === 'FIRST' ? 0 : 1];
      from && put(new ol.Feature(new ol.geom.Point(from)), 'from');
      from && pole && !gap && put(lineOf([...from, ...pole]), 'ghost');
    }
  });
}

function put(feature, role) {
  feature.set('role', role);
  layer.addFeature(feature);
}
