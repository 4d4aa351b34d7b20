// Selecting with a box or a lasso: one drag, then what lies wholly within is told.

const MOST_CORNERS = 200;

/** Lets one outline be drawn on the map; gives its corners as [east, north] to what is done with it. */
export function drawOutline(map, source, freehand, done) {
  const interaction = freehand ? new ol.interaction.Draw({ source, type: 'Polygon', freehand: true })
    : new ol.interaction.Draw({ source, type: 'Circle', freehand: true, geometryFunction: ol.interaction.Draw.createBox() });
  source.clear();
  const end = () => {
    map.removeInteraction(interaction);
    document.removeEventListener('keydown', leave);
    map.getTargetElement().classList.remove('drawing');
  };
  const leave = event => event.key === 'Escape' && end();
  interaction.on('drawend', event => {
    setTimeout(end);   // the map still works through the same event
    const ring = event.feature.getGeometry().getCoordinates()[0];
    const step = Math.ceil(ring.length / MOST_CORNERS);   // a slow hand leaves hundreds, a pixel apart
    done(ring.filter((corner, i) => i % step === 0).map(([east, north]) => [east, north]));
  });
  document.addEventListener('keydown', leave);
  map.getTargetElement().classList.add('drawing');
  map.addInteraction(interaction);
  return end;
}
