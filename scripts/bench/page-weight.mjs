import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ROOT } from '../lib/run.mjs';

const PAGES = {
  Shelf: '/',
  Bench: '/bench',
  Entering: '/enter',
  Survey: '/survey',
  'What fits?': '/fit',
  Practice: '/practice',
  Handout: '/handout',
  Pupils: '/pupils',
  Week: '/week',
  Atlas: '/atlas',
  Settings: '/settings',
};

/** The scripts a page names itself: what it needs before it can be used. Unit: bytes, compressed as the server does. */
async function scriptBytes(address) {
  const html = await (await fetch(address)).text();
  const files = new Set([...html.matchAll(/<script[^>]* src="([^"]+)"/g)].map(([, src]) => src.split('?')[0]));
  let bytes = 0;
  for (const file of files) {
    const place = file.replace(/^.*\/_next\//, '');
    bytes += gzipSync(readFileSync(join(ROOT, '.next', place))).length;
  }
  return bytes;
}

/** How much script each page brings, compressed, before the engraver. */
export async function measurePageWeight(address) {
  const figures = [];
  for (const [name, path] of Object.entries(PAGES))
    figures.push([`${name} (held to 200 kB)`, `${Math.round((await scriptBytes(address + path)) / 1000)} kB`]);
  return figures;
}
