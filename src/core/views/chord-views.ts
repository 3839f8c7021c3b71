import { chordSteps, chordsUsed, shapesOf, type ChordUse } from '../reference';
import { type Language } from '../explain';

import { struckNotes, type Finger, type Hand, type HandNote } from '../score';
import { barTicks } from '../time';
import { fingersById, type OpenedPiece, type Version } from '../piece';

/** The keys and fingers of a chord, low keys first. */
export interface FingeredKeys {
  readonly keys: readonly string[];
  readonly fingers: readonly (Finger | null)[];
}

/** A chord shape as the Bench shows it, before and after the move. */
export interface ChordShapeView {
  readonly hand: Hand;
  readonly words: string;
  readonly texture: 'blocked' | 'broken';
  readonly bars: readonly string[];
  readonly noteIds: readonly string[];
  readonly before: FingeredKeys;
  readonly after: FingeredKeys;
}

/** A way from one chord to the next, with the bars where it is needed. */
export interface ChordChangeView {
  readonly hand: Hand;
  readonly from: string;
  readonly to: string;
  readonly words: string;
  readonly bars: readonly string[];
}

export interface ChordsView {
  readonly shapes: readonly ChordShapeView[];
  readonly changes: readonly ChordChangeView[];
}

/** The chords that a piece uses, each hand's by themselves. */
export function chordsView(language: Language, piece: OpenedPiece, before: Version, after: Version): ChordsView {
  const says = language.inKey(after.key);
  const [fingersBefore, fingersAfter] = [fingersById(before), fingersById(after)];
  const notesBefore = new Map(struckNotes(before.notes).map((note) => [note.id, note]));
  const uses = piece.hands.flatMap((hand) =>
    chordsUsed(
      struckNotes(after.notes).filter((note) => note.hand === hand),
      after.key,
      (note) => halfOf(piece, note),
    ),
  );
  const keys = (told: Language, notes: readonly HandNote[], fingers: ReadonlyMap<string, Finger>): FingeredKeys => ({
    keys: notes.map(({ pitch }) => told.name(pitch)),
    fingers: notes.map(({ id, finger }) => fingers.get(id) ?? finger),
  });
  return {
    shapes: shapesOf(uses).map(({ use, bars }) => ({
      hand: use.hand,
      words: says.chordWords(use.chord),
      texture: use.texture,
      bars,
      noteIds: use.notes.map(({ id }) => id),
      before: keys(
        language.inKey(before.key),
        use.notes.flatMap(({ id }) => notesBefore.get(id) ?? []),
        fingersBefore,
      ),
      after: keys(says, use.notes, fingersAfter),
    })),
    changes: changesOf(says, uses, fingersAfter),
  };
}

function halfOf({ part, score }: OpenedPiece, note: HandNote): 1 | 2 {
  const measure = part.measures[note.barIndex];
  if (!measure) return 1;
  return note.item.onset + measure.lead < barTicks(measure.meter, score.ticksPerQuarter) / 2 ? 1 : 2;
}

/** Ways between chords that follow each other in one hand, each once. */
function changesOf(
  says: Language,
  uses: readonly ChordUse[],
  fingers: ReadonlyMap<string, Finger>,
): readonly ChordChangeView[] {
  const changes = new Map<string, ChordChangeView>();
  uses.forEach((to, i) => {
    const from = uses[i - 1];
    if (!from || from.hand !== to.hand) return;
    const steps = chordSteps(from, to, (id) => fingers.get(id) ?? null);
    const isSame = steps.every(({ halfSteps }) => halfSteps === 0) && from.notes.length === to.notes.length;
    if (isSame || steps.length === 0) return;
    const pitches = new Map(to.notes.map(({ id, pitch }) => [id, pitch]));
    const words = says.chordStepsWords(
      steps.flatMap((step) => {
        const pitch = pitches.get(step.note);
        return pitch ? [{ ...step, to: pitch }] : [];
      }),
    );
    const change = {
      hand: to.hand,
      from: says.chordWords(from.chord),
      to: says.chordWords(to.chord),
      words,
      bars: [to.bar],
    };
    const name = `${change.hand}/${change.from}/${change.to}/${words}`;
    const known = changes.get(name);
    changes.set(name, known ? { ...known, bars: [...new Set([...known.bars, to.bar])] } : change);
  });
  return [...changes.values()];
}
