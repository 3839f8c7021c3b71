import { groupBy, memoOf } from '../base';
import type { Flag, FlagKind, Severity } from '../flags';
import type { PlacedPosition } from '../fingering';
import type { Hand, HandNote, NoteId } from '../score';
import { lowestOf, strikesOf, struckTogether, type Strike } from './strikes';
import { inOrderOnce, type Subject } from './subject';

/** The bars in which both hands strike with different fingers at one moment. */
export function differentFingers({ version, fingerOf }: Subject): readonly number[] {
  const fingers = ({ notes }: Strike): readonly (number | null)[] => notes.map(({ id }) => fingerOf(id)).toSorted();
  const apart = struckTogether(version.notes).filter(({ right, left }) => {
    const [upper, lower] = [fingers(right), fingers(left)];
    return !upper.includes(null) && !lower.includes(null) && upper.join() !== lower.join();
  });
  return inOrderOnce(apart.map(({ right }) => lowestOf(right).barIndex));
}

/** The bars in which one hand strikes two or more keys against a single one of the other. */
export function intervalsAgainstNotes({ version }: Subject): readonly number[] {
  const uneven = struckTogether(version.notes).filter(
    ({ right, left }) => (right.notes.length === 1) !== (left.notes.length === 1),
  );
  return inOrderOnce(uneven.map(({ right }) => lowestOf(right).barIndex));
}

/** A move of a hand: what it plays last before it and first after it. */
export interface Landing {
  readonly hand: Hand;
  readonly before: PlacedPosition;
  readonly after: PlacedPosition;
  readonly notes: readonly NoteId[];
  readonly bars: readonly number[];
  /** The beat of its last bar on which the hand lands, counted from one. */
  readonly beat: number;
}

/** The moves of the hands, those that are alike together: the same keys with the same fingers, by letters from the first. In order of their first places. */
export const landings = memoOf((subject: Subject): readonly (readonly [Landing, ...Landing[]])[] => {
  const all = subject.hands.flatMap((hand) => landingsOf(subject, hand));
  const alike = groupBy(all, (landing) => likeness(subject, landing));
  return [...alike.values()].map((group) => group as unknown as readonly [Landing, ...Landing[]]);
});

function landingsOf({ version }: Subject, hand: Hand): readonly Landing[] {
  const strikes = strikesOf(version.notes, hand);
  const at = new Map(strikes.flatMap((strike, i) => strike.notes.map(({ id }) => [id, i] as const)));
  const own = version.positions.filter(({ position, notes }) => position.hand === hand && notes.length > 0);
  return own.flatMap((after, i): readonly Landing[] => {
    const before = own[i - 1];
    const place = at.get(after.notes.find((note) => at.has(note.id))?.id ?? '');
    const [from, to] = place === undefined ? [] : [strikes[place - 1], strikes[place]];
    if (!before || !from || !to) return [];
    const notes = [...from.notes, ...to.notes];
    return [
      {
        hand,
        before,
        after,
        notes: notes.map(({ id }) => id),
        bars: inOrderOnce(notes.map(({ barIndex }) => barIndex)),
        beat: lowestOf(to).beat,
      },
    ];
  });
}

const notesById = memoOf(
  (notes: readonly HandNote[]): ReadonlyMap<NoteId, HandNote> => new Map(notes.map((note) => [note.id, note])),
);

function likeness({ version, fingerOf }: Subject, { hand, notes }: Landing): string {
  const byId = notesById(version.notes);
  const own = notes.map((id) => byId.get(id) as HandNote);
  const first = own[0] as HandNote;
  return `${hand}/${own.map((note) => `${note.midi - first.midi}.${fingerOf(note.id) ?? ''}.${note.duration}`).join()}/${first.midi}`;
}

/** Kinds of flags that make a bar worth a drill, beside everything that is `must` or `should`. A finger on a black key is a matter of the whole position, and
 * what only the eye has to do is none of the hand's. */
const DRILLED: readonly FlagKind[] = [
  'position-change',
  'extension',
  'crossing',
  'stretch',
  'out-of-reach',
  'held-finger',
  'double-duty',
  'hop',
  'shared-key',
  'hands-overlap',
];
const FOR_THE_EYE: readonly FlagKind[] = ['ledger-lines', 'double-accidental', 'off-keyboard'];

/** Bars with a weight: how much of it there is. */
export type Weights = ReadonlyMap<number, number>;

const WEIGHT: Readonly<Record<Severity, number>> = { must: 5, should: 3, watch: 1 };

/** The bars that flags are about. A finger that is not the one brought along is told of by `otherFingers`: it is no trouble of the key itself. */
export function flaggedBars(subject: Subject): Weights {
  return weighed(
    subject,
    drilledFlags(subject).map(({ notes, severity }) => ({ notes, weight: WEIGHT[severity] })),
  );
}

/** The kinds of flags that make bars worth a drill here. */
export function flaggedKinds(subject: Subject): readonly FlagKind[] {
  return [...new Set(drilledFlags(subject).map(({ evidence }) => evidence.kind))];
}

function drilledFlags({ version }: Subject): readonly Flag[] {
  return version.flags.filter(
    ({ evidence: { kind }, severity }) =>
      kind !== 'finger-change' && !FOR_THE_EYE.includes(kind) && (severity !== 'watch' || DRILLED.includes(kind)),
  );
}

/** The bars in which the hands take other fingers than in the piece's own key. */
export function otherFingers(subject: Subject): Weights {
  const changes = subject.version.flags.filter(
    ({ evidence }) => evidence.kind === 'finger-change' && evidence.isApplied,
  );
  return weighed(
    subject,
    changes.map(({ notes }) => ({ notes, weight: 2 })),
  );
}

function weighed(
  { version }: Subject,
  found: readonly { readonly notes: readonly NoteId[]; readonly weight: number }[],
): Weights {
  const barOf = new Map(version.notes.map(({ id, barIndex }) => [id, barIndex]));
  const weights = new Map<number, number>();
  for (const { notes, weight } of found) {
    for (const bar of inOrderOnce(notes.flatMap((id) => barOf.get(id) ?? [])))
      weights.set(bar, (weights.get(bar) ?? 0) + weight);
  }
  return weights;
}
