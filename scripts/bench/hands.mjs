import { exercises } from '../fit/exercises.mjs';
import { seeded } from '../lib/seeded.mjs';
import foldWeights from '../fit/fold-weights.json' with { type: 'json' };
import { median } from './figures.mjs';
import { tune, twoHands } from './made-pieces.mjs';

const finger = await import('../../src/core/fingering/index.ts');
const force = await import('../../src/core/forced/index.ts');
const job = { ...(await import('../../src/core/piece/index.ts')), ...(await import('../../src/core/views/index.ts')) };
const { parseKey } = await import('../../src/core/pitch/index.ts');
const { hopFlags } = await import('../../src/core/flags/index.ts');
const scales = await import('../../tests/support/scales.ts');
const published = await import('../../src/core/fingering/published.table.ts');
const { degreePitch, keyOf, upAndDown } = await import('../../tests/support/planning.ts');
const { handLine, passageOfLine } = await import('../../tests/support/passages.ts');
const { musicXml } = await import('../../tests/support/build-piece.ts');
const { USUAL } = await import('../../tests/support/open.ts');
const { USUAL_LANGUAGE } = await import('../../src/core/explain/index.ts');

const usual = finger.demandsOf(finger.USUAL_PLAYER);
const name = ({ tonic, mode, hand }) => `${tonic} ${mode} ${hand}`;

/** How many of a list are fingered as published, and which are not. */
function score(list, exerciseOf, demandsFor) {
  const judged = list.map((one) => ({
    one,
    ...scales.judge(exerciseOf(one), scales.fingersOf(exerciseOf(one), demandsFor(one)).fingers),
  }));
  const count = (test) => judged.filter(test).length;
  const missed = judged.filter(({ inner }) => !inner).map(({ one }) => name(one));
  return `inner ${count(({ inner }) => inner)}, exact ${count(({ exact }) => exact)} of ${list.length}${missed.length > 0 ? ` (not ${missed.join(', ')})` : ''}`;
}

/** The planner against published fingerings, on the keys it was fitted on and on others. */
export function measureFingerings() {
  const folds = foldWeights.map((weights) => finger.demandsOf(finger.USUAL_PLAYER, weights));
  // Fold f was fitted without the keys whose place in the circle is f modulo 2.
  const heldOut = (one) => folds[published.SCALE_TONICS[one.mode].indexOf(one.tonic) % 2];
  const gaps = exercises().map(({ exercise }) => scales.fingersOf(exercise, usual).gap);
  const chromatic = ['right', 'left'].filter(
    (hand) => scales.judge(scales.chromatic(hand), scales.fingersOf(scales.chromatic(hand), usual).fingers).inner,
  );
  return [
    ['scales, all keys in the fit', score(published.PUBLISHED_SCALES, scales.exerciseOf, () => usual)],
    ['arpeggios, all keys in the fit', score(published.PUBLISHED_ARPEGGIOS, scales.exerciseOf, () => usual)],
    ['chromatic scale, hands as published', `${chromatic.length} of 2`],
    ['scales, fitted on the other half of the keys', score(published.PUBLISHED_SCALES, scales.exerciseOf, heldOut)],
    [
      'arpeggios, fitted on the other half of the keys',
      score(published.PUBLISHED_ARPEGGIOS, scales.exerciseOf, heldOut),
    ],
    [
      'scales from the third degree, never in a fit',
      score(published.PUBLISHED_SCALES, scales.fromThirdDegree, () => usual),
    ],
    ['scales in broken thirds, never in a fit', brokenThirds()],
    [
      'plans proved to be the best, of all exercises',
      `${gaps.filter((gap) => gap < 1e-4).length} of ${gaps.length}, largest gap ${Math.max(...gaps).toFixed(2)}`,
    ],
  ];
}

/** There is no published fingering to hold broken thirds to: what a teacher would object to is counted. */
function brokenThirds() {
  let [hops, thumbs, notes] = [0, 0, 0];
  for (const { tonic, mode, hand } of published.PUBLISHED_SCALES) {
    const key = keyOf(`${tonic}-${mode}`);
    const degrees = Array.from({ length: 14 }, (_, i) => [i, i + 2]).flat();
    const line = upAndDown(degrees.map((degree) => degreePitch(key, degree, hand === 'right' ? 4 : 2)));
    const passage = passageOfLine(hand, handLine(hand, line.join(' ')), key);
    const study = force.studyHand(
      force.baselineOf(passage, usual),
      passage.notes.map(({ note }) => note.midi),
    );
    hops += hopFlags({ study, played: study.plan, notes: passage.notes.map(({ note }) => note) }).length;
    thumbs += study.plan.fingering.filter((one, i) => one === 1 && study.view.black[i] === 1).length;
    notes += passage.notes.length;
  }
  return `${hops} hops and ${thumbs} thumbs on black in ${notes} notes`;
}

