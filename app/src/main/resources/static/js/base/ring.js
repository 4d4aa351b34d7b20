// The base on the sketch: a ring about its mark, and how far its radio is likely to carry over open land.
import { addLayer } from 'verge/sketch/sketch.js';

let layer;

export function followBase() {
  layer = addLayer('base', 21);
  document.addEventListener('verge:base', ({ detail }) => draw(detail));
}

function draw(view) {
  layer.clear();
  if (!view?.ring) {
    return;
  }
  const at = [view.ring.east, view.ring.north];
  const put = (geometry, role) => {
    const feature = new ol.Feature(geometry);
    feature.set('role', role);
    feature.set('mark', view.mark);
    layer.addFeature(feature);
  };
  view.ring.reach > 0 && put(new ol.geom.Circle(at, view.ring.reach), 'reach');
  put(new ol.geom.Point(at), 'mark');
}
