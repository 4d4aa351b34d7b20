// Stands between the pages and Verge for one thing alone: a page that is asked for while Verge does not answer says so in words, and goes on
// by itself when it is back. Nothing else is kept: what a page shows is always what Verge says now.

const AWAY = '/away.html';
const KEPT = 'away-2';

self.addEventListener('install', event => event.waitUntil(caches.open(KEPT).then(kept => kept.addAll([AWAY, '/js/frame/away.js', '/css/theme.css', '/css/notebook.css', '/favicon.svg'])).then(() => self.skipWaiting())));

self.addEventListener('activate', event => event.waitUntil(caches.keys().then(names => Promise.all(names.filter(name => name !== KEPT).map(name => caches.delete(name)))).then(() => self.clients.claim())));

/** @param sent whether a form was being sent, which nobody sends a second time */
async function away(sent) {
  const page = await caches.match(AWAY);
  return sent ? new Response((await page.text()).replace('<body>', '<body data-sent>'), { headers: { 'Content-Type': 'text/html' } }) : page;
}

self.addEventListener('fetch', event => {
  const { method, mode, headers } = event.request;
  if (mode === 'navigate' && (headers.get('Content-Type') ?? '').startsWith('multipart/')) {
    return;   // a file being sent goes its own way: nothing of it is held here
  }
  if (mode === 'navigate') {
    event.respondWith(fetch(event.request).catch(() => away(method === 'POST')));
  } else if (['/js/frame/away.js', '/css/theme.css', '/css/notebook.css'].includes(new URL(event.request.url).pathname)) {
    event.respondWith(fetch(event.request).catch(() => caches.match(event.request)));
  }
});