const LEVEL_3 = { ...finger.USUAL_PLAYER, level: 3 };
const KEYS = ['C', 'G', 'D', 'A', 'E', 'B', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F'];

/** Of 200 generated tunes at level 3, how many have any new flag in each key, and any must or should. */
export function measureFlags() {
  const random = seeded(11);
  const tunes = Array.from({ length: 200 }, () => pieceOf(musicXml({ right: tune(random, 4), mode: 'major' })));
  return KEYS.map((to) => {
    const flags = tunes.map((piece) => moved(piece, to, LEVEL_3, 'counted').flags.filter(({ wasThere }) => !wasThere));
    const share = (test) => `${Math.round((100 * flags.filter((own) => own.some(test)).length) / tunes.length)} %`;
    return [
      `tunes with a new flag in ${to}`,
      `${share(() => true)}; must or should ${share(({ severity }) => severity !== 'watch')}`,
    ];
  });
}

function pieceOf(text) {
  return job.openPiece(new TextEncoder().encode(text), { format: null, key: null, part: null }).value;
}

function moved(piece, to, player, detail = 'full') {
  return job.moveTo(
    piece,
    job.asWritten(piece, player),
    { ...USUAL, player, fingering: 'plan', to: parseKey(to, 'major') },
    detail,
  ).value;
}

/** How long some work takes once, ms. */
function timed(work) {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** How long planning takes, warm, medians; a two-hand piece of 32 bars unless said otherwise. */
export function measureSpeed() {
  const text = twoHands(32, 9);
  const eightKeys = ['D', 'Eb', 'A', 'Bb', 'E', 'Ab', 'B', 'F#'];
  // Another piece each time: what was found out of one is remembered.
  const run = (seed) => {
    const piece = pieceOf(twoHands(32, seed));
    job.asWritten(piece, finger.USUAL_PLAYER);
    return eightKeys.map((to) => timed(() => moved(piece, to, finger.USUAL_PLAYER)));
  };
  for (let warm = 0; warm < 3; warm += 1) run(80 + warm);
  const one = median([1, 2, 3].flatMap((seed) => run(90 + seed)));
  const ladderMs = (bars, seed) => {
    const other = twoHands(bars, seed);
    return timed(() =>
      job.ladderOf(USUAL_LANGUAGE, pieceOf(other), { ...USUAL, fingering: 'plan' }, { order: 'ease' }),
    );
  };
  const fifteen = median(Array.from({ length: 5 }, (_, i) => ladderMs(32, 100 + i)));
  const [ladder50, ladder500] = [median([1, 2, 3].map((seed) => ladderMs(50, 200 + seed))), ladderMs(500, 300)];
  const edited = median(
    Array.from({ length: 12 }, (_, i) => {
      const notes = text.split('<step>');
      notes[10 + i] = notes[10 + i].replace(/^[A-G]/, (letter) => (letter === 'G' ? 'F' : 'G'));
      const other = pieceOf(notes.join('<step>'));
      return timed(() => job.asWritten(other, finger.USUAL_PLAYER));
    }),
  );
  const [short, long] = [50, 500].map((bars) => {
    return median(
      [3, 4, 5].map((seed) => {
        const other = pieceOf(twoHands(bars, seed));
        job.asWritten(other, finger.USUAL_PLAYER);
        return timed(() => moved(other, 'Eb', finger.USUAL_PLAYER));
      }),
    );
  });
  return [
    ['both hands planned again after one edited note (held to 30 ms, aim 10 ms)', `${edited.toFixed(0)} ms`],
    ['one key with all attributions (held to 80 ms)', `${one.toFixed(0)} ms`],
    ['the ladder of fifteen keys, the neutral plan included (held to 800 ms, aim 250 ms)', `${fifteen.toFixed(0)} ms`],
    ['the ladder of 500 bars against that of 50 (held to 11)', `${(ladder500 / ladder50).toFixed(1)}`],
    ['500 bars against 50, one key (held to 11)', `${(long / short).toFixed(1)}`],
  ];
}
