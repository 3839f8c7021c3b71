import { groupsOf, latticeOf, NO_EXTRA, realView, solveConsistent, type Demands, type Passage } from '@/core/fingering';
import { baselineOf, studyHand } from '@/core/forced';
import { pitchClass } from '@/core/pitch';
import { isBlackKey } from '@/core/keyboard';
import { handLine, passageOfLine } from './passages';
import { degreePitch, keyOf, upAndDown } from './planning';
import { PUBLISHED_CHROMATIC, type PublishedFingering } from '../../src/core/fingering';
import type { Hand } from '@/core/score';

/** A line to be fingered and the fingers that are published for it. `free` are the places of the first, the top and the last note. */
export interface Exercise {
  readonly passage: Passage;
  readonly wanted: string;
  readonly free: readonly number[];
  readonly startsOnBlack: boolean;
}

const OCTAVES = 2;

/** Two octaves up and down, of a scale (seven degrees) or an arpeggio (three). */
export function exerciseOf(published: PublishedFingering): Exercise {
  const { hand, degrees } = published;
  const size = degrees.length;
  const degreeAt = (i: number): number => (size === 7 ? i : 7 * Math.floor(i / 3) + ([0, 2, 4][i % 3] as number));
  const count = size * OCTAVES;
  const fingerAt = (i: number): string =>
    i === 0 ? published.first : i === count ? published.top : (degrees[i % size] as string);
  return exercise(
    published,
    Array.from({ length: count + 1 }, (_, i) => degreeAt(i)),
    (i) => fingerAt(i),
    hand,
  );
}

/** The same scale begun on its third degree: there and back over two octaves. */
export function fromThirdDegree(published: PublishedFingering): Exercise {
  const places = Array.from({ length: 7 * OCTAVES + 1 }, (_, i) => i + 2);
  return exercise(published, places, (i) => published.degrees[(i + 2) % 7] as string, published.hand);
}

function exercise(
  published: PublishedFingering,
  degrees: readonly number[],
  fingerAt: (i: number) => string,
  hand: Hand,
): Exercise {
  const key = keyOf(`${published.tonic}-${published.mode}`);
  const octave = hand === 'right' ? 4 : 2;
  const text = upAndDown(degrees.map((degree) => degreePitch(key, degree, octave))).join(' ');
  const wanted = upAndDown(degrees.map((_, i) => fingerAt(i))).join('');
  return {
    passage: passageOfLine(hand, handLine(hand, text), key),
    wanted,
    free: [0, degrees.length - 1, wanted.length - 1],
    startsOnBlack: isBlackKey(pitchClass(key.tonic)),
  };
}

/** The chromatic scale from C, two octaves up and down; its ends are free. */
export function chromatic(hand: Hand): Exercise {
  const names = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
  const up = Array.from(
    { length: 12 * OCTAVES + 1 },
    (_, i) => `${names[i % 12]}${(hand === 'right' ? 4 : 2) + Math.floor(i / 12)}`,
  );
  const wanted = upAndDown(up.map((_, i) => PUBLISHED_CHROMATIC[hand][i % 12] as string)).join('');
  return {
    passage: passageOfLine(hand, handLine(hand, upAndDown(up).join(' ')), keyOf('C')),
    wanted,
    free: [0, wanted.length - 1],
    startsOnBlack: false,
  };
}

/** Plans an exercise without any printed finger. */
export function fingersOf({ passage }: Exercise, demands: Demands): { readonly fingers: string; readonly gap: number } {
  const lattice = latticeOf(
    passage,
    realView(
      passage,
      passage.notes.map(({ note }) => note.midi),
    ),
    demands,
  );
  const path = solveConsistent(lattice, groupsOf(passage.events.map(({ likeness }) => likeness)), NO_EXTRA);
  return { fingers: path.steps.map(({ grip }) => grip.fingers.join('')).join(''), gap: path.cost - path.bound };
}

/** `inner`: all fingers right but perhaps the first, the top and the last, where editions differ. `exact`: these too, or another published
 * choice: on a black key 2, 3 or 4 beside the thumb (several editions, from memory). */
export function judge(
  { wanted, free, startsOnBlack }: Exercise,
  fingers: string,
): { readonly inner: boolean; readonly exact: boolean } {
  const isRight = (i: number): boolean => fingers[i] === wanted[i];
  const inner = [...wanted].every((_, i) => free.includes(i) || isRight(i));
  const besideThumb = (i: number): boolean => fingers[i === 0 ? 1 : i - 1] === '1';
  const isPublished = (i: number): boolean =>
    isRight(i) || (startsOnBlack && besideThumb(i) && '234'.includes(fingers[i] as string));
  return { inner, exact: inner && free.every(isPublished) };
}

/** The fingers that the application writes for an exercise: with what is standard as well as with the costs of the hand. */
export function writtenFor({ passage }: Exercise, demands: Demands): string {
  const midis = passage.notes.map(({ note }) => note.midi);
  return studyHand(baselineOf(passage, demands), midis).plan.fingering.join('');
}
