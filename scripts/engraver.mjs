// Puts the engraver where the application serves it. Its package has the program inside a script, as text; here the two are apart, so that
// a browser reads a small script, and compiles the program while it still comes in and only once.
import { existsSync, mkdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { ROOT } from './lib/run.mjs';

const PACKAGE = join(ROOT, 'node_modules/verovio');
const SCRIPT = join(PACKAGE, 'dist/verovio-module.mjs');
const { version } = JSON.parse(readFileSync(join(PACKAGE, 'package.json'), 'utf8'));
const ALL = join(ROOT, 'public/engraver');
const TO = join(ALL, version);

/** What takes the program out of the text, and what starts it; both as the package has them. */
const EMBEDDED = "binaryDecode('";
const STARTED = 'WebAssembly.instantiate(binary,imports)';
const STREAMED = "WebAssembly.instantiateStreaming(fetch(new URL('./verovio.wasm',import.meta.url)),imports)";

/** The place where a text that must be there once begins. */
function onlyPlaceOf(text, wanted) {
  const at = text.indexOf(wanted);
  if (at < 0 || text.indexOf(wanted, at + 1) >= 0)
    throw new Error(
      `verovio ${version} has “${wanted}” not just once: scripts/engraver.mjs does not know this release.`,
    );
  return at;
}

/** The script without the program in it. */
function withoutProgram(script) {
  const from = onlyPlaceOf(script, EMBEDDED);
  let end = from + EMBEDDED.length;
  while (script[end] !== "'") end += script[end] === '\\' ? 2 : 1;
  const apart = `${script.slice(0, from)}null${script.slice(end + "')".length)}`;
  onlyPlaceOf(apart, STARTED);
  return apart.replace(STARTED, STREAMED);
}

/** The program, as the package itself hands it to be started. */
async function program() {
  const { instantiate } = WebAssembly;
  let bytes = null;
  WebAssembly.instantiate = (given, imports) => {
    bytes = given;
    return instantiate(given, imports);
  };
  const { default: createModule } = await import(pathToFileURL(SCRIPT).href);
  await createModule();
  WebAssembly.instantiate = instantiate;
  if (bytes === null) throw new Error(`verovio ${version} starts in a way that scripts/engraver.mjs does not know.`);
  return bytes;
}

/** Whether what is served was made from the package, and by these lines, as they are now. */
function isMade() {
  const made = join(TO, 'verovio.wasm');
  return (
    existsSync(made) &&
    [SCRIPT, fileURLToPath(import.meta.url)].every((source) => statSync(source).mtimeMs <= statSync(made).mtimeMs)
  );
}

if (!isMade()) {
  rmSync(ALL, { recursive: true, force: true });
  mkdirSync(TO, { recursive: true });
  writeFileSync(join(TO, 'verovio.mjs'), withoutProgram(readFileSync(SCRIPT, 'utf8')));
  // Kept as it is sent: the server need not press it together each time (see next.config.ts).
  writeFileSync(join(TO, 'verovio.wasm'), gzipSync(await program()));
}
