// The message strip at the top of the bench.

/** Shows words, and what follows them, words or an element; kind is 'stop', 'good' or '' for look-here. */
export function say(strong, rest = '', kind = '') {
  const strip = document.createElement('div');
  strip.className = `said ${kind}`;
  const words = document.createElement('p');
  const bold = document.createElement('b');
  bold.textContent = strong;
  words.append(bold, ' ', rest);
  const close = document.createElement('button');
  close.type = 'button';
  close.textContent = '×';
  close.setAttribute('aria-label', 'Close this message');
  close.addEventListener('click', hush);
  strip.append(words, close);
  document.getElementById('said')?.replaceChildren(strip);
}

export function sayProblem(problem) {
  document.dispatchEvent(new CustomEvent('verge:refused'));
  say(problem.message, [problem.means, problem.next].join(' ').trim(), 'stop');
}

export function hush() {
  document.getElementById('said')?.replaceChildren();
}
