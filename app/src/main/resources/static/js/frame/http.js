// Requests to Verge that carry the sign-in's token, and problems as words.

/** A problem as Verge tells it: what is wrong, what it means, what to do. */
export class Problem extends Error {
  constructor(body) {
    super(body.title ?? 'Not done.');
    this.code = body.problem ?? '';
    this.means = body.means ?? body.detail ?? '';
    this.next = body.next ?? '';
  }
}

const UNREACHABLE = {
  title: 'Verge does not answer.',
  means: 'Whether the last thing arrived is not known; what is typed stays on the screen.',
  next: 'Wait until it is back, look at the last lines of the field book, then do it again if it is not there.',
};

function headers() {
  const meta = name => document.querySelector(`meta[name=${name}]`)?.content ?? '';
  return { 'X-Requested-With': 'fetch', 'X-CSRF-TOKEN': meta('csrf'), 'X-Figures': meta('figures') };
}

async function ask(url, options) {
  let answer;
  try {
    answer = await fetch(url, { ...options, headers: { ...headers(), ...options.headers } });
  } catch {
    throw new Problem(UNREACHABLE);
  }
  if (!answer.ok) {
    const type = answer.headers.get('Content-Type') ?? '';
    throw new Problem(type.includes('json') ? await answer.json() : { title: `Verge answered ${answer.status}.` });
  }
  return answer;
}

/** After these it is not known whether the thing was stored. */
const UNKNOWN_END = new Set(['', 'DATABASE_AWAY', 'UNFORESEEN']);

/**
 * The id of something that must be stored once, however often it is sent: the same until it is known what became of it. An answer
 * that never came leaves it open, a refusal in words settles it.
 */
export function onceId() {
  let id = null;
  return {
    get: () => id ??= crypto.randomUUID(),
    settle: problem => { id = problem && UNKNOWN_END.has(problem.code) ? id : null; },
  };
}

export async function get(url) {
  return (await ask(url, {})).json();
}

/** Posts fields and gives what comes back, as JSON if it is. */
export async function post(url, fields) {
  const answer = await ask(url, { method: 'POST', body: new URLSearchParams(fields) });
  const text = await answer.text();
  return text && (answer.headers.get('Content-Type') ?? '').includes('json') ? JSON.parse(text) : null;
}

/** Posts fields with files among them, and gives what comes back as JSON. */
export async function upload(url, fields) {
  const body = new FormData();
  Object.entries(fields).forEach(([name, value]) => body.append(name, value));
  return (await ask(url, { method: 'POST', body })).json();
}

/** A whole page as a document, with the address it came from in the end. */
export async function page(url, options = {}) {
  const answer = await ask(url, { ...options, headers: { Accept: 'text/html' } });
  return { document: new DOMParser().parseFromString(await answer.text(), 'text/html'), url: answer.url };
}

/** A part of a page: its first element. */
export async function fragment(url, options = {}) {
  return (await page(url, options)).document.body.firstElementChild;
}
