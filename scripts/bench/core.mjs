import createVerovioModule from 'verovio/wasm';
import { VerovioToolkit } from 'verovio/esm';
import { median, timed } from './figures.mjs';
import { usualMove } from './usual-move.mjs';

const RUNS = 40;

/** How a piece is moved where nothing else is asked for. */
async function usualOptions() {
  const { USUAL_PLAYER } = await import('../../src/core/fingering/index.ts');
  return usualMove(USUAL_PLAYER);
}

/** How long the core takes, against how long Verovio takes to load the same file. */
export async function measureCore(bytes) {
  const job = {
    ...(await import('../../src/core/piece/index.ts')),
    ...(await import('../../src/core/views/index.ts')),
  };
  const { parseKey } = await import('../../src/core/pitch/index.ts');
  const { USUAL_LANGUAGE } = await import('../../src/core/explain/index.ts');
  const engraver = new VerovioToolkit(await createVerovioModule());
  const text = new TextDecoder().decode(bytes);
  const opened = () => job.openPiece(bytes, { format: null, key: null, part: null }).value;
  const piece = opened();
  const options = { ...(await usualOptions()), fingering: 'keep' };
  const move = () =>
    job.saveAs(
      piece,
      job.moveTo(piece, job.asWritten(piece), { ...options, to: parseKey('Eb', 'major') }).value,
      'musicxml',
    );

  const reading = median(timed(RUNS, opened));
  const moving = median(timed(RUNS, move));
  const ladder = median(timed(RUNS, () => job.ladderOf(USUAL_LANGUAGE, piece, options, { order: 'ease' })));
  const loading = median(timed(RUNS, () => engraver.loadData(text)));
  return [
    ['reading the file', `${reading.toFixed(1)} ms`],
    ['moving it and writing it out', `${moving.toFixed(1)} ms`],
    ['the ladder of fifteen keys', `${ladder.toFixed(1)} ms`],
    ['Verovio, loading the same file', `${loading.toFixed(1)} ms`],
    ['ratio: our transposition to Verovio’s load', (moving / loading).toFixed(2)],
    ['ratio: our reading and transposition to Verovio’s load', ((reading + moving) / loading).toFixed(2)],
  ];
}

/** How long the engraver takes for a plain load of the page that the Bench shows of a file, both versions, ms. */
export async function plainLoadMs(text) {
  const job = {
    ...(await import('../../src/core/piece/index.ts')),
    ...(await import('../../src/core/views/index.ts')),
  };
  const { parseKey } = await import('../../src/core/pitch/index.ts');
  const engraver = new VerovioToolkit(await createVerovioModule());
  engraver.setOptions({ breaks: 'encoded' });
  const piece = job.openPiece(new TextEncoder().encode(text), { format: null, key: null, part: null }).value;
  const before = job.asWritten(piece);
  const options = { ...(await usualOptions()), fingering: 'plan' };
  const after = job.moveTo(piece, before, { ...options, to: parseKey('Eb', 'major') }).value;
  const { USUAL_LANGUAGE } = await import('../../src/core/explain/index.ts');
  const page = {
    view: 'both',
    columns: 24,
    prefixes: { before: 'a-', after: 'b-' },
    labels: [],
    marks: [],
    tracks: 'shown',
  };
  const view = job.benchView(USUAL_LANGUAGE, piece, { before, after }, page);
  return median(timed(RUNS / 4, () => engraver.loadData(view.page.musicXml)));
}
