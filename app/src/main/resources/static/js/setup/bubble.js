// The live bubble: the dashed ring is the limit, the edge half as much again.
const LIMIT_RUN = 32;

export function moveBubble(view) {
  const dot = document.getElementById('bubble');
  dot?.setAttribute('cx', view.tiltAcross * LIMIT_RUN);
  dot?.setAttribute('cy', -view.tiltAlong * LIMIT_RUN);
  dot?.setAttribute('fill', view.level ? 'var(--moss)' : 'var(--madder)');
}
