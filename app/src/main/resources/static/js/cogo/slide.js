// The dividing line slid or turned in the sketch itself, by the finger or the mouse.
import { theMap } from 'verge/sketch/sketch.js';

const REACH = 22;
const MILLIS = 60;
const TURN = 2 * Math.PI;
const DECIMALS = 7;

/** Lets a line of a layer be dragged. @param told gives what the curve says, as text @param slid told the part of its range to which it was brought; gives what ends it */
export function slideOn(layer, told, slid) {
  let last = 0;
  let behind = 0;
  let held = null;
  const part = ([east, north]) => {
    const { from, to } = held;
    const [alongEast, alongNorth] = [to[0] - from[0], to[1] - from[1]];
    const length = alongEast * alongEast + alongNorth * alongNorth;
    if (length === 0) {   // it turns
      return (Math.atan2(east - from[0], north - from[1]) / TURN + 1 + behind) % 1;
    }
    return Math.min(1, Math.max(0, ((east - from[0]) * alongEast + (north - from[1]) * alongNorth) / length));
  };
  const isNear = ({ coordinate, map }) => layer.getFeatures().some(f => f.get('role') === 'wall'
    && Math.hypot(...f.getGeometry().getClosestPoint(coordinate).map((c, i) => c - coordinate[i])) < REACH * map.getView().getResolution());
  const interaction = new ol.interaction.Pointer({
    handleDownEvent: event => {
      if (!told() || !isNear(event)) {
        return false;
      }
      held = JSON.parse(told());
      behind = 0;
      // Taken hold of behind the point about which it turns, it stays the way round that it is.
      behind = Math.abs(Math.abs(part(event.coordinate) - held.at) - 0.5) < 0.25 ? 0.5 : 0;
      return true;
    },
    handleDragEvent: ({ coordinate }) => {
      if (performance.now() - last > MILLIS) {
        last = performance.now();
        slid(part(coordinate).toFixed(DECIMALS));
      }
    },
    handleUpEvent: ({ coordinate }) => { slid(part(coordinate).toFixed(DECIMALS)); return false; },
    handleMoveEvent: event => { event.map.getTargetElement().style.cursor = told() && isNear(event) ? 'grab' : ''; },
  });
  theMap().addInteraction(interaction);
  return () => {
    theMap().removeInteraction(interaction);
    theMap().getTargetElement().style.cursor = '';
  };
}
