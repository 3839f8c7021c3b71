import { groupBy } from '../base';
import { pitchText } from '../pitch';
import type { NoteId } from '../score';
import type { Flag, FlagEvidence, FlagKind } from './flag';

/** Kinds of which each place is found by itself, though the fact is one. */
const TOLD_ONCE: ReadonlySet<FlagKind> = new Set([
  'thumb-on-black',
  'fourth-on-black',
  'fifth-on-black',
  'double-duty',
  'shared-key',
  'hop',
  'position-change',
  'out-of-reach',
  'held-finger',
  'extension',
  'ledger-lines',
]);

/** Says each fact once: flags of one hand that say the same of several places become one, with all their notes. `order` is the place of each note in the
 * music. */
export function oneFactOneFlag(flags: readonly Flag[], order: ReadonlyMap<string, number>): readonly Flag[] {
  const groups = groupBy(flags, (flag) => (TOLD_ONCE.has(flag.evidence.kind) ? factOf(flag) : flag));
  return [...groups.values()].map((same) => {
    const first = same.reduce((a, b) => (placeIn(order, b) < placeIn(order, a) ? b : a));
    if (same.length === 1) return first;
    const inOrder = same.toSorted((a, b) => placeIn(order, a) - placeIn(order, b));
    return {
      ...first,
      evidence: together(inOrder.map(({ evidence }) => evidence)),
      bars: [...new Set(inOrder.flatMap(({ bars }) => bars))].toSorted(byNumber),
      notes: inMusic([...new Set(inOrder.flatMap(({ notes }) => notes))], order),
    };
  });
}

/** Printed bar numbers in order; those that are no numbers stay where they are. */
function byNumber(one: string, other: string): number {
  return Number(one) - Number(other) || 0;
}

function inMusic(notes: readonly NoteId[], order: ReadonlyMap<string, number>): readonly NoteId[] {
  return notes.toSorted((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
}

/** One piece of evidence for several flags of one fact: black keys under one finger are told together, each once a hand. */
function together(evidences: readonly FlagEvidence[]): FlagEvidence {
  const [first] = evidences as readonly [FlagEvidence];
  if (!isOnBlack(first)) return first;
  const uses = evidences.flatMap((one) => (isOnBlack(one) ? one.uses : []));
  const distinct = new Map(uses.map((use) => [`${use.hand}/${pitchText(use.key)}`, use]));
  return { ...first, uses: [...distinct.values()].toSorted((a, b) => HANDS.indexOf(a.hand) - HANDS.indexOf(b.hand)) };
}

const HANDS = ['right', 'left'] as const;

function isOnBlack(evidence: FlagEvidence): evidence is Extract<FlagEvidence, { readonly uses: unknown }> {
  return 'uses' in evidence;
}

/** What a flag says, apart from the place. A level that forbids moves is one fact, wherever the hand would have to move; thumbs on black keys are one, whatever
 * the keys, and for both hands where it is only to be known. */
function factOf({ evidence, hand, severity }: Flag): string {
  if (isOnBlack(evidence)) return JSON.stringify([evidence.kind, severity === 'watch' ? 'both' : hand]);
  const isLevel = evidence.kind === 'position-change' && evidence.because !== 'black-keys';
  return JSON.stringify([hand, severity, isLevel ? [evidence.kind, evidence.because] : evidence]);
}

function placeIn(order: ReadonlyMap<string, number>, { notes }: Flag): number {
  return order.get(notes[0] ?? '') ?? 0;
}

/** Kinds that are part of a passage that changes its fingers: how the hand gets about in it. */
const PART_OF_CHANGE: ReadonlySet<FlagKind> = new Set(['hop', 'stretch', 'position-change', 'extension', 'crossing']);

/** A passage that changes its fingers is one flag, not a change, a move and a stretch. What must be, or cannot be played, is told all the same. */
export function withoutParts(flags: readonly Flag[]): readonly Flag[] {
  const changes = flags.filter(({ evidence }) => evidence.kind === 'finger-change' && evidence.isApplied);
  return flags.filter(
    (flag) =>
      flag.severity !== 'watch' ||
      !PART_OF_CHANGE.has(flag.evidence.kind) ||
      !changes.some(({ hand, notes }) => hand === flag.hand && flag.notes.every((note) => notes.includes(note))),
  );
}
