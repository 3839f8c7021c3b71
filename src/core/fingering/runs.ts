import { memoOf } from '../base';
import { fifthsOf, parseName } from '../pitch';
import type { Hand } from '../score';
import { PUBLISHED_ARPEGGIOS, PUBLISHED_MELODIC, PUBLISHED_SCALES, type PublishedFingering } from './published.table';
import type { Passage, PassageEvent, PassageNote } from './passage';

/** A run of a scale or an arpeggio with its published fingers: one entry a note, as bits, finger 1 the lowest. */
export interface Run {
  readonly kind: 'scale' | 'arpeggio';
  readonly published: PublishedFingering;
  /** One of its notes that is the tonic. */
  readonly tonic: number;
  readonly fingers: ReadonlyMap<number, number>;
}

/** From so many notes on a run goes beyond one position: six letters, or four keys of a chord and more than an octave. */
const LEAST_NOTES = { scale: 6, arpeggio: 5 } as const;

/** Half steps of the degrees above the tonic: major, and harmonic, melodic and natural minor. `published` are tables of fingers, the first that has the key
 * counts. Common practice. */
const SCALES: readonly {
  readonly mode: 'major' | 'minor';
  readonly degrees: readonly number[];
  readonly published: readonly PublishedFingering[];
}[] = [
  { mode: 'major', degrees: [0, 2, 4, 5, 7, 9, 11], published: PUBLISHED_SCALES },
  { mode: 'minor', degrees: [0, 2, 3, 5, 7, 8, 11], published: PUBLISHED_SCALES },
  { mode: 'minor', degrees: [0, 2, 3, 5, 7, 9, 11], published: [...PUBLISHED_MELODIC, ...PUBLISHED_SCALES] },
  { mode: 'minor', degrees: [0, 2, 3, 5, 7, 8, 10], published: PUBLISHED_SCALES },
];

/** Degrees of the tonic triad, the tonic as 0. */
const TRIAD: readonly number[] = [0, 2, 4];

/** The runs of scales and arpeggios in a passage, on the keys that are given: one entry a note, MIDI numbers. Wherever they begin, the fingers are those of
 * the key that the notes are in. O(notes) time. */
export function runsOf(passage: Passage, midis: readonly number[]): readonly Run[] {
  return stretchesOf(passage).flatMap(({ kind, notes }) => {
    const home = homeOf(passage, midis, kind, notes);
    if (!home) return [];
    const tonic = notes[home.degrees.indexOf(0)] as number;
    return [{ kind, published: home.published, tonic, fingers: fingersOf(passage.hand, kind, notes, home) }];
  });
}

/** The notes that lie in a run in some key, whichever it is; a scale counts from so many notes on. */
export function notesInRuns(passage: Passage, leastOfScale: number): ReadonlySet<number> {
  return new Set(
    stretchesOf(passage)
      .filter(({ kind, notes }) => kind === 'arpeggio' || notes.length >= leastOfScale)
      .flatMap(({ notes }) => notes),
  );
}

interface RunOfNotes {
  readonly kind: Run['kind'];
  readonly notes: readonly number[];
}

/** Notes one after the other in one direction, by steps or over the keys of a triad. */
const stretchesOf = memoOf((passage: Passage): readonly RunOfNotes[] => {
  const { events, notes } = passage;
  const letterAt = (t: number): number | null => {
    const event = events[t] as PassageEvent;
    return event.struck.length === 1 && event.held.length === 0
      ? (notes[event.struck[0] as number] as PassageNote).letter
      : null;
  };
  const found: RunOfNotes[] = [];
  const take = (kind: Run['kind'], from: number, to: number): void => {
    if (to - from + 1 < LEAST_NOTES[kind]) return;
    found.push({ kind, notes: Array.from({ length: to - from + 1 }, (_, i) => events[from + i]?.struck[0] as number) });
  };
  for (const [kind, sizes] of [
    ['scale', [1]],
    ['arpeggio', [2, 3]],
  ] as const) {
    let from = 0;
    let direction = 0;
    for (let t = 1; t <= events.length; t += 1) {
      const [before, now] = [letterAt(t - 1), t < events.length ? letterAt(t) : null];
      const step = before === null || now === null ? 0 : now - before;
      const goesOn = (sizes as readonly number[]).includes(Math.abs(step)) && events[t]?.bond === 1;
      if (goesOn && Math.sign(step) === direction) continue;
      take(kind, from, t - 1);
      from = goesOn ? t - 1 : t;
      direction = goesOn ? Math.sign(step) : 0;
    }
  }
  return found;
});

