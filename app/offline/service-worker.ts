import { clientsClaim } from "workbox-core";
import { ExpirationPlugin } from "workbox-expiration";
import { type PrecacheEntry, precacheAndRoute } from "workbox-precaching";
import { registerRoute } from "workbox-routing";
import { CacheFirst } from "workbox-strategies";
import { NO_DOCUMENT, PAGES, SHELL, wholeAddress } from "./kept-pages";

declare const self: ServiceWorkerGlobalScope;
/** Scripts, styles, fonts and icons of this build, put in when it is bundled. */
declare const BUILT: PrecacheEntry[];

/** Pages asked for in advance are had anew after so long, and so long after each other. */
const FRESH_MS = 30 * 60_000;
const PAUSE_MS = 60;
/** What is shown is had whole once more when its copy is older than this. */
const SEEN_MS = 20_000;
const MOST_PHOTOS = 120;

void self.skipWaiting();
clientsClaim();
precacheAndRoute(BUILT);
self.addEventListener("activate", (event) => event.waitUntil(self.registration.navigationPreload.enable()));

const pages = () => caches.open(PAGES);
const ageMs = (response: Response): number => Date.now() - Date.parse(response.headers.get("Date") ?? "");

/** How often everything kept was forgotten: what was asked for before that is not kept when it comes. */
let forgotten = 0;
const PHOTOS = "photos";
async function forget(): Promise<void> {
  forgotten += 1;
  await Promise.all([PAGES, PHOTOS].map((name) => caches.delete(name)));
}

/** Has one address from the server and keeps the answer where it is a whole and good one. */
async function have(address: string, olderThanMs: number): Promise<void> {
  const cache = await pages();
  const before = await cache.match(address);
  if (before && ageMs(before) < olderThanMs) return;
  const asked = forgotten;
  const response = await fetch(address, { credentials: "same-origin" });
  // a sign-in page or a redirect is no page of the garden
  if (asked === forgotten && response.status === 200 && !response.redirected) await cache.put(address, response);
}

/** Has pages one after the other, so that whoever works in the garden does not wait for them. */
async function haveAll(addresses: readonly string[], olderThanMs: number): Promise<void> {
  const asked = forgotten;
  for (const address of addresses) {
    if (asked !== forgotten) return;
    try {
      await have(address, olderThanMs);
    } catch {
      return; // the signal is gone: what is kept stays
    }
    await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
  }
}

self.addEventListener("message", (event) => {
  const { pages: ahead, seen } = event.data as { pages?: string[]; seen?: string };
  if (ahead) event.waitUntil(haveAll([SHELL, ...ahead.map(wholeAddress)], FRESH_MS));
  if (seen) event.waitUntil(haveAll([wholeAddress(seen)], SEEN_MS));
});

const tell = async (clientId: string, kept: number | null) => (await self.clients.get(clientId))?.postMessage({ kept });

// a page's data: from the server, else the copy of the whole page, and the page is told how old that is
registerRoute(
  ({ url, sameOrigin, request }) => sameOrigin && request.method === "GET" && url.pathname.endsWith(".data"),
  async ({ request, event, url }) => {
    const { clientId } = event as FetchEvent;
    try {
      const response = await fetch(request);
      void tell(clientId, null);
      return response;
    } catch (error) {
      const cache = await pages();
      const address = wholeAddress(url.pathname + url.search);
      const copy = (await cache.match(address)) ?? (await cache.match(address, { ignoreSearch: true }));
      if (!copy) throw error;
      void tell(clientId, Date.parse(copy.headers.get("Date") ?? ""));
      return copy;
    }
  },
);

// a document: from the server, else the shell, which then asks for the page's data
registerRoute(
  ({ request, url, sameOrigin }) => sameOrigin && request.mode === "navigate" && !NO_DOCUMENT.test(url.pathname),
  async ({ request, event, url }) => {
    try {
      return ((await (event as FetchEvent).preloadResponse) as Response | undefined) ?? (await fetch(request));
    } catch (error) {
      const shell = await (await pages()).match(SHELL);
      if (!shell) throw error;
      if (url.pathname === SHELL) return shell;
      return Response.redirect(`${SHELL}?to=${encodeURIComponent(url.pathname + url.search)}`, 302);
    }
  },
);

// whoever signs out leaves no page behind: from then on the server gives none, and those on their way are not kept
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname === "/sign-out",
  async ({ request }) => {
    try {
      return await fetch(request);
    } finally {
      await forget();
    }
  },
  "POST",
);

registerRoute(
  ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith("/photos/"),
  new CacheFirst({ cacheName: PHOTOS, plugins: [new ExpirationPlugin({ maxEntries: MOST_PHOTOS })] }),
);
