import { groupBy, memoLast } from '../base';
import { struckNotes, type Finger, type Hand, type HandNote, type NoteId, type Part } from '../score';
import { beatTicks, type Ticks } from '../time';
import { NO_CHANGES, type NoteChanges } from './note-changes';
import { brokenOctaves } from './broken-octaves';
import { brokenChords } from './chord-figures';
import { letterOf, lowestOf, strikesOf, type Strike } from './strikes';

/** Letters of an octave, and from the lowest to the highest finger of a closed hand: what is further than that has to be leapt to. */
const OCTAVE = 7;
const CLOSED = 4;

/** Folds moves by octave in, so that each hand stays in one place: what lies an octave or two away from where the hand plays most, and would lie under the
 * same five fingers there, is played there. Nothing is folded onto a key that the other hand wants in the same bar, nor past that hand. Whole stretches are folded, never
 * single notes out of a line that stays. Letters and distances decide, never black and white: the same stretches are folded in every key. */
export function foldOctaves({ notes, part, ticksPerQuarter }: FoldedIn): NoteChanges {
  return foldedIn(notes, part, ticksPerQuarter);
}

/** Whether there is anything to fold is asked before it is folded. */
const foldedIn = memoLast((notes: readonly HandNote[], part: Part, ticksPerQuarter: number): NoteChanges => {
  const right = foldsOf({ notes, part, ticksPerQuarter }, 'right');
  // The left hand makes room for what the right hand plays then.
  const lower = new Map(
    right.flatMap(({ strikes, octaves: by }) => idsOf(strikes).map((id) => [id, 12 * by] as const)),
  );
  const beside =
    lower.size === 0 ? notes : notes.map((note) => ({ ...note, midi: note.midi + (lower.get(note.id) ?? 0) }));
  const folds = [...right, ...foldsOf({ notes: beside, part, ticksPerQuarter }, 'left')];
  const octaves = new Map(folds.flatMap(({ strikes, octaves: by }) => idsOf(strikes).map((id) => [id, by] as const)));
  const fingers = new Map(folds.flatMap(({ fingered }) => [...fingered]));
  return { ...NO_CHANGES, octaves, fingers };
});

/** The notes of a piece, and how its time is counted. */
interface FoldedIn {
  readonly notes: readonly HandNote[];
  readonly part: Part;
  readonly ticksPerQuarter: number;
}

/** A hand with the other one beside it. `together` are notes that no fold may part; in octaves that are broken the hand is open. */
interface HandsAt {
  readonly hand: Hand;
  readonly strikes: readonly Strike[];
  readonly together: readonly (readonly NoteId[])[];
  readonly inOctaves: ReadonlySet<NoteId>;
  readonly others: readonly HandNote[];
  readonly beatAt: (note: HandNote) => Ticks;
}

interface Fold {
  readonly strikes: readonly Strike[];
  readonly octaves: number;
  readonly fingered: ReadonlyMap<NoteId, Finger>;
}

function foldsOf(of: FoldedIn, hand: Hand): readonly Fold[] {
  const { notes, part, ticksPerQuarter } = of;
  const strikes = strikesOf(notes, hand);
  const octaves = brokenOctaves(strikes).map(({ low, top }) => [low.id, top.id]);
  const chords = brokenChords(notes, part, hand, ticksPerQuarter).map((chord) => idsOf(chord.strikes));
  const hands: HandsAt = {
    hand,
    strikes,
    together: [...octaves, ...chords],
    inOctaves: new Set(octaves.flat()),
    others: struckNotes(notes).filter((note) => note.hand !== hand && !note.isGrace),
    beatAt: (note) => beatTicks(part.measures[note.barIndex]?.meter ?? { beats: 4, beatType: 4 }, ticksPerQuarter),
  };
  const places = placesOf(strikes);
  const best = places
    .map((lowest) => ({ lowest, folds: foldsInto(hands, lowest) }))
    .filter(({ folds }) => folds.length > 0)
    .map((place) => ({ ...place, within: within(strikes, place.lowest) }))
    .sort((a, b) => covered(b) - covered(a) || b.within - a.within || a.lowest - b.lowest)[0];
  return best?.folds ?? [];
}

function covered({ folds, within: there }: { readonly folds: readonly Fold[]; readonly within: number }): number {
  return there + folds.reduce((sum, { strikes }) => sum + strikes.length, 0);
}

/** The places of a closed hand that begin with a letter which the hand plays, by the letter under its lowest finger. */
function placesOf(strikes: readonly Strike[]): readonly number[] {
  const letters = [...new Set(strikes.flatMap(({ notes }) => notes.map(letterOf)))];
  const highest = Math.max(...letters);
  return letters.filter((letter) => letter + CLOSED <= highest || letter === Math.min(...letters));
}

function isWithin({ notes }: Strike, lowest: number): boolean {
  return notes.every((note) => letterOf(note) >= lowest && letterOf(note) <= lowest + CLOSED);
}

