// Shows in the sketch what was found: ringed, brought into view, with its panel open.
import { say, sayProblem } from 'verge/frame/said.js';
import { unfoldSketch } from 'verge/frame/fold.js';
import { selected, tell } from 'verge/sketch/pick.js';
import { lookAt, lookAtBox, lookAtNames, ring, showLayer, theStrings } from 'verge/sketch/sketch.js';

const METRES_ABOUT = 12;
const place = ({ north, east }) => ({ north: Number(north), east: Number(east) });
const ask = fields => new URLSearchParams(fields);

/** Rings a place, tells what is there, and brings it into view beside that. */
async function lies(north, east, what) {
  ring({ point: { north, east } });
  await tell(what);
  lookAt(north, east, METRES_ABOUT);
}

const kinds = {
  point: async found => {
    const point = { ...place(found), name: found.name, entry: found.entry };
    ring({ point });
    await tell(`point?${ask({ entry: found.entry, name: found.name })}`);
    lookAt(point.north, point.east, METRES_ABOUT);
  },
  string: async found => {
    const string = theStrings().get(found.string);
    if (!string) {
      say('This string is not drawn here.', 'It belongs to another floor, or was struck meanwhile. Show all floors, or look it up in the field book.');
      return;
    }
    ring({ string });
    await tell(`string?${ask({ string: found.string })}`);
    lookAtBox(string.lines.map(line => line.box));
  },
  photo: async found => {
    const { north, east } = place(found);
    await lies(north, east, `../photos/of/${found.subject}/touched`);
  },
  place: async found => {
    const { north, east } = place(found);
    await lies(north, east, `../search/place?${ask(found.height ? { north, east, height: found.height } : { north, east })}`);
  },
  drawn: async found => {
    const { north, east } = place(found);
    await lies(north, east, `thing?${ask({ file: found.file, feature: found.feature, north, east, reach: 0.001 })}`);
  },
  layer: found => showLayer(found.file, found.layer),
  code: async found => lookAtNames(await selected('selection/common', ask({ code: found.code }))),
  chosen: async found => lookAtNames(await selected('selection/points', ask({ chosen: found.chosen }))),
  names: async found => lookAtNames(await selected('selection/names', ask({ names: found.names }))),
};

/** @param found its kind under 'show', and what that needs */
export async function showInSketch(found) {
  unfoldSketch();
  try {
    await kinds[found.show](found);
  } catch (problem) {
    sayProblem(problem);
  }
}
