// Puts the fonts of signs for the screens where the build takes them in: ♯, ♭, arrows and whatever else our own words have that the letters' fonts lack. Whole they
// would be half a megabyte; of each only the signs are left that stand in the sources.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { ROOT } from './lib/run.mjs';

const FONTS = join(ROOT, 'node_modules/@fontsource');
const TO = join(ROOT, 'src/app/fonts');

const FILES = [
  ['dejavu-sans/files/dejavu-sans-latin-400-normal.woff2', 'signs-400.woff2'],
  ['dejavu-sans/files/dejavu-sans-latin-700-normal.woff2', 'signs-700.woff2'],
  ['noto-music/files/noto-music-music-400-normal.woff2', 'music-400.woff2'],
];

/** Signs that teachers may write in titles themselves. */
const TEACHERS_SIGNS = '♩♪♫♬♭♮♯𝄪𝄫𝄐𝄑';

/** A source with its signs written out, where they are named by number. */
function writtenOut(source) {
  return source.replace(/\\u\{?([0-9a-fA-F]{4,5})\}?/g, (_, code) => String.fromCodePoint(parseInt(code, 16)));
}

/** Every sign beyond ASCII that stands in a source. */
function signsOfSources() {
  const signs = new Set(TEACHERS_SIGNS);
  for (const name of readdirSync(join(ROOT, 'src'), { recursive: true, encoding: 'utf8' })) {
    if (!/\.(ts|tsx|css)$/.test(name)) continue;
    for (const sign of writtenOut(readFileSync(join(ROOT, 'src', name), 'utf8'))) if (sign > '\u007f') signs.add(sign);
  }
  return [...signs].sort().join('');
}

mkdirSync(TO, { recursive: true });
const signs = signsOfSources();
for (const [from, to] of FILES)
  writeFileSync(join(TO, to), await subsetFont(readFileSync(join(FONTS, from)), signs, { targetFormat: 'woff2' }));
