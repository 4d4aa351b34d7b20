// Finding a published system as one types, describing what was chosen, trying a position in it.
import { fragment } from 'verge/frame/http.js';
import { newest } from 'verge/frame/newest.js';

const PAUSE = 120;
const PAUSE_TYPING = 500;

export function findSystems(form, chosen) {
  const search = newest();
  const describe = newest();
  let timer;
  const answers = () => ({ method: 'POST', body: new URLSearchParams(new FormData(form)) });
  const replace = id => part => form.querySelector(id).replaceWith(part);
  const look = () => search(() => fragment(`/systems/search?q=${encodeURIComponent(form.elements.q.value)}&near=${encodeURIComponent(form.elements.near.value)}`), replace('#found'));
  const tell = () => describe(() => fragment('/systems/describe', answers()), part => { replace('#described')(part); });
  for (const name of ['q', 'near']) {
    form.elements[name].addEventListener('input', event => {
      event.stopPropagation();
      clearTimeout(timer);
      timer = setTimeout(look, PAUSE);
    });
    form.elements[name].dataset.ownEnter = '';
    form.elements[name].addEventListener('keydown', event => {
      if (event.key === 'Enter') {
        event.preventDefault();
        look();
      }
    });
  }
  form.addEventListener('click', event => {
    const found = event.target.closest('[data-system]');
    if (found) {
      form.elements.system.value = found.dataset.system;
      form.querySelector('#found').replaceChildren();
      tell();
      chosen();
    } else if (event.target.id === 'try-position') {
      fragment('/systems/test', answers()).then(replace('#tested'), () => {});
    }
  });
  let describing;
  form.addEventListener('input', event => {
    if (event.target.name === 'where' || event.target.closest('[data-where="FORMULA"], [data-where="PASTED"], [data-where="FORMULA PASTED"], [data-where="LOCALISED"]')) {
      clearTimeout(describing);
      describing = setTimeout(tell, PAUSE_TYPING);
    }
  });
  if (['FORMULA', 'PASTED', 'LOCALISED'].includes(form.elements.where.value) || form.elements.system.value) {
    tell();
  }
}
