/**
 * The application without its server. Every file of a build is kept under the version of the build when the worker is installed, and from
 * then on given from there; the server is asked for nothing but a newer worker. A newer one waits until the page says that the user takes
 * it. The files of the version before stay for one more, for windows that still show it.
 */
const VERSION = "VERSION";
const FILES = ["FILES"];
const PREFIX = "nodulum-files-";
const OWN = PREFIX + VERSION;

self.addEventListener("install", (event) => {
  // Whole or not at all: one file that cannot be had, and the worker is not installed and is tried again later.
  event.waitUntil(caches.open(OWN).then((cache) => cache.addAll(FILES.map((path) => new Request(path, { cache: "no-cache" })))));
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    caches.keys().then(async (names) => {
      const older = names.filter((name) => name.startsWith(PREFIX) && name !== OWN);
      await Promise.all(older.slice(0, -1).map((name) => caches.delete(name)));
      await self.clients.claim();
    }),
  );
});

self.addEventListener("message", (event) => {
  if (event.data === "take") self.skipWaiting();
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== self.location.origin || url.pathname === "/sw.js") return;
  event.respondWith(given(request, url.pathname));
});

async function given(request, path) {
  if (path === "/") return Response.redirect("/welcome", 302);
  const kept = (await (await caches.open(OWN)).match(path)) ?? (await caches.match(path));
  if (!kept) return fetch(request);
  // A response of its own: a kept one would bring its address along, and a worker that finds its settings there would lose them.
  const { status, statusText, headers } = kept;
  return new Response(kept.body, { status, statusText, headers });
}
