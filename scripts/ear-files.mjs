// Puts what the ear listens with where the application serves it: how the keys of a piano sound, made from the recordings that ship; the model that listens once more
// afterwards, from its package; and what runs it.
import { copyFileSync, existsSync, mkdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import './lib/typescript.mjs';
import { recordedKeys } from './ear/recordings.mjs';
import { ROOT } from './lib/run.mjs';

const TO = join(ROOT, 'public/ear');
const MADE = join(TO, 'templates.bin');
const HEARING = ['bands', 'fourier', 'resample', 'templates'].map((name) => join(ROOT, `src/core/hearing/${name}.ts`));
const MODEL = join(ROOT, 'node_modules/@spotify/basic-pitch/model');
const RUNTIME = join(ROOT, 'node_modules/@tensorflow/tfjs-backend-wasm/dist');
const COPIES = [
  [join(MODEL, 'model.json'), 'model.json'],
  [join(MODEL, 'group1-shard1of1.bin'), 'group1-shard1of1.bin'],
  ...['tfjs-backend-wasm.wasm', 'tfjs-backend-wasm-simd.wasm'].map((name) => [join(RUNTIME, name), name]),
];
/** So much of a recording is looked at. Unit: s. */
const SECONDS = 1;

/** Whether the templates were made by these lines as they are now. */
function isMade() {
  if (!existsSync(MADE)) return false;
  const madeAt = statSync(MADE).mtimeMs;
  return [fileURLToPath(import.meta.url), ...HEARING].every((source) => statSync(source).mtimeMs <= madeAt);
}

if (!isMade()) {
  const { createResampler, HEARD_RATE, noteTemplates } = await import('../src/core/hearing/index.ts');
  rmSync(TO, { recursive: true, force: true });
  mkdirSync(TO, { recursive: true });
  for (const [from, name] of COPIES) copyFileSync(from, join(TO, name));
  const templates = noteTemplates(await recordedKeys(createResampler, HEARD_RATE, SECONDS));
  writeFileSync(MADE, new Uint8Array(templates.buffer));
}
