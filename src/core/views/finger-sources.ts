import { type Language } from '../explain';
import { fingerSources, type FingerSource } from '../forced';
import type { PlayedHand } from '../flags';
import type { Version } from '../piece';
import type { HandNote, NoteId } from '../score';

/** Which fingers of a hand are meant: those that are played, or those that are proposed where others are. */
type Which = 'played' | 'proposed';

/** Tells where the fingers of some notes of one hand come from; empty where none of them has a finger. */
export function sourcesIn(says: Language, { hands }: Version): (ids: readonly NoteId[], which?: Which) => string {
  const known = new Map<string, HandSources>();
  const sourcesOf = (hand: PlayedHand, which: Which): HandSources => {
    const name = `${hand.study.baseline.passage.hand}/${which}`;
    const found = known.get(name) ?? sourcesOfHand(hand, which);
    known.set(name, found);
    return found;
  };
  return (ids, which = 'played') => {
    const hand = hands.find(({ notes }) => notes.some(({ id }) => id === ids[0]));
    if (!hand) return '';
    const { places, sources } = sourcesOf(hand, which);
    const notes = ids.flatMap((id) => places.get(id) ?? []);
    const bars = new Set(notes.map((note) => hand.notes[note]?.bar));
    // What came first among these very notes is told already.
    const isTold = (source: FingerSource): boolean => source.kind === 'as-before' && bars.has(source.bar);
    return says.sourceWords(
      notes.flatMap((note) => sources[note] ?? []).filter((source) => !isTold(source)),
      (note) => (hand.notes[note] as HandNote).pitch,
    );
  };
}

interface HandSources {
  readonly places: ReadonlyMap<NoteId, number>;
  readonly sources: ReturnType<typeof fingerSources>;
}

function sourcesOfHand({ study, played, notes }: PlayedHand, which: Which): HandSources {
  return {
    places: new Map(notes.map(({ id }, i) => [id, i])),
    sources: fingerSources(
      study,
      which === 'played' ? played : (study.offered ?? study.plan),
      notes.map(({ midi }) => midi),
    ),
  };
}
