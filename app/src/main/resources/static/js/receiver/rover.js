// The pole of a satellite receiver on the sketch, with the circle that it lies in, two times out of three.
import { addLayer, poleIsAt } from 'verge/sketch/sketch.js';

let layer;

export function followRover() {
  layer = addLayer('rover', 48);
  document.addEventListener('verge:receiver', ({ detail }) => draw(detail));
}

function draw(view) {
  layer.clear();
  if (!view?.pole) {
    return;
  }
  const at = [view.pole.east, view.pole.north];
  const put = (geometry, role) => {
    const feature = new ol.Feature(geometry);
    feature.set('role', role);
    feature.set('kind', view.kind);
    layer.addFeature(feature);
  };
  put(new ol.geom.Circle(at, view.pole.radius), 'error');
  put(new ol.geom.Point(at), 'foot');
  poleIsAt(at);
}
