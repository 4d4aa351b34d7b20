// Keys for the daily work. A key never acts while a field is being typed in, save Enter and those with Alt.

const typing = target => target.matches('input:not([type=checkbox]), textarea, select');

function press(element) {
  if (element.matches('input')) {
    element.focus();
    element.select();
  } else {
    element.click();
  }
}

export function listenToKeys() {
  document.addEventListener('keydown', event => {
    if (event.defaultPrevented || document.querySelector('dialog[open]')) {
      return;
    }
    const primary = [...document.querySelectorAll('[data-primary]')].find(e => !e.hidden && !e.disabled);
    if (event.altKey && /^\d$/.test(event.key)) {
      act(event, document.querySelector(`[data-alt-key="${event.key}"]`));
    } else if (typing(event.target)) {
      if (event.key === 'Enter' && event.target.matches('input') && primary && !event.target.form?.querySelector('button:not([hidden])')) {
        act(event, primary);
      } else if (event.key === 'Escape') {
        event.target.blur();
      }
    } else if (event.key === ' ' && !event.target.closest('button, a, summary, input')) {
      act(event, primary);
    } else if (!event.ctrlKey && !event.metaKey && !event.altKey) {
      act(event, event.key === '?' ? document.querySelector('[data-keys]')
        : document.querySelector(`[data-key="${CSS.escape(event.key.toLowerCase())}"]`));
    }
  });
  document.addEventListener('click', event => {
    if (event.target.closest('[data-keys]')) {
      document.getElementById('keys').showModal();
    }
  });
}

function act(event, element) {
  if (element) {
    event.preventDefault();
    press(element);
  }
}
