// Selecting with a box or a lasso: one drag, then what lies wholly within is told.

/** Lets one outline be drawn on the map; gives its corners as [east, north] to what is done with it. */
export function drawOutline(map, source, freehand, done) {
  const interaction = freehand ? new ol.interaction.Draw({ source, type: 'Polygon', freehand: true })
    : new ol.interaction.Draw({ source, type: 'Circle', freehand: true, geometryFunction: ol.interaction.Draw.createBox?.() ?? boxFunction() });
  source.clear();
  const end = () => {
    map.removeInteraction(interaction);
    document.removeEventListener('keydown', leave);
    map.getTargetElement().classList.remove('drawing');
  };
  const leave = event => event.key === 'Escape' && end();
  interaction.on('drawend', event => {
    setTimeout(end);   // the map still works through the same event
    done(event.feature.getGeometry().getCoordinates()[0].map(([east, north]) => [east, north]));
  });
  document.addEventListener('keydown', leave);
  map.getTargetElement().classList.add('drawing');
  map.addInteraction(interaction);
  return end;
}

function boxFunction() {
  return (coordinates, geometry) => {
    const [from, to] = [coordinates[0], coordinates.at(-1)];
    const ring = [[from, [to[0], from[1]], to, [from[0], to[1]], from]];
    const shape = geometry ?? new ol.geom.Polygon([]);
    shape.setCoordinates(ring);
    return shape;
  };
}
