// Keeps one whole release of the application in the browser, and answers from it: with or without a network, and never with files of two releases.
// scripts/lib/release.mjs takes the types out and puts the release in; it imports nothing, so that no browser has to know modules here.
import type { Release, ReleaseFile, FromWorker, PackedPage, ToWorker } from './files';

declare const RELEASE: Release;

const worker = self as unknown as ServiceWorkerGlobalScope;
const SCOPE = new URL(worker.registration.scope);

/** The path below which the application is served, without a slash at its end. */
const BASE = SCOPE.pathname.replace(/\/$/, '');
/** Another New Thumb may be served below another path of the same address: its releases are its own. */
const PREFIX = `new-thumb-release${BASE}:`;
const OWN = PREFIX + RELEASE.name;

/** Headers that are about the way over the network, and wrong for what has arrived. */
const OF_THE_WAY = ['content-encoding', 'content-length', 'transfer-encoding', 'vary', 'etag', 'date', 'connection'];

/** So many files are on their way at once: what the teacher asks for meanwhile still gets through. */
const AT_ONCE = 4;

/** Addresses that are files, and may be gone to as well: a list of notices, a picture. */
const FILES = new Set(RELEASE.files.map(({ address }) => address));

worker.addEventListener('install', (event) => event.waitUntil(fetchRelease()));
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));
worker.addEventListener('message', (event) => {
  const said = event.data as ToWorker;
  if (said.kind === 'take-over') event.waitUntil(worker.skipWaiting());
  if (said.kind === 'opened') event.waitUntil(letGoOfOlder());
});
worker.addEventListener('fetch', (event) => {
  const plain = withoutSlash(event.request);
  if (plain !== null) return event.respondWith(Response.redirect(plain, 308));
  const key = keyOf(event.request);
  if (key !== null) event.respondWith(answer(event.request, key));
});

/** The address of a page that was gone to with a slash at its end, without it, as the server has it too; null where there is nothing to mend. */
function withoutSlash({ mode, url }: Request): string | null {
  const { origin, pathname, search } = new URL(url);
  const isOurs = mode === 'navigate' && origin === SCOPE.origin && pathname.startsWith(`${BASE}/`);
  if (!isOurs || !pathname.endsWith('/') || pathname === SCOPE.pathname) return null;
  return origin + (pathname.replace(/\/+$/, '') || '/') + search;
}

/** Where the answer to a request is kept: its address below the root. Null where it is no matter of ours. */
function keyOf(request: Request): string | null {
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== SCOPE.origin || !`${url.pathname}/`.startsWith(`${BASE}/`))
    return null;
  const path = url.pathname.slice(BASE.length + 1);
  if (path.startsWith('api/')) return null;
  if (request.headers.has('rsc')) return `${path}?of=${request.headers.get('next-router-segment-prefetch') ?? 'rsc'}`;
  return request.mode === 'navigate' && !FILES.has(path) ? `${path}?of=html` : path;
}

async function answer(request: Request, key: string): Promise<Response> {
  // A page of an older release may still be open in another tab: it goes on with its own files. Of pages there are only those of this release.
  const kept = (await inOwn(key)) ?? (key.includes('?of=') ? undefined : await inOlder(key));
  // A new answer, with no address of its own: a worker’s script would otherwise lose what stands behind the # of its address.
  if (kept) return new Response(kept.body, { status: kept.status, headers: kept.headers });
  try {
    return await fetch(request);
  } catch (fault) {
    const page = request.mode === 'navigate' ? await inOwn('_not-found?of=html') : undefined;
    if (!page) throw fault;
    return new Response(page.body, { status: 404, headers: page.headers });
  }
}

function keptAt(key: string): string {
  return `${SCOPE.origin}${BASE}/${key}`;
}

/** What this release has kept. To look makes no cache where everything was removed. */
function inOwn(key: string): Promise<Response | undefined> {
  return caches.match(keptAt(key), { cacheName: OWN });
}

async function inOlder(key: string): Promise<Response | undefined> {
  for (const name of await olderReleases()) {
    const found = await (await caches.open(name)).match(keptAt(key));
    if (found) return found;
  }
  return undefined;
}

async function olderReleases(): Promise<readonly string[]> {
  return (await caches.keys()).filter((name) => name.startsWith(PREFIX) && name !== OWN);
}

/** Has the whole release, or throws: then the browser tries again at the next visit, and what has arrived is not fetched twice. */
async function fetchRelease(): Promise<void> {
  const own = await caches.open(OWN);
  const waiting = [RELEASE.pages, ...RELEASE.files];
  const all = waiting.length;
  let done = 0;
  const next = async (): Promise<void> => {
    for (let file = waiting.shift(); file; file = waiting.shift()) {
      await (file === RELEASE.pages ? unpackPages(own) : keep(own, file));
      done += 1;
      if (waiting.length > 0) await tell({ kind: 'fetched', done, of: all });
    }
  };
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, next));
  } catch (fault) {
    // Nothing more is begun, and nothing more told.
    waiting.splice(0);
    const isRoom = fault instanceof DOMException && fault.name === 'QuotaExceededError';
    await tell({ kind: 'failed', why: isRoom ? 'room' : 'network' });
    throw fault;
  }
}

async function keep(own: Cache, file: ReleaseFile): Promise<void> {
  const at = keptAt(file.address);
  if (await own.match(at)) return;
  const response = (await fromOlder(file)) ?? (await fetched(file));
  await own.put(at, response);
}

/** Files that are the same in an older release are not fetched again. */
async function fromOlder({ address, integrity }: ReleaseFile): Promise<Response | undefined> {
  const found = await inOlder(address);
  return found?.headers.get(PRINT) === integrity ? found : undefined;
}

/** The print of a file, kept beside it. */
const PRINT = 'new-thumb-print';

async function fetched({ address, integrity }: ReleaseFile): Promise<Response> {
  const ask = (cache: RequestCache): Promise<Response> =>
    fetch(keptAt(address), { integrity, cache, credentials: 'omit' });
  // What came damaged may lie in the browser’s own store of files as well: then it is asked for past that.
  const response = await ask('no-cache').catch(() => ask('reload'));
  if (!response.ok) throw new TypeError(`${address}: ${response.status}`);
  const headers = new Headers(response.headers);
  OF_THE_WAY.forEach((name) => headers.delete(name));
  headers.set(PRINT, integrity);
  return new Response(await response.blob(), { headers });
}

async function unpackPages(own: Cache): Promise<void> {
  const pages = (await (await fetched(RELEASE.pages)).json()) as readonly PackedPage[];
  for (const { address, headers, body } of pages) await own.put(keptAt(address), new Response(body, { headers }));
}

/** The files of older releases are kept until a page of this one has opened the studio, and no other page is open. One that is on its way is none of them. */
async function letGoOfOlder(): Promise<void> {
  const { installing, waiting } = worker.registration;
  const open = await worker.clients.matchAll({ type: 'window', includeUncontrolled: true });
  if (installing || waiting || open.length > 1) return;
  await Promise.all((await olderReleases()).map((name) => caches.delete(name)));
}

async function tell(message: FromWorker): Promise<void> {
  const pages = await worker.clients.matchAll({ type: 'window', includeUncontrolled: true });
  pages.forEach((page) => page.postMessage(message));
}
