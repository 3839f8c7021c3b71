import { groupBy } from '../base';
import type { Flag, FlagKind } from './flag';

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
      bars: [...new Set(inOrder.flatMap(({ bars }) => bars))],
      notes: [...new Set(inOrder.flatMap(({ notes }) => notes))],
    };
  });
}

/** What a flag says, apart from the place. A level that forbids moves is one fact, wherever the hand would have to move. */
function factOf({ evidence, hand, severity }: Flag): string {
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
