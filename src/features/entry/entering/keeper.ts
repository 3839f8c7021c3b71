import { editionAfter, type EntryStore, type PieceToEnter, type StoreFault } from '@/data';
import type { EntryToKeep } from '@/contract/entry-questions';

/** How what is shown stands to the store. `kept`: the store has acknowledged it, under this name. `waiting`: there is no room on the device. */
export type Kept =
  | { readonly kind: 'kept'; readonly edition: string | null }
  | { readonly kind: 'keeping' }
  | { readonly kind: 'waiting' };

/** Why nothing more is kept until the piece is opened again. */
export type KeeperEnd =
  { readonly kind: 'elsewhere' } | { readonly kind: 'gone' } | { readonly kind: 'refused'; readonly fault: StoreFault };

/** Something to be kept: the music, where entering stands now, and which of the things that were asked for led to it. */
export interface ToKeep {
  readonly entered: EntryToKeep;
  readonly typing: string;
  readonly upTo: number;
}

/** Keeps what is entered into one piece, one write after the other, and knows what the store has acknowledged. */
export interface Keeper {
  /** Goes on from what the store was found to hold. */
  readonly begin: (found: PieceToEnter, upTo: number) => void;
  /** Keeps nothing more until it is begun again. */
  readonly end: () => void;
  /** What the music will be called once this is kept; undefined where nothing is kept now. */
  readonly keep: (one: ToKeep) => string | null | undefined;
  /** The store may hold something else by now: it is asked. */
  readonly look: () => void;
  /** Resolves once nothing is being written or asked. */
  readonly settled: () => Promise<void>;
  readonly kept: () => Kept;
  /** Up to which of the things that were asked for all is in the store, or waits in this tab for room there. */
  readonly keptUpTo: () => number;
}

/** What the next write goes on from, and what was acknowledged last. */
interface Basis {
  readonly from: string | null;
  readonly acknowledged: string | null;
  readonly base: string | null;
  readonly stretch: number;
}

/** A store that fails without a word has acknowledged nothing. */
const NO_ANSWER = { ok: false, error: { code: 'store.unreachable', detail: '' } } as const;

// eslint-disable-next-line max-lines-per-function -- small functions that share what waits to be kept
export function createKeeper(
  id: string,
  store: EntryStore,
  told: { readonly changed: () => void; readonly ended: (why: KeeperEnd) => void },
): Keeper {
  let basis: Basis | null = null;
  let pending: ToKeep | null = null;
  let isWriting = false;
  let mustLook = false;
  let upTo = 0;
  let work: Promise<void> | null = null;

  const end = (why: KeeperEnd | null): void => {
    basis = null;
    pending = null;
    mustLook = false;
    if (why) told.ended(why);
  };

  const write = async ({ entered, typing, upTo: mine }: ToKeep, on: Basis): Promise<void> => {
    const { musicXml, changed, count, state } = entered;
    const { from, base, stretch } = on;
    const done = await store
      .enter({ kind: 'piece.enter', id, from, base, stretch, state, musicXml, changed, count, typing })
      .catch(() => NO_ANSWER);
    if (basis !== on) return;
    const next = editionAfter(base, state);
    if (done.ok) {
      upTo = mine;
      const isAcknowledged = done.value.edition !== undefined;
      basis = { ...on, from: next, acknowledged: isAcknowledged ? next : on.acknowledged };
    } else if (done.error.code === 'store.music-changed' && (await store.edition()) === next) {
      // It was written, and the answer got lost on its way.
      upTo = mine;
      basis = { ...on, from: next, acknowledged: next };
    } else if (done.error.code === 'store.music-changed') end({ kind: 'elsewhere' });
    else if (done.error.code === 'store.gone') end({ kind: 'gone' });
    else end({ kind: 'refused', fault: done.error });
  };

  const lookNow = async (on: Basis): Promise<void> => {
    // What waits is not in the store yet, and what the store holds says nothing of it.
    if (store.isWaiting()) return;
    const edition = await store.edition();
    if (basis !== on || pending !== null) return;
    if (edition === undefined) end({ kind: 'gone' });
    else if (edition !== on.from) end({ kind: 'elsewhere' });
    else basis = { ...on, acknowledged: edition };
  };

  const loop = async (): Promise<void> => {
    while (basis !== null && (pending !== null || mustLook)) {
      const next = pending;
      if (next) {
        pending = null;
        isWriting = true;
        // Nothing counts as kept before it is known what came of it, which may have to be asked.
        await write(next, basis).finally(() => (isWriting = false));
      } else {
        mustLook = false;
        await lookNow(basis);
      }
      told.changed();
    }
  };
  const run = (): void => {
    work ??= loop()
      // A store that cannot be read is told on every screen; nothing counts as kept by it.
      .catch(() => undefined)
      .finally(() => {
        work = null;
        told.changed();
        if (basis !== null && (pending !== null || mustLook)) run();
      });
  };

  return {
    begin: ({ piece, base, stretch }, begunUpTo) => {
      const { edition } = piece;
      basis = { from: edition, acknowledged: edition, base, stretch };
      pending = null;
      upTo = begunUpTo;
    },
    end: () => end(null),
    keep: (one) => {
      if (basis === null) return undefined;
      // What comes while something is written is written together, right after it.
      pending = pending ? joined(pending, one) : one;
      run();
      return editionAfter(basis.base, one.entered.state);
    },
    look: () => {
      mustLook = true;
      run();
    },
    settled: async () => {
      while (work) await work;
    },
    kept: () => {
      if (basis === null) return { kind: 'keeping' };
      const isAll = pending === null && !isWriting && basis.from === basis.acknowledged;
      if (isAll) return { kind: 'kept', edition: basis.acknowledged };
      return pending === null && !isWriting && store.isWaiting() ? { kind: 'waiting' } : { kind: 'keeping' };
    },
    keptUpTo: () => upTo,
  };
}

/** Two things to be kept as one: of a change that is in both, the later. */
function joined(first: ToKeep, then: ToKeep): ToKeep {
  const all = [...first.entered.changed, ...then.entered.changed];
  const changed = new Map(all.map((change) => [change.number, change]));
  const { count } = then.entered;
  return {
    ...then,
    entered: { ...then.entered, changed: [...changed.values()].filter(({ number }) => number < count) },
  };
}
