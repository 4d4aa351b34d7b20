// The page that is shown while a large file is read: looks again until it is done.
import { refresh } from 'verge/frame/leaves.js';

const MILLIS_BETWEEN_LOOKS = 800;

export function mount() {
  const timer = setTimeout(() => refresh().catch(() => {}), MILLIS_BETWEEN_LOOKS);
  return () => clearTimeout(timer);
}
