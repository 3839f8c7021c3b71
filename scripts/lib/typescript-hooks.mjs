import { existsSync, statSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { transform } from '@swc/core';

const ENDINGS = ['.ts', '/index.ts'];
/** The sources that are meant: those of this tree, or of another that is compared with it. */
const SOURCES = pathToFileURL(join(process.env.NEW_THUMB_SOURCES ?? join(import.meta.dirname, '../../src'), '/')).href;

/** Finds `@/core/pitch` in `src`, and `./pitch` as the file `./pitch.ts` or the folder `./pitch/index.ts`. */
export async function resolve(specifier, context, next) {
  const isOwn = specifier.startsWith('@/') || (specifier.startsWith('.') && context.parentURL?.endsWith('.ts'));
  if (isOwn) {
    const place = fileURLToPath(
      specifier.startsWith('@/') ? new URL(specifier.slice(2), SOURCES) : new URL(specifier, context.parentURL),
    );
    const found = [place, ...ENDINGS.map((ending) => place + ending)].find(
      (path) => existsSync(path) && statSync(path).isFile(),
    );
    if (found) return { url: pathToFileURL(found).href, shortCircuit: true };
  }
  return next(specifier, context);
}

/** Strips the types. */
export async function load(url, context, next) {
  if (!url.endsWith('.ts')) return next(url, context);
  const { code } = await transform(await readFile(fileURLToPath(url), 'utf8'), {
    jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
    module: { type: 'es6' },
  });
  return { format: 'module', source: code, shortCircuit: true };
}