interface Home {
  readonly published: PublishedFingering;
  /** The degree of each note, the tonic as 0. */
  readonly degrees: readonly number[];
  /** 0 where the run begins or ends with the tonic; else by how far down the list its scale stands. */
  readonly doubt: number;
}

/** The key in which a run is: one that has all its notes, best of all one whose tonic it begins or ends with. */
function homeOf(passage: Passage, midis: readonly number[], kind: Run['kind'], run: readonly number[]): Home | null {
  const direction = passage.hand === 'left' ? -1 : 1;
  const letters = run.map((note) => modulo(direction * (passage.notes[note] as PassageNote).letter, 7));
  const classes = run.map((note) => modulo(midis[note] as number, 12));
  const homes = [...new Set([letters[0], letters.at(-1), ...letters])].flatMap((tonic): readonly Home[] => {
    const degrees = letters.map((letter) => modulo(letter - (tonic as number), 7));
    const at = degrees.indexOf(0);
    if (at < 0 || (kind === 'arpeggio' && !degrees.every((degree) => TRIAD.includes(degree)))) return [];
    const root = classes[at] as number;
    const scale = SCALES.findIndex((one) =>
      degrees.every((degree, i) => modulo((classes[i] as number) - root, 12) === one.degrees[degree]),
    );
    const found = SCALES[scale];
    const list = kind === 'scale' ? found?.published : PUBLISHED_ARPEGGIOS;
    const published = found && list ? publishedFor(list, passage.hand, found.mode, root) : null;
    const isAtEnd = degrees[0] === 0 || degrees.at(-1) === 0;
    return published ? [{ published, degrees, doubt: isAtEnd ? 0 : 1 + scale }] : [];
  });
  return homes.toSorted((a, b) => a.doubt - b.doubt)[0] ?? null;
}

function modulo(value: number, by: number): number {
  return ((value % by) + by) % by;
}

function publishedFor(
  list: readonly PublishedFingering[],
  hand: Hand,
  mode: 'major' | 'minor',
  root: number,
): PublishedFingering | null {
  return (
    list.find(
      (one) => one.hand === hand && one.mode === mode && modulo(7 * fifthsOf(parseName(one.tonic) ?? C), 12) === root,
    ) ?? null
  );
}

const C = { step: 0, alter: 0 } as const;

const ANY = 0b11111;

/** Inner notes have the finger of their degree; at the ends the hand goes on without a crossing, where editions differ. */
function fingersOf(
  hand: Hand,
  kind: Run['kind'],
  run: readonly number[],
  { published, degrees }: Home,
): ReadonlyMap<number, number> {
  const own = degrees.map((degree) => Number(published.degrees[kind === 'scale' ? degree : TRIAD.indexOf(degree)]));
  const rises = isRising(degrees);
  return new Map(
    run.map((note, i) => {
      if (i > 0 && i < run.length - 1) return [note, 1 << ((own[i] as number) - 1)];
      const isLow = (i === 0) === rises;
      const inner = own[i === 0 ? 1 : i - 1] as number;
      const isTonic = degrees[i] === 0;
      return [
        note,
        kind === 'scale'
          ? endOfScale(hand, isLow, inner, own[i] as number)
          : isTonic
            ? endOfArpeggio(published, isLow)
            : ANY,
      ];
    }),
  );
}

/** Whether a run goes up: its second degree follows the first by a step or a skip. */
function isRising(degrees: readonly number[]): boolean {
  return modulo((degrees[1] as number) - (degrees[0] as number), 7) <= 3;
}

/** On finger 5's side the run ends with the next finger, on the thumb's side with the one before; next to the thumb with any that is written there. */
function endOfScale(hand: Hand, isLow: boolean, inner: number, own: number): number {
  const isOuter = (hand === 'right') !== isLow;
  const wanted = isOuter ? inner + 1 : inner - 1;
  if (wanted >= 1 && wanted <= 5) return 1 << (wanted - 1);
  return (1 << (own - 1)) | 0b00010;
}

function endOfArpeggio({ first, top }: PublishedFingering, isLow: boolean): number {
  return 1 << (Number(isLow ? first : top) - 1);
}
