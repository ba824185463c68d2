/// <reference lib="webworker" />
// The application without a line: its own files are kept, so that it opens with what the device had.
// What people wrote or read goes past it; that is kept sealed, elsewhere.
import { answerFor, type Given } from './answerFor'

declare const self: ServiceWorkerGlobalScope
/** Files of this version, and its name: filled in when the application is built. */
declare const GIVEN: Given

self.addEventListener('install', (event) => event.waitUntil(keepFiles()))
async function keepFiles() {
  const cache = await caches.open(GIVEN.version)
  await cache.addAll(GIVEN.files.map((file) => new Request(file, { cache: 'reload' })))
}

// A page of the former version keeps its files until it is closed: only then this one takes over.
self.addEventListener('activate', (event) =>
  event.waitUntil(
    caches
      .keys()
      .then((names) => names.filter((name) => name !== GIVEN.version))
      .then((old) => Promise.all(old.map((name) => caches.delete(name))))
      .then(() => self.clients.claim()),
  ),
)

self.addEventListener('fetch', (event) => {
  const { request } = event
  const { origin, pathname } = new URL(request.url)
  if (request.method !== 'GET' || origin !== self.location.origin) return
  const answer = answerFor(
    { pathname, isPage: request.mode === 'navigate' },
    {
      fetch: () => fetch(request),
      kept: async (file) => (await caches.open(GIVEN.version)).match(file),
      keep: async (file, response) => (await caches.open(GIVEN.version)).put(file, response),
    },
  )
  if (answer) event.respondWith(answer)
})
