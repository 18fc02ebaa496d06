// Keeps what the own page is made of, and nothing of anybody: no answer of the server with something of a person in it
// is kept here. Without a network a page of its own opens what is encrypted on the device.
const version = new URL(location.href).searchParams.get('v');
const CACHE = `own-${version}`;
const BASE = `/a/${version}/`;
const FILES = [
    'app.css',
    'mark.svg',
    'texts/en.js',
    'fonts/atkinson-hyperlegible-next-latin.woff2',
    'fonts/spline-sans-mono-latin.woff2',
    ...[
        'page',
        'draft',
        'log-queue',
        'texts',
        'picture',
        'session',
        'session-clock',
        'session-log',
        'session-measure',
        'session-sound',
        'session-pain',
        'felt',
        'own',
        'own-door',
        'own-hold',
        'own-store',
        'own-shell',
    ].map((name) => `js/${name}.js`),
].map((name) => BASE + name);
const SHELL = '/own/shell';

self.addEventListener('install', (event) => {
    event.waitUntil(
        caches
            .open(CACHE)
            .then((cache) => cache.addAll([SHELL, ...FILES]))
            .then(() => self.skipWaiting()),
    );
});
self.addEventListener('activate', (event) => {
    event.waitUntil(
        caches
            .keys()
            .then((names) => Promise.all(names.filter((name) => name !== CACHE).map((name) => caches.delete(name))))
            .then(() => self.clients.claim()),
    );
});
self.addEventListener('fetch', (event) => {
    const { request } = event;
    const { pathname } = new URL(request.url);
    if (request.method !== 'GET') {
        return;
    }
    if (request.mode === 'navigate') {
        event.respondWith(fetch(request).catch(() => caches.match(SHELL)));
    } else if (pathname.startsWith(BASE)) {
        event.respondWith(caches.match(request).then((kept) => kept ?? fetch(request)));
    }
});
