import { existsSync, statSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { transform } from '@swc/core';

const ENDINGS = ['.ts', '.tsx', '/index.ts'];
const IS_TYPESCRIPT = /\.tsx?(\?|$)/;
/** Tests that run in plain Node have their functions from here. */
const GLOBALS = new URL('./jest-globals.mjs', import.meta.url).href;
/** The sources that are meant: those of this tree, or of another that is compared with it. */
const SOURCES = pathToFileURL(join(process.env.NEW_THUMB_SOURCES ?? join(import.meta.dirname, '../../src'), '/')).href;

/** Finds `@/core/pitch` in `src`, and `./pitch` as the file `./pitch.ts` or the folder `./pitch/index.ts`. */
export async function resolve(specifier, context, next) {
  if (specifier === '@jest/globals') return { url: GLOBALS, shortCircuit: true };
  const isOwn = specifier.startsWith('@/') || (specifier.startsWith('.') && IS_TYPESCRIPT.test(context.parentURL));
  if (isOwn) {
    const place = fileURLToPath(
      specifier.startsWith('@/') ? new URL(specifier.slice(2), SOURCES) : new URL(specifier, context.parentURL),
    );
    const found = [place, ...ENDINGS.map((ending) => place + ending)].find(
      (path) => existsSync(path) && statSync(path).isFile(),
    );
    if (found) return { url: pathToFileURL(found).href, shortCircuit: true };
  }
  // Next has no list of its entries for Node; its own builds find them so.
  return next(/^next\/[a-z]+$/.test(specifier) ? `${specifier}.js` : specifier, context);
}

/** Strips the types. */
export async function load(url, context, next) {
  if (!IS_TYPESCRIPT.test(url)) return next(url, context);
  const { code } = await transform(await readFile(fileURLToPath(url), 'utf8'), {
    jsc: {
      parser: { syntax: 'typescript', tsx: url.includes('.tsx') },
      target: 'es2022',
      transform: { react: { runtime: 'automatic' } },
      experimental: { keepImportAttributes: true },
    },
    module: { type: 'es6' },
    sourceMaps: 'inline',
  });
  return { format: 'module', source: code, shortCircuit: true };
}
