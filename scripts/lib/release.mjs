// Gathers a build into one release: the list of its files for the service worker, and its pages in one file.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import ts from 'typescript';
import { pageHeaders, printOf } from './policies.mjs';
import { ROOT } from './run.mjs';

const BUILD = join(ROOT, '.next');
const APP = join(BUILD, 'server/app');
const PUBLIC = join(ROOT, 'public');
const PAGES = '_next/static/pages.json';
const WORKER = 'service-worker.js';

/** What is in `public` and not needed without a network: the demo pieces come in one answer of their own. */
const LEFT_OUT = /^(demo\/|service-worker\.js$)/;

/** Answers that the build made once and that are no pages, by their names in the build. */
const BODY = /\.body$/;

function filesBelow(folder) {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .map((name) => name.replaceAll('\\', '/'))
    .filter((name) => statSync(join(folder, name)).isFile())
    .sort();
}

/** The pages of a build: their paths, and what the browser is sent of each. */
export function builtPages() {
  return readdirSync(APP)
    .filter((name) => name.endsWith('.html'))
    .map((name) => name.replace(/\.html$/, ''))
    .sort()
    .map((name) => ({
      name,
      path: name === 'index' ? '/' : `/${name}`,
      html: readFileSync(join(APP, `${name}.html`), 'utf8'),
    }));
}

/** Everything that is asked for on the way to a page and on it, as the service worker keeps it. */
function packed({ name, path, html }) {
  const at = path.slice(1);
  const flight = { 'Content-Type': 'text/x-component' };
  const segments = join(APP, `${name}.segments`);
  const parts = existsSync(segments) ? filesBelow(segments) : [];
  return [
    {
      address: `${at}?of=html`,
      headers: { 'Content-Type': 'text/html; charset=utf-8', ...pageHeaders(path, html) },
      body: html,
    },
    { address: `${at}?of=rsc`, headers: flight, body: readFileSync(join(APP, `${name}.rsc`), 'utf8') },
    ...parts.map((part) => ({
      address: `${at}?of=/${part.replace(/\.segment\.rsc$/, '')}`,
      // Next sends this with a page’s parts; without it the parts are not taken for such.
      headers: { ...flight, 'x-nextjs-postponed': '2' },
      body: readFileSync(join(segments, part), 'utf8'),
    })),
  ];
}

/** A file as a browser has it in the end: the engraver’s program lies there compressed. */
function arrived(path) {
  const bytes = readFileSync(path);
  return path.endsWith('.wasm') && bytes[0] === 0x1f && bytes[1] === 0x8b ? gunzipSync(bytes) : bytes;
}

function file(address, path) {
  return { address, integrity: printOf(arrived(path)) };
}

/** Writes the pages and the service worker of the build. */
export function writeRelease() {
  writeFileSync(join(BUILD, 'static/pages.json'), JSON.stringify(builtPages().flatMap(packed)));
  const files = [
    ...filesBelow(join(BUILD, 'static'))
      .filter((name) => !name.endsWith('.map') && name !== 'pages.json')
      .map((name) => file(`_next/static/${name}`, join(BUILD, 'static', name))),
    ...filesBelow(PUBLIC)
      .filter((name) => !LEFT_OUT.test(name))
      .map((name) => file(name, join(PUBLIC, name))),
    ...filesBelow(APP)
      .filter((name) => BODY.test(name))
      .map((name) => file(name.replace(BODY, ''), join(APP, name))),
  ];
  const pages = file(PAGES, join(BUILD, 'static/pages.json'));
  const name = createHash('sha256')
    .update(JSON.stringify([files, pages]))
    .digest('hex')
    .slice(0, 12);
  const source = readFileSync(join(ROOT, 'src/offline/service-worker.ts'), 'utf8');
  const { outputText } = ts.transpileModule(source, {
    compilerOptions: { target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext, removeComments: true },
  });
  const script = outputText.replace(/^export \{\};$/m, '');
  writeFileSync(join(PUBLIC, WORKER), `const RELEASE = ${JSON.stringify({ name, files, pages })};\n{\n${script}\n}\n`);
  return { name, files: files.length };
}
