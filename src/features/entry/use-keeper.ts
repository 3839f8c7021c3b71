'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { editionAfter, studio, storeFaultWords, useEdition, useWaiting, type PieceToEnter } from '@/data';
import { useMessages } from '@/features/shared/messages';
import type { EntryToKeep } from '@/workers/entry-protocol';
import { useWords } from '@/features/shared/words/use-words';

export interface Keeper {
  /** Whether everything that was entered is in the store. */
  readonly isKept: boolean;
  /** Says what the music is that is gone on from. */
  readonly begin: (found: PieceToEnter) => void;
  readonly keep: (entered: EntryToKeep) => void;
  /** Resolves once everything is in the store, or waits for room there. */
  readonly flush: () => Promise<void>;
}

/** What the next thing to be kept goes on from. */
interface Basis {
  readonly edition: string | null;
  readonly base: string | null;
  readonly stretch: number;
  /** Every state of the music that this tab knows of since the piece was opened. */
  readonly known: Set<string | null>;
}

/** Keeps what is entered, with every key press and at once. Where somebody else changed the music, `onStale` is told: nothing is written over. */
// eslint-disable-next-line max-lines-per-function -- small functions that share what waits to be kept
export function useKeeper(id: string, onStale: () => void): Keeper {
  const w = useWords();
  const { say } = useMessages();
  const [isWritten, setWriting] = useState(false);
  const isWriting = useRef(false);
  /** What is to be kept next, once what is being written is. */
  const pending = useRef<EntryToKeep | null>(null);
  const waiting = useWaiting();
  const basis = useRef<Basis | null>(null);
  const last = useRef<Promise<unknown>>(Promise.resolve());

  const begin = useCallback(({ piece, base, stretch }: PieceToEnter): void => {
    basis.current = { edition: piece.edition, base, stretch, known: new Set([piece.edition]) };
  }, []);
  const stale = useCallback((): void => {
    // Told once: what was pressed since on the old music is refused as well.
    if (basis.current === null) return;
    basis.current = null;
    onStale();
  }, [onStale]);

  const edition = useEdition(id);
  useEffect(() => {
    if (edition && basis.current && !basis.current.known.has(edition.edition)) stale();
  }, [edition, stale]);

  const write = useCallback(async (): Promise<void> => {
    for (let entered = pending.current; entered !== null && basis.current !== null; entered = pending.current) {
      pending.current = null;
      const { edition: from, base, stretch, known } = basis.current;
      const next = editionAfter(base, entered.state);
      known.add(next);
      basis.current = { ...basis.current, edition: next };
      const { musicXml, changed, count, state } = entered;
      const done = await studio().run({
        kind: 'piece.enter',
        id,
        from,
        base,
        stretch,
        state,
        musicXml,
        changed,
        count,
      });
      if (done.ok) continue;
      if (done.error.code === 'store.music-changed') stale();
      else {
        const { message, hint } = storeFaultWords(w, done.error);
        say({ kind: 'trouble', text: w.entry.whatWasEnteredLastCould(message), hint });
      }
    }
    pending.current = null;
    isWriting.current = false;
    setWriting(false);
  }, [w, id, say, stale]);

  const keep = useCallback(
    (entered: EntryToKeep): void => {
      if (basis.current === null) return;
      // What comes while something is written is written together, right after it.
      pending.current = pending.current ? joined(pending.current, entered) : entered;
      if (isWriting.current) return;
      isWriting.current = true;
      setWriting(true);
      last.current = write();
    },
    [write],
  );
  const flush = useCallback(async (): Promise<void> => void (await last.current), []);
  return { isKept: !isWritten && waiting.count === 0, begin, keep, flush };
}

/** Two things to be kept as one: of a change that is in both, the later. */
function joined(first: EntryToKeep, then: EntryToKeep): EntryToKeep {
  const changed = new Map([...first.changed, ...then.changed].map((change) => [change.number, change]));
  return { ...then, changed: [...changed.values()].filter(({ number }) => number < then.count) };
}
