import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

/** Where Debian's packages abcm2ps and abcmidi keep their example tunes. */
const FOLDERS = ['/usr/share/doc/abcm2ps/examples', '/usr/share/doc/abcmidi/examples'];

/** Demonstrations of drums, tunings, decorations and of nothing but rests, by file and place in it: listed before the
 * first measurement, and left out of it. */
const LEFT_OUT = [
  'deco.abc/0',
  'deco.abc/1',
  'newfeatures.abc/4',
  'daramud.abc/0',
  'demo.abc/8',
  'detune.abc/0',
  'detune.abc/1',
  'drums.abc/0',
  'temperament.abc/0',
  'temperament.abc/1',
];

/** The example tunes with the keys that their own `K:` lines name. Tunes that name no tonic (`K:none`, a clef alone, the
 * pipes) are counted apart: there is nothing to compare. Null where the packages are not installed. */
export async function exampleTunes() {
  const folders = FOLDERS.filter((folder) => existsSync(folder));
  if (folders.length === 0) return null;
  const { splitPieces } = await import('../../src/core/read/index.ts');
  const { parseKey } = await import('../../src/core/pitch/index.ts');
  const tunes = [];
  let withoutKey = 0;
  for (const folder of folders) {
    for (const file of readdirSync(folder).filter((name) => name.endsWith('.abc'))) {
      const bytes = readFileSync(join(folder, file));
      if (!/^X:/m.test(bytes.toString('latin1'))) continue;
      splitPieces(bytes).forEach((tune, i) => {
        const name = `${file}/${i}`;
        if (LEFT_OUT.includes(name)) return;
        const key = keyOfLine(/^K:(.*)$/m.exec(new TextDecoder().decode(tune))?.[1] ?? '', parseKey);
        if (key) tunes.push({ name, tune, key });
        else withoutKey += 1;
      });
    }
  }
  return { tunes, leftOut: LEFT_OUT.length, withoutKey };
}

const MODES = {
  '': 'major',
  maj: 'major',
  ion: 'major',
  m: 'minor',
  min: 'minor',
  aeo: 'minor',
  mix: 'mixolydian',
  dor: 'dorian',
  phr: 'phrygian',
  lyd: 'lydian',
  loc: 'locrian',
};

/** Reads `Bb`, `Ador`, `C treble`, `G exp ^F`. */
function keyOfLine(line, parseKey) {
  const match = /^\s*([A-G](?:#|b)?)\s*(maj|min|ion|aeo|mix|dor|phr|lyd|loc|m(?![a-z]))?[a-z]*(?:\s|$|\^|_)/.exec(
    line.replace(/%.*/, ''),
  );
  return match ? parseKey(`${match[1]}-${MODES[match[2] ?? '']}`, 'major') : undefined;
}
