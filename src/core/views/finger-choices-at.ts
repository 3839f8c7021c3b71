import { type Language } from '../explain';
import { fingerChoices } from '../forced';
import type { Finger, NoteId } from '../score';
import type { Version } from '../piece';

/** A finger that a note could have. `words` say how much harder it is, or that it cannot be. */
export interface NoteChoice {
  readonly finger: Finger;
  readonly price: number | null;
  readonly words: string;
  /** The finger that stands there now. */
  readonly isNow: boolean;
}

/** All five fingers at a note of a version; none for a note that no hand plays. */
export function fingerChoicesAt(says: Language, { hands }: Version, id: NoteId): readonly NoteChoice[] {
  for (const { study, played, notes } of hands) {
    const index = notes.findIndex((note) => note.id === id);
    if (index < 0) continue;
    return fingerChoices(study, index).map(({ finger, price }) => ({
      finger,
      price,
      words: says.priceWords(price),
      isNow: played.fingering[index] === finger,
    }));
  }
  return [];
}
