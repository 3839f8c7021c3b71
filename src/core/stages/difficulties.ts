import type { PlacedPosition } from '../fingering';
import type { Finger, Hand, HandNote, NoteId } from '../score';
import { brokenChords } from './chord-figures';
import { brokenOctaves } from './broken-octaves';
import { isOnBeat } from './left-hand';
import { endOf, letterOf, lowestOf, strikesOf, struckTogether, type Strike } from './strikes';
import type { Subject } from './subject';
import type { Transformation } from './transformation';

/** What can be difficult in a piece, each so that a stage has it or has not. The order is that in which a pupil meets them.
 * `off-beat`: the left hand plays between the beats. `keys`: there are keys to find; tapping has none. `length`: all bars are played. */
export const DIFFICULTIES = [
  'keys',
  'right-hand',
  'left-hand',
  'off-beat',
  'broken-octaves',
  'broken-chords',
  'chords',
  'moves',
  'octave-moves',
  'together',
  'interval-against-note',
  'different-fingers',
  'length',
] as const;
export type Difficulty = (typeof DIFFICULTIES)[number];

const CLOSED_LETTERS = 4;
const OCTAVE_LETTERS = 7;

/** What is difficult in a stage of a piece, by its notes. Nothing is planned anew for it: fingers and positions are those of the piece. */
export function difficultiesOf(
  subject: Subject,
  notes: readonly HandNote[],
  transformations: readonly Transformation[],
): readonly Difficulty[] {
  const isTapped = transformations.some(({ kind }) => kind === 'tapping');
  const isWhole = !transformations.some(({ kind }) => kind === 'bars' || kind === 'notes');
  const found: Readonly<Record<Difficulty, boolean>> = {
    ...inHands(subject, notes, isTapped),
    ...inLeftHand(subject, notes, isTapped),
    keys: !isTapped,
    length: isWhole,
  };
  return DIFFICULTIES.filter((difficulty) => found[difficulty]);
}

type InHands =
  'right-hand' | 'left-hand' | 'moves' | 'octave-moves' | 'together' | 'different-fingers' | 'interval-against-note';

function inHands(subject: Subject, notes: readonly HandNote[], isTapped: boolean): Readonly<Record<InHands, boolean>> {
  const strikes = { right: strikesOf(notes, 'right'), left: strikesOf(notes, 'left') };
  const fingerOf = fingersIn(subject, notes);
  const both = struckTogether(notes);
  const isTogether = both.length > 0 || soundTogether(strikes.right, strikes.left);
  const jumps = (['right', 'left'] as const).some((hand) => leapsOctave(strikes[hand]));
  return {
    'right-hand': strikes.right.length > 0,
    'left-hand': strikes.left.length > 0,
    moves: !isTapped && movesIn(subject.version.positions, notes),
    'octave-moves': !isTapped && jumps,
    together: isTogether,
    'interval-against-note':
      !isTapped && both.some(({ right, left }) => (right.notes.length === 1) !== (left.notes.length === 1)),
    'different-fingers': both.some(({ right, left }) => fingersText(right, fingerOf) !== fingersText(left, fingerOf)),
  };
}

function inLeftHand(
  { ticksPerQuarter, part }: Subject,
  notes: readonly HandNote[],
  isTapped: boolean,
): Readonly<Record<'off-beat' | 'broken-octaves' | 'broken-chords' | 'chords', boolean>> {
  const strikes = strikesOf(notes, 'left');
  const octaves = brokenOctaves(strikes);
  const chords = brokenChords(notes, part, 'left', ticksPerQuarter);
  const isOctaveAlone = (chord: { readonly strikes: readonly Strike[] }): boolean =>
    new Set(chord.strikes.map((strike) => letterOf(lowestOf(strike)) % OCTAVE_LETTERS)).size === 1;
  return {
    'off-beat': strikes.some((strike) => !isOnBeat(lowestOf(strike), { notes, part, ticksPerQuarter })),
    'broken-octaves': !isTapped && octaves.length > 0,
    'broken-chords': !isTapped && chords.some((chord) => !isOctaveAlone(chord)),
    chords: !isTapped && strikes.some(({ notes: struck }) => struck.length >= 3),
  };
}

/** Fingers of a stage: its own where it has others than the piece. */
function fingersIn(subject: Subject, notes: readonly HandNote[]): (id: NoteId) => Finger | null {
  const own = new Map(notes.map(({ id, finger }) => [id, finger]));
  return (id) => own.get(id) ?? subject.fingerOf(id);
}

function fingersText({ notes }: Strike, fingerOf: (id: NoteId) => Finger | null): string {
  return notes
    .map(({ id }) => fingerOf(id))
    .toSorted()
    .join();
}

function soundTogether(right: readonly Strike[], left: readonly Strike[]): boolean {
  let at = 0;
  return right.some((upper) => {
    while (at < left.length && endOf(left[at] as Strike) <= upper.onset) at += 1;
    const lower = left[at];
    return lower !== undefined && lower.onset < endOf(upper);
  });
}

function leapsOctave(strikes: readonly Strike[]): boolean {
  // Where an octave is broken the hand is open: it leaps neither within it nor away from it.
  const open = new Set(brokenOctaves(strikes).flatMap(({ low, top }) => [low.id, top.id]));
  return strikes.some((strike, i) => {
    const before = strikes[i - 1];
    if (!before || strike.notes.length > 1 || before.notes.length > 1) return false;
    const letters = Math.abs(letterOf(lowestOf(strike)) - letterOf(lowestOf(before)));
    return letters >= OCTAVE_LETTERS && ![before, strike].some((one) => open.has(lowestOf(one).id));
  });
}

/** Whether a hand moves: neighbouring positions of which both still have notes, and whose notes do not lie under one closed hand. */
function movesIn(positions: readonly PlacedPosition[], notes: readonly HandNote[]): boolean {
  const there = new Map(notes.map((note) => [note.id, note]));
  return (['right', 'left'] as const).some((hand: Hand) => {
    const own = positions
      .filter(({ position }) => position.hand === hand)
      .map((position) => position.notes.flatMap(({ id }) => there.get(id) ?? []))
      .filter((kept) => kept.length > 0);
    return own.some((kept, i) => {
      const before = own[i - 1];
      if (!before) return false;
      const letters = [...before, ...kept].map(letterOf);
      return Math.max(...letters) - Math.min(...letters) > CLOSED_LETTERS;
    });
  });
}
