// Puts the fonts of printed sheets where the application serves them: the pages on the screen and the PDF are set in the same files. The sans has the letters; what it
// lacks (sharps, flats, boxes) comes from a second font. Notes among words, as in a
// metronome mark, come from a font of music.
import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';

const FONTS = join(ROOT, 'node_modules/@fontsource');
const TO = join(ROOT, 'public/print');

mkdirSync(TO, { recursive: true });
for (const weight of [400, 700]) {
  const files = [
    [`source-sans-3/files/source-sans-3-latin-${weight}-normal.woff`, `sans-${weight}.woff`],
    [`source-sans-3/files/source-sans-3-latin-ext-${weight}-normal.woff`, `sans-ext-${weight}.woff`],
    [`dejavu-sans/files/dejavu-sans-latin-${weight}-normal.woff`, `signs-${weight}.woff`],
  ];
  for (const [from, to] of files) copyFileSync(join(FONTS, from), join(TO, to));
}

copyFileSync(join(FONTS, 'noto-music/files/noto-music-music-400-normal.woff'), join(TO, 'music.woff'));
