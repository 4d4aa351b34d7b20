// The field book: a line corrected in its place.
import { listenToCorrections } from 'verge/setup/rework.js';

export function mount(bench) {
  listenToCorrections(bench);
}
