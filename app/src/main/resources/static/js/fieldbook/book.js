// The field book: a line corrected in its place.
import { listenToCorrections } from 'verge/leaf/rework.js';

export function mount(bench) {
  listenToCorrections(bench);
}