function within(strikes: readonly Strike[], lowest: number): number {
  return strikes.filter((strike) => isWithin(strike, lowest)).length;
}

function foldsInto(hands: HandsAt, lowest: number): readonly Fold[] {
  const { hand, strikes, others, beatAt } = hands;
  const home = strikes.filter((strike) => isWithin(strike, lowest));
  const away = stretchesAway(strikes, lowest);
  const folds = away.flatMap((stretch): readonly Fold[] => {
    // What is reached by a small move is no octave too far.
    if (parts(stretch, hands) || !isLeaptTo(stretch, hands)) return [];
    const octaves = octavesInto(stretch, lowest);
    if (octaves === null || clashes(stretch, octaves, { hand, others, beatAt })) return [];
    return [{ strikes: stretch, octaves, fingered: fingersThere(stretch, octaves, { home, hand, lowest }) }];
  });
  const folded = folds.reduce((sum, fold) => sum + fold.strikes.length, 0);
  // A hand sits where it plays at least as much as what is brought there.
  return folded <= home.length ? folds : [];
}

/** Neighbouring strikes that do not lie in the place. */
function stretchesAway(strikes: readonly Strike[], lowest: number): readonly (readonly Strike[])[] {
  const stretches: Strike[][] = [];
  let isAway = false;
  for (const strike of strikes) {
    if (isWithin(strike, lowest)) isAway = false;
    else {
      if (!isAway) stretches.push([]);
      stretches.at(-1)?.push(strike);
      isAway = true;
    }
  }
  return stretches;
}

/** Whether a stretch has only a part of a chord or an octave that is broken, or any of an octave: the hand is open there. */
function parts(stretch: readonly Strike[], { together, inOctaves }: HandsAt): boolean {
  const own = new Set(idsOf(stretch));
  return (
    [...own].some((id) => inOctaves.has(id)) ||
    together.some((ids) => ids.some((id) => own.has(id)) && !ids.every((id) => own.has(id)))
  );
}

/** Whether the hand leaps to a stretch or away from it. An octave that is broken is no place to leap from: the hand is open there. */
function isLeaptTo(stretch: readonly Strike[], { strikes, inOctaves }: HandsAt): boolean {
  const from = strikes.indexOf(stretch[0] as Strike);
  const isLeap = (a: Strike | undefined, b: Strike | undefined): boolean =>
    a !== undefined &&
    b !== undefined &&
    ![a, b].some((strike) => inOctaves.has(lowestOf(strike).id)) &&
    Math.abs(letterOf(lowestOf(a)) - letterOf(lowestOf(b))) > CLOSED;
  return isLeap(strikes[from - 1], strikes[from]) || isLeap(stretch.at(-1), strikes[from + stretch.length]);
}

/** By how many octaves a stretch moves so that all of it lies in the place; null where it does not fit. */
function octavesInto(stretch: readonly Strike[], lowest: number): number | null {
  const letters = stretch.flatMap(({ notes }) => notes.map(letterOf));
  const by = Math.ceil((lowest - Math.min(...letters)) / OCTAVE);
  const fits = letters.every((letter) => letter + by * OCTAVE >= lowest && letter + by * OCTAVE <= lowest + CLOSED);
  return fits && by !== 0 ? by : null;
}

/** Whether a stretch, where it would be played, wants a key that the other hand has in the same bar or within a beat, or comes past that hand. */
function clashes(
  stretch: readonly Strike[],
  octaves: number,
  { hand, others, beatAt }: Pick<HandsAt, 'hand' | 'others' | 'beatAt'>,
): boolean {
  const side = hand === 'right' ? 1 : -1;
  return stretch.some(({ notes }) =>
    notes.some((note) => {
      const midi = note.midi + 12 * octaves;
      const beat = beatAt(note);
      return others.some((other) => {
        const isNear =
          other.onset <= note.onset + note.duration + beat && note.onset <= other.onset + other.duration + beat;
        return (other.barIndex === note.barIndex || isNear) && (midi - other.midi) * side <= 0;
      });
    }),
  );
}

/** The fingers of folded notes: those with which the hand plays these letters at home, else those of the closed hand. */
function fingersThere(
  stretch: readonly Strike[],
  octaves: number,
  { home, hand, lowest }: { readonly home: readonly Strike[]; readonly hand: Hand; readonly lowest: number },
): ReadonlyMap<NoteId, Finger> {
  const byLetter = groupBy(
    home.flatMap(({ notes }) => notes),
    letterOf,
  );
  return new Map(
    stretch.flatMap(({ notes }) =>
      notes.map((note) => {
        const letter = letterOf(note) + octaves * OCTAVE;
        const there = byLetter.get(letter)?.find(({ finger }) => finger !== null)?.finger;
        const place = letter - lowest;
        return [note.id, there ?? ((hand === 'right' ? place + 1 : 5 - place) as Finger)] as const;
      }),
    ),
  );
}

function idsOf(strikes: readonly Strike[]): readonly NoteId[] {
  return strikes.flatMap(({ notes }) => notes.map(({ id }) => id));
}
