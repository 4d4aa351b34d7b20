// What is folded away until it is wanted: the corner of a handheld, the instrument's state, the last lines of the book.

const openOnes = () => document.querySelectorAll('details[data-kept-open][open], .corner.open');

function close(part) {
  part.matches('details') ? part.removeAttribute('open') : part.classList.remove('open');
  document.querySelector('[data-corner]').setAttribute('aria-expanded', 'false');
}

export function listenToCorner() {
  document.addEventListener('click', event => {
    const opener = event.target.closest('[data-corner]');
    openOnes().forEach(part => part.contains(event.target) && !event.target.closest('a, .corner') || opener || close(part));
    if (opener) {
      const open = document.getElementById('corner').classList.toggle('open');
      opener.setAttribute('aria-expanded', String(open));
    }
  });
  document.addEventListener('toggle', event => {
    const lines = event.target.open && event.target.querySelector('.last-ten');
    lines && (lines.scrollTop = lines.scrollHeight);   // the latest is nearest to where it is written next
  }, true);
  document.addEventListener('keydown', event => event.key === 'Escape' && openOnes().forEach(close));
}
