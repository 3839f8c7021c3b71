import tunebook from 'abcjs/src/api/abc_tunebook.js';
import { err, ok, type Fault, type Result } from '../../base';
import type { AbcTune } from './abc-tree';

/** The first tune of a text as the parser sees it. Over some texts it fails instead of telling what it does not understand; the line is found then.
 * Errors: `read.no-notes`, `read.malformed`. */
export function parseAbc(text: string): Result<AbcTune, Fault> {
  const tune = parsed(text);
  if (tune === 'failed')
    return err({
      code: 'read.malformed',
      tune: 'unclear',
      at: { line: failingLine(text), column: 1 },
    });
  return tune ? ok(tune) : err({ code: 'read.no-notes' });
}

function parsed(text: string): AbcTune | undefined | 'failed' {
  try {
    return (tunebook.parseOnly(text) as readonly AbcTune[])[0];
  } catch {
    return 'failed';
  }
}

/** The first line with which the text cannot be parsed any more. Found by halves: a long text is not parsed once for each line. */
function failingLine(text: string): number {
  const lines = text.split('\n');
  let [fine, failing] = [0, lines.length];
  while (failing - fine > 1) {
    const middle = Math.floor((fine + failing) / 2);
    if (parsed(lines.slice(0, middle).join('\n')) === 'failed') failing = middle;
    else fine = middle;
  }
  return failing;
}
