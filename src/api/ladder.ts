import { parseKey, type Key, type Mode } from '@/core/pitch';
import { inOrder, type KeyOrder } from '@/core/survey';
import { ladderOf, type KeyFactsView, type Ladder, type LadderKey, type UnwritableKey } from '@/core/views';
import type { Language } from '@/core/explain';
import type { MoveOptions, OpenedPiece } from '@/core/piece';

/** What the scripting interface promises to send for `ladder`. */
export interface LadderAnswer extends Pick<Ladder, 'piece' | 'from' | 'remarks'> {
  readonly keys: readonly LadderKey[];
}

/** All keys of a mode in one list, as was promised: those that cannot be written too. */
export function ladderAnswer(
  says: Language,
  piece: OpenedPiece,
  options: Omit<MoveOptions, 'to'>,
  { order, mode }: { readonly order: KeyOrder; readonly mode: Mode | undefined },
): LadderAnswer {
  const { keys, unwritable, ...told } = ladderOf(says, piece, options, { order, mode });
  if (unwritable.length === 0) return { ...told, keys };
  const all = [...keys, ...unwritable.map(asLeftOut)].map((facts) => ({
    facts,
    key: keyOf(facts),
    effort: facts.effort,
    isLeftOut: facts.leaveOut !== null,
  }));
  return { ...told, keys: inOrder(all, order, piece.key.key).map(({ facts }, i) => ({ ...facts, rank: i + 1 })) };
}

/** The promise has a number for every key. This one is more than the effort of any key that can be written. */
const UNWRITABLE_EFFORT = 1000;

function asLeftOut({ words, ...key }: UnwritableKey): KeyFactsView {
  return {
    ...key,
    effort: UNWRITABLE_EFFORT,
    effortParts: [],
    why: [words],
    blackFingers: { right: [], left: [] },
    positions: { right: [], left: [] },
    positionChanges: 0,
    moreMoves: 0,
    forced: { fingers: 0, moves: 0, openings: 0 },
    reading: { signs: key.fifths, accidentals: 0, ledgerLines: 0 },
    reachMm: { right: null, left: null },
    register: { right: null, left: null },
    forcedChanges: 0,
    flags: { must: 0, should: 0, watch: 0 },
    leaveOut: words,
  };
}

function keyOf({ tonic, mode }: Pick<LadderKey, 'tonic' | 'mode'>): Key {
  const key = parseKey(`${tonic}-${mode}`, 'major');
  if (!key) throw new Error(`the ladder has a key ${tonic} ${mode} that cannot be read`);
  return key;
}
