// Fits the planner's weights on half of the keys at a time and writes them down for `npm run bench`, which judges each half by the weights
// of the other. With `all`, fits on all keys and prints the weights for src/core/fingering/rules.table.ts.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { exercises } from './fit/exercises.mjs';
import { train } from './fit/train.mjs';
import { ROOT } from './lib/run.mjs';

/** Where a fit begins: the weights of the project's fingering model, and our own first guess for the rules it does not have. None of
 * them was found with the keys that a fold is judged by. */
const FIRST = {
  stretch: 0.5,
  smallThumb: 0.5,
  smallUnder: 0.5,
  small: 2.25,
  largeThumb: 1,
  large: 0.5,
  weakFour: 0.3,
  weakFive: 0.1,
  threeFour: 0.7,
  innerPattern: 2,
  innerArpeggio: 0.5,
  innerFinger: 2.5,
  chordOuter: 2,
  fourBlack: 0.35,
  twoBlack: 0.4,
  thumbBlack: 1.25,
  thumbBlackNeighbour: 2,
  fiveBlackNeighbour: 1.5,
  betweenBlack: 0.1,
  chromaticBlack: 3,
  chromaticWhite: 3,
  pass: 3.2,
  passDistance: 0.3,
  passFour: 0.55,
  passSpan: 0.1,
  passSwing: 0.5,
  passLevel: 0.4,
  passThumbBlack: 3,
  move: 4,
  moveLetters: 0.5,
  legatoMove: 3,
  leap: 2,
  disguisedPass: 6,
  hop: 4,
  chordHop: 1,
  change: 1,
  changeLetters: 1,
  repeat: 0,
  open: 0.8,
  contract: 2.7,
};

const list = exercises();
if (process.argv[2] === 'all') {
  console.log(train(list, FIRST, console.log));
} else {
  const folds = [0, 1].map((left) =>
    train(
      list.filter(({ fold }) => fold !== left),
      FIRST,
      console.log,
    ),
  );
  writeFileSync(join(ROOT, 'scripts/fit/fold-weights.json'), `${JSON.stringify(folds, null, 1)}\n`);
}
