import { type Language } from '../explain';
import type { Flag, FlagKind, Severity } from '../flags';
import { likePlaces } from '../forced';
import { sourcesIn } from './finger-sources';

import type { Finger, Hand } from '../score';
import { flagName, type Version } from '../piece';

/** A hand note: a flag with its words, ready to be shown. */
export interface HandNoteView {
  /** Its name within the piece, the same in all keys. */
  readonly name: string;
  readonly kind: FlagKind;
  readonly severity: Severity;
  readonly hand: Hand;
  /** All hands that it is about. */
  readonly hands: readonly Hand[];
  readonly bar: string;
  readonly byBlackKey: boolean;
  readonly wasThere: boolean;
  readonly noteIds: readonly string[];
  readonly title: string;
  readonly message: string;
  readonly suggestion: string;
  /** The costs behind it, in figures; null where it rests on none. */
  readonly costs: string | null;
  /** The same in one sentence for the pupil. */
  readonly forPupil: string;
  /** What can be done about fingers here; null where it is not about fingers. */
  readonly fingers: FingersView | null;
  /** Why the teacher put it away; null where it stands. */
  readonly aside: string | null;
}

/** The fingers of a hand note, one entry a note of it: those brought along, those proposed, and what else works at the first of them. `also` are the
 * places where the same passage comes again, note for note. */
export interface FingersView {
  readonly noteIds: readonly string[];
  readonly before: readonly (Finger | null)[];
  readonly after: readonly (Finger | null)[];
  /** Where those proposed come from, as words. */
  readonly source: string;
  readonly others: readonly { readonly finger: Finger; readonly words: string }[];
  readonly also: readonly { readonly bar: string; readonly noteIds: readonly string[] }[];
}

/** A finger that the teacher decided on for this key. `isOtherwise`: the plan would take another one. */
export interface DecisionView {
  readonly noteId: string;
  readonly hand: Hand;
  readonly words: string;
  readonly isOtherwise: boolean;
}

/** The hand notes of a version; what the teacher put away comes last, with the reason. */
export function handNoteViews(language: Language, version: Version): readonly HandNoteView[] {
  const says = language.inKey(version.key);
  const sourceOf = sourcesIn(says, version);
  const viewOf = (flag: Flag, name: string, aside: string | null): HandNoteView => ({
    name,
    kind: flag.evidence.kind,
    severity: flag.severity,
    hand: flag.hand,
    hands: handsIn(flag),
    bar: flag.bar,
    byBlackKey: flag.byBlackKey,
    wasThere: flag.wasThere,
    noteIds: flag.notes,
    ...says.flagWords(flag),
    costs: flag.costs && says.costWords(flag.costs),
    forPupil: says.pupilWords(flag),
    fingers: fingersView(says, version, flag, sourceOf),
    aside,
  });
  return [
    ...version.flags.map((flag) => viewOf(flag, flagName(flag), null)),
    ...version.setAside.map(({ flag, name, reason }) => viewOf(flag, name, reason)),
  ];
}

function handsIn({ evidence, hand }: Flag): readonly Hand[] {
  return 'uses' in evidence ? [...new Set(evidence.uses.map((use) => use.hand))] : [hand];
}

function fingersView(
  says: Language,
  { hands }: Version,
  { evidence, notes, hand }: Flag,
  sourceOf: ReturnType<typeof sourcesIn>,
): FingersView | null {
  const played = hands.find(({ study }) => study.baseline.passage.hand === hand);
  if (evidence.kind !== 'finger-change' || !played) return null;
  const { before, after } = evidence;
  return {
    noteIds: notes,
    before,
    after,
    source: sourceOf(
      notes.filter((_, i) => after[i] !== before[i]),
      evidence.isApplied ? 'played' : 'proposed',
    ),
    others: evidence.alternatives.map(({ finger, price }) => ({ finger, words: says.priceWords(price) })),
    also: likePlaces(played.study.baseline.passage, notes).map(({ bar, notes: noteIds }) => ({ bar, noteIds })),
  };
}

/** What the teacher decided of fingers. */
export function decisionViews(language: Language, { hands, key }: Version): readonly DecisionView[] {
  const says = language.inKey(key);
  return hands.flatMap(({ study, notes }) =>
    notes.flatMap((note, i): readonly DecisionView[] => {
      const finger = study.decided[i];
      if (!finger) return [];
      const planned = study.undecided?.fingering[i] ?? null;
      return [
        {
          noteId: note.id,
          hand: note.hand,
          words: says.decisionWords({ hand: note.hand, bar: note.bar, name: says.name(note.pitch), finger, planned }),
          isOtherwise: planned !== null && planned !== finger,
        },
      ];
    }),
  );
}
