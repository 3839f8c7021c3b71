// What the weights are fitted on: published scales and arpeggios, the chromatic scale, small patterns of the trade, and tunes in one
// closed position, which must keep the closed hand.
import '../lib/typescript.mjs';
import { seeded } from '../lib/seeded.mjs';

const finger = await import('../../src/core/fingering/index.ts');
const scales = await import('../../tests/support/scales.ts');
const published = await import('../../src/core/fingering/published.table.ts');
const { handLine, passageOfLine } = await import('../../tests/support/passages.ts');
const { keyOf } = await import('../../tests/support/planning.ts');

/** Chords, patterns and half tunes with their usual fingers, low notes first. Source: handbook and the fingering model's check cases,
 * common practice, from memory. `weight` is how much a miss counts; the level is 4 where none is said. */
const PATTERNS = [
  ['right', 'C4 E4 G4 C5', '1235'],
  ['left', 'C3 E3 G3 C4', '5421'],
  ['left', 'G2 C3 E3 G3', '5321'],
  ['right', 'E4 G4 C5 E5', '1245'],
  ['right', 'G4 C5 E5 G5', '1245'],
  ['left', 'E3 G3 C4 E4', '5421'],
  ['right', '[C4 E4 G4]', '135'],
  ['right', '[E4 G4 C5]', '125'],
  ['right', '[G4 C5 E5]', '135'],
  ['left', '[C3 E3 G3]', '531'],
  ['left', '[E3 G3 C4]', '531'],
  ['left', '[G3 C4 E4]', '521'],
  ['right', '[C4 E4 G4 C5]', '1235'],
  ['right', '[E4 G4 C5 E5]', '1245'],
  ['left', '[C3 E3 G3 C4]', '5421'],
  ['left', '[E3 G3 C4 E4]', '5421'],
  ['left', '[G3 C4 E4 G4]', '5321'],
  ['left', '[C3 E3 G3]:2 [C3 F3 A3]:2 [B2 F3 G3]:2 [C3 E3 G3]:2', '531521521531'],
  ['right', 'E4 F4 G4 F4 [E4 E5]:2', '123215'],
  ['left', '[C3 G3] [C3 A3] [C3 G3] [C3 A3]', '52515251', 4],
  ['left', "[C3 G3]' [C3 A3]' [C3 G3]' [C3 A3]'", '51515151'],
  ['left', 'C3 C4 C3 C4 C3 C4', '515151'],
  ['left', 'C3 G3 E3 G3 C3 G3 E3 G3', '51315131', 4],
  ['left', 'C3 E3 G3 E3 C3 E3 G3 E3', '53135313', 4],
  ['right', 'C4 E4 G4 E4 C4 E4 G4 E4', '13531353', 4],
  ['right', 'E4 D4 C4 D4 E4:2 | G4 A4 B4 C5 D5:2', '3212312345'],
];

const POSITIONS = [
  ['right', 'C4 D4 E4 F4 G4', 'C'],
  ['left', 'C3 D3 E3 F3 G3', 'C'],
  ['right', 'G4 A4 B4 C5 D5', 'G'],
  ['right', 'D4 E4 F#4 G4 A4', 'D'],
  ['left', 'F3 G3 A3 Bb3 C4', 'F'],
];
const TUNES_EACH = 8;

/** All exercises; `fold` is 0 or 1 for those of every other key, null for those that both folds train on. */
export function exercises() {
  return [
    ...ofKeys('scale', published.PUBLISHED_SCALES),
    ...ofKeys('arpeggio', published.PUBLISHED_ARPEGGIOS),
    ...chromatics(),
    ...patterns(),
    ...closedTunes(),
  ];
}

function ofKeys(kind, list) {
  return list.map((one) => ({
    kind,
    weight: 1,
    fold: published.SCALE_TONICS[one.mode].indexOf(one.tonic) % 2,
    ...prepared(scales.exerciseOf(one)),
  }));
}

function chromatics() {
  return ['right', 'left'].map((hand) => ({
    kind: 'chromatic',
    weight: 1,
    fold: null,
    ...prepared(scales.chromatic(hand)),
  }));
}

function patterns() {
  return PATTERNS.map(([hand, text, fingers, weight = 1]) => ({
    kind: 'pattern',
    weight,
    fold: null,
    ...prepared({
      passage: passageOfLine(hand, handLine(hand, text), keyOf('C')),
      wanted: fromThumb(hand, text, fingers),
      free: [],
      startsOnBlack: false,
    }),
  }));
}

/** Chords of the left hand are written from 5; the planner lists fingers from the thumb. */
function fromThumb(hand, text, fingers) {
  if (hand === 'right') return fingers;
  let at = 0;
  return text
    .match(/\[[^\]]*\]|[A-G]\S*/g)
    .map((token) => {
      const count = token.startsWith('[') ? token.split(' ').length : 1;
      at += count;
      return [...fingers.slice(at - count, at)].reverse().join('');
    })
    .join('');
}

function closedTunes() {
  const random = seeded(77);
  return POSITIONS.flatMap(([hand, notes, key]) =>
    Array.from({ length: TUNES_EACH }, () => {
      const places = walk(random);
      const names = notes.split(' ');
      const passage = passageOfLine(hand, handLine(hand, places.map((at) => names[at]).join(' ')), keyOf(key));
      return {
        kind: 'closed tune',
        weight: 2,
        fold: null,
        ...prepared({
          passage,
          wanted: places.map((at) => (hand === 'right' ? at + 1 : 5 - at)).join(''),
          free: [],
          startsOnBlack: false,
        }),
      };
    }),
  );
}

/** A walk over five keys from one end to the other and on. */
function walk(random) {
  const places = [0, 4];
  while (places.length < 16) {
    const step = random() < 0.6 ? 1 : random() < 0.6 ? 2 : random() < 0.5 ? 3 : 0;
    places.push(Math.max(0, Math.min(4, places.at(-1) + (random() < 0.5 ? step : -step))));
  }
  return places;
}

function prepared(exercise) {
  const { passage } = exercise;
  const view = finger.realView(
    passage,
    passage.notes.map(({ note }) => note.midi),
  );
  return { exercise, view, groups: finger.groupsOf(passage.events.map(({ likeness }) => likeness)) };
}
