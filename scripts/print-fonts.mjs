// Puts the fonts of printed sheets where the application serves them: the pages on the screen and the PDF are set in the same files. The sans has the letters; what it
// lacks (sharps, flats, boxes) comes from a second font. Notes among words, as in a
// metronome mark, come from a font of music. They are unpacked here: who draws a PDF would unpack the whole font anew for each letter.
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { convert } from 'fontverter';
import { ROOT } from './lib/run.mjs';

const FONTS = join(ROOT, 'node_modules/@fontsource');
const TO = join(ROOT, 'public/print');

const FILES = [
  ...[400, 700].flatMap((weight) => [
    [`source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`, `sans-${weight}.ttf`],
    [`source-sans-3/files/source-sans-3-latin-ext-${weight}-normal.woff`, `sans-ext-${weight}.ttf`],
    [`dejavu-sans/files/dejavu-sans-latin-${weight}-normal.woff`, `signs-${weight}.ttf`],
  ]),
  ['noto-music/files/noto-music-music-400-normal.woff', 'music.ttf'],
];

const isThere = (place, bytes) => existsSync(place) && readFileSync(place).equals(bytes);

mkdirSync(TO, { recursive: true });
for (const [from, to] of FILES) {
  const bytes = Buffer.from(await convert(readFileSync(join(FONTS, from)), 'sfnt'));
  const place = join(TO, to);
  // A server may be giving them out at this moment: what is there already stays, and what is new comes whole.
  if (isThere(place, bytes)) continue;
  writeFileSync(`${place}.part`, bytes);
  renameSync(`${place}.part`, place);
}
