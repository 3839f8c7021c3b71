// Runs after each build: the headers of each page, and the service worker that keeps the application for use without a network.
import { readFileSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtPages, writeRelease } from './lib/release.mjs';
import { pageHeaders, scriptHeaders } from './lib/policies.mjs';
import { ROOT } from './lib/run.mjs';

/** What Next reads when it starts to serve; among it the headers by address. */
const ROUTES = join(ROOT, '.next/routes-manifest.json');
const OWN = 'new-thumb';

function entry(source, regex, headers) {
  return {
    source,
    regex,
    headers: Object.entries(headers).map(([key, value]) => ({ key, value })),
    of: OWN,
  };
}

/** The scripts that stand in a page are only known now, and with them what its policy lets run. Where several fit an address, the last counts. */
function writeHeaders() {
  const routes = JSON.parse(readFileSync(ROUTES, 'utf8'));
  if (!Array.isArray(routes.headers))
    throw new Error('this release of Next keeps its headers elsewhere: scripts/after-build.mjs does not know it.');
  const base = routes.basePath ?? '';
  const pages = builtPages();
  const others = pages.filter(({ name }) => name.startsWith('_'));
  const written = [
    // An address that is none is answered with the page that says so.
    entry(`${base}/:path*`, `^${base}(?:/.*)?$`, pageHeaders('', others.map(({ html }) => html).join(''))),
    ...pages
      .filter((page) => !others.includes(page))
      .map(({ path, html }) => {
        const at = path === '/' ? '' : path;
        return entry(`${base}${at}` || '/', `^${base}${at}/?$`, pageHeaders(path, html));
      }),
    // It answers for the base path itself as well, which is above the place where it lies.
    entry(`${base}/service-worker.js`, `^${base}/service-worker\\.js$`, {
      ...scriptHeaders(),
      'Service-Worker-Allowed': base === '' ? '/' : base,
    }),
    entry(`${base}/_next/static/:path*`, `^${base}/_next/static/.*$`, scriptHeaders()),
    entry(`${base}/engraver/:path*`, `^${base}/engraver/.*$`, scriptHeaders()),
  ];
  routes.headers = [...routes.headers.filter(({ of }) => of !== OWN), ...written];
  writeFileSync(ROUTES, JSON.stringify(routes));
}

writeHeaders();
const { name, files } = writeRelease();
// The build is as new as what was written just now.
const now = new Date();
utimesSync(join(ROOT, '.next/BUILD_ID'), now, now);
console.log(`release ${name}: ${files} files, and the pages`);
