// How something came about, drawn: the sights and marks that it rests on. A point touched in the sketch is told next.
import { get } from 'verge/frame/http.js';
import { sayProblem } from 'verge/frame/said.js';
import { turnTo } from 'verge/frame/leaves.js';
import { addLayer } from 'verge/sketch/sketch.js';

const job = document.body.dataset.job;
let layer;

export function mount(bench) {
  layer ??= addLayer('setup', 23);
  draw(bench.dataset.entry).catch(sayProblem);
  const touched = event => {
    event.preventDefault();
    turnTo(`/jobs/${job}/trace?${new URLSearchParams({ point: event.detail.name })}`).catch(() => {});   // it has said why
  };
  document.addEventListener('verge:touched', touched);
  return () => {
    document.removeEventListener('verge:touched', touched);
    layer.clear();
  };
}

async function draw(entry) {
  const rests = await get(`/jobs/${job}/trace/${entry}/drawing`);
  const feature = (role, geometry) => { const made = new ol.Feature({ geometry }); made.set('role', role); return made; };
  layer.clear();
  layer.addFeatures([...rests.sights.map(s => feature('rests-on', new ol.geom.LineString(s))), ...rests.marks.map(at => feature('mark', new ol.geom.Point(at))),
    ...rests.own.map(at => feature('own', new ol.geom.Point(at)))]);
}
