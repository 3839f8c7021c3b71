// Runs with the sources of one tree (NEW_THUMB_SOURCES): prints how long planning takes, as JSON, ms by what is done. The pieces are the same in all trees.
import '../lib/typescript.mjs';
import { seeded } from '../lib/seeded.mjs';
import { median } from './figures.mjs';
import { twoHands } from './made-pieces.mjs';
import { usualMove } from './usual-move.mjs';

const [seedText] = process.argv.slice(2);
const seed = Number(seedText);

/** A room of the core, by the names that it has had. */
async function room(...names) {
  for (const name of names) {
    const found = await import(`@/core/${name}/index`).catch((error) => {
      if (error.code !== 'ERR_MODULE_NOT_FOUND') throw error;
      return null;
    });
    if (found) return found;
  }
  throw new Error(`there is no room ${names.join(' or ')}`);
}

const core = {
  ...(await room('fingering', 'finger')),
  ...(await room('piece', 'job')),
  ...(await room('views', 'job')),
  ...(await room('survey')),
  ...(await room('pitch')),
  ...(await room('explain')),
};
const player = core.USUAL_PLAYER;
const USUAL = { ...usualMove(player), fingering: 'plan' };

const pieceOf = (text) => core.openPiece(new TextEncoder().encode(text), { format: null, key: null, part: null }).value;

function timed(work) {
  const start = performance.now();
  work();
  return performance.now() - start;
}

const EIGHT_KEYS = ['D', 'Eb', 'A', 'Bb', 'E', 'Ab', 'B', 'F#'];

function moved(piece, to) {
  core.moveTo(piece, core.asWritten(piece, player), { ...USUAL, to: core.parseKey(to, 'major') }, 'full');
}

/** Before the core spoke for each teacher, a ladder was not asked for in a language. */
const ladderOf = core.USUAL_LANGUAGE
  ? (piece) => core.ladderOf(core.USUAL_LANGUAGE, piece, USUAL, { order: 'ease' })
  : (piece) => core.ladderOf(piece, USUAL, 'ease');

/** Another piece each time: what was found out of one is remembered. */
function oneKey(from, bars = 32, keys = EIGHT_KEYS) {
  const piece = pieceOf(twoHands(bars, from));
  core.asWritten(piece, player);
  return keys.map((to) => timed(() => moved(piece, to)));
}

function ladder(from, bars = 32) {
  const piece = pieceOf(twoHands(bars, from));
  return timed(() => ladderOf(piece));
}

/** One note of a piece changes, and both hands are planned again where they stand. */
function edits(from, count) {
  const random = seeded(from);
  const text = twoHands(32, from);
  core.asWritten(pieceOf(text), player);
  return Array.from({ length: count }, () => {
    const notes = text.split('<step>');
    const at = 1 + Math.floor(random() * (notes.length - 1));
    notes[at] = notes[at].replace(/^[A-G]/, (letter) => (letter === 'G' ? 'F' : 'G'));
    const piece = pieceOf(notes.join('<step>'));
    return timed(() => core.asWritten(piece, player));
  });
}

/** Pieces of 8 to 32 bars in all keys, as on the shelf. */
function shelf(from, count) {
  return Array.from({ length: count }, (_, i) => {
    const piece = pieceOf(twoHands(8 + ((i * 7) % 25), from + i));
    return timed(() => core.fitPiece(piece, 'made', player));
  }).reduce((sum, ms) => sum + ms, 0);
}

for (let warm = 0; warm < 3; warm += 1) {
  oneKey(80 + warm);
  ladder(70 + warm);
}
edits(90, 6);
shelf(60, 4);

const several = (count, work) => Array.from({ length: count }, (_, i) => work(i));
const at = 1000 * (seed + 1);
console.log(
  JSON.stringify({
    'one key with all attributions': median(several(3, (i) => oneKey(at + i)).flat()),
    'the ladder of fifteen keys': median(several(5, (i) => ladder(at + 100 + i))),
    'both hands again after one edited note': median(several(3, (i) => edits(at + 200 + i, 8)).flat()),
    'a shelf of 20 pieces in fifteen keys': shelf(at + 300, 20),
    'one key, 50 bars': median(several(3, (i) => oneKey(at + 400 + i, 50, ['Eb', 'A'])).flat()),
    'one key, 500 bars': median(several(2, (i) => oneKey(at + 500 + i, 500, ['Eb', 'A'])).flat()),
    'the ladder, 50 bars': median(several(3, (i) => ladder(at + 600 + i, 50))),
    'the ladder, 500 bars': ladder(at + 700, 500),
  }),
);
