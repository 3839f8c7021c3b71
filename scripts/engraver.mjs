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

/** The smallest score that has a sign among its text: a metronome mark. */
const PROBE =
  '<score-partwise version="4.0"><part-list><score-part id="P"><part-name/></score-part></part-list><part id="P"><measure number="1">' +
  '<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>' +
  '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>60</per-minute></metronome></direction-type></direction>' +
  '<note><rest/><duration>4</duration><type>whole</type></note></measure></part></score-partwise>';

/** The font of the signs that stand among text, as a style sheet. The engraver would put it into every picture; once in the document it serves all. */
async function textFont() {
  const [{ default: createModule }, { VerovioToolkit }] = [await import('verovio/wasm'), await import('verovio/esm')];
  const toolkit = new VerovioToolkit(await createModule());
  toolkit.setOptions({ font: 'Bravura', breaks: 'none', smuflTextFont: 'embedded' });
  toolkit.loadData(PROBE);
  const [rule] = /@font-face\s*\{[^}]*\}/.exec(toolkit.renderToSVG(1)) ?? [];
  if (!rule) throw new Error(`verovio ${version} has no font for text that scripts/engraver.mjs knows of.`);
  return rule.replaceAll('&quot;', '"').replaceAll('&amp;', '&');
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
  writeFileSync(join(TO, 'text-font.css'), await textFont());
  // Kept as it is sent: the server need not press it together each time (see next.config.ts).
  writeFileSync(join(TO, 'verovio.wasm'), gzipSync(await program()));
}
