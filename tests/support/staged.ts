import fc from 'fast-check';
import { handNotes, type HandNote, type Score } from '@/core/score';
import { musicXml } from './build-piece';

/** The pupil's notes of a score, by their ids. */
export function notesById(score: Score): ReadonlyMap<string, HandNote> {
  const notes = score.parts.flatMap((part) => (part.staves > 1 ? handNotes(part, score.ticksPerQuarter) : []));
  return new Map(notes.map((note) => [note.id, note]));
}

/** Left hands of one bar: broken octaves, Alberti, broken triads, waltz bars, chords, drones, with their fingers. */
const LEFT = [
  'C3e/5 C4e/1 C3e/5 C4e/1 G2e/5 G3e/1 G2e/5 G3e/1',
  'C3q/5 C4q/1 C3q/5 C4q/1',
  'C3e/5 G3e/1 E3e/3 G3e/1 C3e/5 G3e/1 E3e/3 G3e/1',
  'B2e/5 G3e/1 F3e/2 G3e/1 C3e/5 G3e/1 E3e/3 G3e/1',
  'C3q/5 E3q/3 G3q/1 E3q/3',
  'C3+E3+G3h/5/3/1 B2+F3+G3h/5/2/1',
  'C3h/5 G3h/1',
  'C3w/5~',
  'C3h/5 Rh',
  'F2q/5 C3q/2 F3q/1 C3q/2',
];
const RIGHT = [
  'C4q/1 D4q/2 E4q/3 F4q/4',
  'G4h/5 E4h/3',
  'C5q/1 D5q/2 E5q/3 G5q/5',
  'E4e/3 F4e/4 G4e/5 F4e/4 E4q/3 Rq',
  'D4q/2 F#4q/4 G4h/5',
  'C4+E4h/1/3 D4+F4h/2/4',
  'G4q/5~',
  "E5q/3' D5q/2' C5h/1)",
];

/** A piece of two hands in four bars a line: bars put together at random from those that beginners' pieces are made of. */
export const beginnersPiece: fc.Arbitrary<string> = fc
  .array(fc.tuple(fc.nat(RIGHT.length - 1), fc.nat(LEFT.length - 1)), { minLength: 2, maxLength: 5 })
  .map((bars) => {
    const right = bars.map(([at]) => (RIGHT[at] as string).replace('G4q/5~', 'G4q/5 F4q/4 E4h/3~'));
    const left = bars.map(([, at]) => LEFT[at] as string);
    // What is tied on has its other end in the bar that follows, or goes.
    const tiedOn = right.map((bar, i) => {
      const isTied = i > 0 && (right[i - 1] as string).endsWith('~');
      return isTied ? bar.replace(/^\S+/, (first) => `E4${/[whqe](?=[/~') ]|$)/.exec(first)?.[0] ?? 'q'}`) : bar;
    });
    const leftOn = left.map((bar, i) => (i > 0 && (left[i - 1] as string).endsWith('~') ? 'C3w' : bar));
    const closed = (lines: readonly string[]): string =>
      lines
        .join(' | ')
        .replace(/~$/, '')
        .replace(/~(?= \| (?!E4|C3w))/g, '');
    return musicXml({ right: closed(tiedOn), left: closed(leftOn), mode: 'major' });
  });
