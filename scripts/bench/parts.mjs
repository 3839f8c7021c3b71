// What can be measured, in the order of the page. A part is named on the command line; one that takes an hour is measured only where it is named.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/run.mjs';

const piece = readFileSync(join(ROOT, 'public/demo/lantern-walk.musicxml'));
const text = new TextDecoder().decode(piece);

/** A part that is measured in Node; the module with the measure is loaded only then. */
const inNode = (name, heading, measure, note = '') => ({ name, heading, note, needs: 'node', measure });
/** A part that is measured against the served build; most of them in Chromium. */
const served = (name, heading, measure, note = '') => ({ name, heading, note, needs: 'server', measure });

export const PARTS = [
  inNode('core', 'The core: Lantern Walk, 8 bars, two hands, medians of 40 runs in Node', async () =>
    (await import('./core.mjs')).measureCore(piece),
  ),
  inNode(
    'hands',
    'Fingers: two octaves against Hanon 1873, nos 39–41 (from memory), flags, and how long planning takes',
    async () => {
      const { measureFingerings, measureFlags, measureSpeed } = await import('./hands.mjs');
      return [...measureFingerings(), ...measureFlags(), ...measureSpeed()];
    },
    '_Inner_: all notes right but perhaps the first, the top and the last, where editions differ; _exact_: these too. `npm run bench -- against REVISION` measures planning here and at a revision, in turn in one run. `node scripts/fit-weights.mjs` fits the two folds again.',
  ),
  inNode('stages', 'Stages', async () => (await import('./stages.mjs')).measureStages()),
  inNode(
    'judging',
    'Judging: the simulated pupil (which knows nothing of the judge) over the demo pieces in keys drawn by seed, times straying by 25 ms',
    async () => (await import('./judging.mjs')).measureJudging(),
  ),
  inNode(
    'ear',
    'The ear: sixty performances of simulated pupils on Debian’s fluid-soundfont-gm and timgm6mb-soundfont, in rooms, with noise, out of tune',
    async () => (await import('./ear.mjs')).measureEar(),
    'No real piano is among them. What each figure means, and what breaks the ear, stands in [the-ear.md](the-ear.md).',
  ),
  inNode('files', 'Long, odd and spoiled files', async () => (await import('./long-and-odd.mjs')).measureLongAndOdd()),
  inNode(
    'keys',
    'Keys of published tunes',
    async () => (await import('./keys.mjs')).measureKeys(),
    'The tunes are those of Debian’s packages abcm2ps and abcmidi, read where they are installed (`apt-get install abcm2ps abcmidi`); the weights of the key finder were fitted with them in view.',
  ),
  inNode(
    'spelling',
    'Spelling of the same tunes from MIDI without key signatures',
    async () => (await import('./spelling.mjs')).measureSpelling(),
    'Most of what is missed are demonstrations that sound alone cannot decide (a tune in E♭ minor or D♯ minor, one in seven sharps, drum voices).',
  ),
  inNode(
    'typing',
    'Key presses a note, demo pieces typed from nothing by finger numbers (modifiers counted; words, slurs, dynamics apart)',
    async () => (await import('./entering.mjs')).countPresses(),
    'Two Boats and Slow Ferris are above 1.3 by themselves: eight of the one’s 41 presses are rests of whole bars, and the other’s 25 notes carry the five presses that begin a piece in G, 3/4, with a pick-up.',
  ),
  served(
    'pages',
    'Scripts of each page, compressed, before the engraver',
    async ({ address }) => (await import('./page-weight.mjs')).measurePageWeight(address),
    'Of each page 137 kB are React and Next, 32 kB the store, about 60 kB our own words and what words them: none of it waits for a press.',
  ),
  served('first', 'The first visit, and a later one without a server', async (at) =>
    (await import('./first-load.mjs')).measureFirstLoad(at),
  ),
  served('load', 'Two hundred callers at once for a minute, a tenth of them with ill will', async (at) =>
    (await import('./load.mjs')).measureLoad(at),
  ),
  inNode(
    'siege',
    'Forty good callers beside two who send 18 kB of ABC in a loop, three hundred who send drop by drop, and thirty bodies of 9 MB at once',
    async () => (await import('./load.mjs')).measureSieges(),
  ),
  served(
    'bench',
    'The Bench in Chromium, from the press of “]” to the engraved page, 28 presses',
    async ({ address }) => {
      const [{ measureKeyPress }, { plainLoadMs }] = await Promise.all([
        import('./key-press.mjs'),
        import('./core.mjs'),
      ]);
      return measureKeyPress(address, text, plainLoadMs);
    },
  ),
  served('rail', 'Along the rail of stages in Chromium, Mill Wheel', async ({ address }) =>
    (await import('./stages.mjs')).measureStageSteps(address),
  ),
  served('answering', 'The pupil’s page in Chromium, from a MIDI event to the light on its note', async ({ address }) =>
    (await import('./answering.mjs')).measureAnswering(address),
  ),
  served('sounding', 'What is heard on the pupil’s page in Chromium, rendered', async ({ address }) =>
    (await import('./sounding.mjs')).measureSounding(address, piece),
  ),
  served('entering', 'Entering in Chromium, 30 presses in the middle of a piece', async ({ address }) =>
    (await import('./entering.mjs')).measureEntering(address),
  ),
  served(
    'microphone',
    'The ear in Chromium, from its fake microphone to the light on the note, six notes on fluid-soundfont-gm',
    async (at) => (await import('./microphone.mjs')).measureMicrophone(at),
  ),
  served('sheets', 'Sheets in Chromium, an eight-bar piece', async ({ address }) =>
    (await import('./printing.mjs')).measurePrinting(address),
  ),
  served(
    'studio',
    'A studio of 100 pupils and two years, made by seed: 50,000 runs, 10,400 cards, 10,400 notes of lessons, a file of 50 MB',
    async ({ address }) => (await import('./large-studio.mjs')).measureLargeStudio(address),
    'Medians of five looks, from the press of the link to what is seen (the way between screens is in it). Lists read runs in short, by indexes: what is left is drawing, and a browser’s store that takes 200 µs for each record that is written.',
  ),
  served(
    'shelf',
    'The shelf of 1,000 made pieces of 8 to 32 bars, two hands, in fifteen keys, in Chromium',
    async ({ address }) => (await import('./shelf.mjs')).measureShelf(address),
  ),
  {
    ...served('hour', 'An hour of scripted use in Chromium, one tab', async ({ address }) =>
      (await import('./hour.mjs')).measureHour(address),
    ),
    isLong: true,
  },
  {
    ...served('listening', 'An hour of listening by microphone in Chromium, one run', async (at) =>
      (await import('./microphone.mjs')).measureListeningHour(at),
    ),
    isLong: true,
  },
];
