// Keys for the daily work. Blank does the big action where nothing is typed in, Enter where something is, Ctrl with Enter everywhere;
// a letter acts where nothing is typed in, with Alt everywhere. What is shown beside an action is always the key that does it now.

const FIELD = 'input:not([type=checkbox], [type=radio], [type=range], [type=file]), textarea, select';
const typing = target => target.matches(FIELD);
const seen = element => !element.hidden && !element.disabled && element.getClientRects().length > 0;
let byPointer = false;

/** The one big action of the view. */
const primary = () => [...document.querySelectorAll('.go')].find(seen);

/** Whether Enter in this field does what the field's own form is for, rather than the big action. */
const ownAction = field => 'ownEnter' in field.dataset || field.form && [...field.form.querySelectorAll('button:not([type=button])')].some(button => !button.hidden && !button.matches('.go'));

/** What was reached with the Tab key is pressed by blank, as anywhere; what was touched has been pressed already. */
const takesBlank = target => !byPointer && target.closest('button, summary, input, [role=separator]');

/** The key that does the big action while the focus is there. */
function goKey(target) {
  if (!typing(target)) {
    return 'Space';
  }
  return target.matches('textarea') || ownAction(target) ? 'Ctrl Enter' : 'Enter';
}

/** Shows beside each action the key that does it now. */
export function tellKeys() {
  const target = document.activeElement ?? document.body;
  document.documentElement.toggleAttribute('data-typing', typing(target));
  document.querySelectorAll('.go-key').forEach(key => { key.textContent = goKey(target); });
  if (typing(target) && 'enterKeyHint' in target) {
    target.enterKeyHint = goKey(target) === 'Enter' ? 'go' : 'enter';   // what the keyboard on the screen writes on its key
  }
}

function press(element) {
  if (element.matches('input')) {
    element.focus();
    element.select();
  } else {
    element.click();
  }
}

/** A key that is held down acts once, save for coming closer and going farther: a long press in a glove is one shot. */
function act(event, element) {
  if (element) {
    event.preventDefault();
    (!event.repeat || 'sketch' in element.dataset) && press(element);
  }
}

const lettered = key => [...document.querySelectorAll(`[data-key="${CSS.escape(key)}"]`)].find(element => !element.hidden && !element.disabled);

function pressed(event) {
  if (event.key === 'Tab') {
    byPointer = false;
  }
  if (event.defaultPrevented || document.querySelector('dialog[open]')) {
    return;
  }
  const { target, key } = event;
  if (event.altKey && /^\d$/.test(key)) {
    act(event, document.querySelector(`[data-alt-key="${key}"]`));
  } else if (key === 'Enter') {
    entered(event);
  } else if (key === 'Escape') {
    typing(target) && target.blur();
  } else if (event.altKey && /^Key[A-Z]$/.test(event.code)) {
    act(event, lettered(event.code.at(-1).toLowerCase()));   // with Alt some keyboards give another letter
  } else if (event.altKey && (key === '/' || event.code === 'Slash')) {
    act(event, lettered('/'));
  } else if (!typing(target) && key === ' ') {
    takesBlank(target) || act(event, primary());
  } else if (!typing(target) && !event.ctrlKey && !event.metaKey && !event.altKey) {
    act(event, lettered(key.toLowerCase()));
  }
}

function entered(event) {
  const { target } = event;
  if (event.ctrlKey || typing(target) && goKey(target) === 'Enter' || target === document.body) {
    act(event, primary());
  }
}

export function listenToKeys() {
  document.addEventListener('keydown', pressed);
  document.addEventListener('pointerdown', () => { byPointer = true; }, true);
  for (const moved of ['focusin', 'focusout']) {
    document.addEventListener(moved, () => queueMicrotask(tellKeys));
  }
  document.addEventListener('click', event => {
    if (event.target.closest('[data-keys]')) {
      document.getElementById('keys').showModal();
    }
  });
}
