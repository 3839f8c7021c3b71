'use client';

import { cardPrefix } from './card-layout';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PieceRecord } from '@/data';
import type { Wording } from '@/core/explain';
import type { ShelfView } from '@/core/views';
import { coreWorker } from '@/workers/client';
import type { Trouble } from '@/contract/answer';
import { useWords, type Words } from '@/features/shared/words/use-words';

/** What a card knows of its piece, and the words it is found by. */
export interface PieceFacts {
  readonly view: ShelfView | null;
  readonly trouble: string | null;
  /** Whether it was begun here and has no notes yet. */
  readonly isBlank: boolean;
  readonly words: string;
}

/** What is known of pieces, and where it is told which of them are in sight: those are looked at first. */
export type KnownFacts = readonly [facts: ReadonlyMap<string, PieceFacts>, onSeen: (ids: readonly string[]) => void];

/** Of pieces out of sight so many are looked at before the screen is told. */
const TOLD_TOGETHER = 48;

/** Has the core look at each piece, one after the other, those in sight first; cards fill as the answers come. A piece is looked at again
 * only when its file, its key or the teacher's words changed. */
export function usePieceFacts(pieces: readonly PieceRecord[] | undefined): KnownFacts {
  const w = useWords();
  const [facts, setFacts] = useState<ReadonlyMap<string, PieceFacts>>(new Map());
  const looked = useRef(new Map<string, string>());
  const seen = useRef<ReadonlySet<string>>(new Set());
  const onSeen = useCallback((ids: readonly string[]): void => void (seen.current = new Set(ids)), []);
  useEffect(() => {
    let isWanted = true;
    const waiting = (): readonly PieceRecord[] =>
      (pieces ?? []).filter((piece) => looked.current.get(piece.id) !== versionOf(piece, w.wording));
    const look = async (): Promise<void> => {
      const left = new Map(waiting().map((piece) => [piece.id, piece]));
      const told = new Map<string, PieceFacts>();
      while (left.size > 0) {
        const id = [...seen.current].find((one) => left.has(one)) ?? (left.keys().next().value as string);
        const piece = left.get(id) as PieceRecord;
        left.delete(id);
        const answer = await coreWorker().shelf(
          { musicXml: piece.musicXml, ownKey: piece.ownKey, part: piece.part ?? null },
          cardPrefix(piece.id),
          w.wording,
        );
        if (!isWanted) return;
        looked.current.set(piece.id, versionOf(piece, w.wording));
        told.set(piece.id, answer.ok ? factsOf(piece, answer.value) : troubleOf(w, piece, answer.trouble));
        if (!seen.current.has(id) && told.size < TOLD_TOGETHER && left.size > 0) continue;
        const news = [...told];
        told.clear();
        setFacts((before) => new Map([...before, ...news]));
      }
    };
    void look();
    return () => {
      isWanted = false;
    };
  }, [w, pieces]);
  return [facts, onSeen];
}

/** What the facts of a piece are made from, and in which words they are said. */
function versionOf({ ownKey, part, musicXml }: PieceRecord, wording: Wording): string {
  return `${ownKey}/${part}/${JSON.stringify(wording)}\n${musicXml}`;
}

function factsOf(piece: PieceRecord, view: ShelfView): PieceFacts {
  const parts = [
    view.title,
    view.composer,
    view.key,
    piece.fileName,
    view.meter,
    ...view.positions.map(({ words }) => words),
    ...view.handNotes.map(({ title }) => title),
  ];
  return { view, trouble: null, isBlank: false, words: parts.join(' ').toLocaleLowerCase() };
}

function troubleOf(w: Words, piece: PieceRecord, { code, message }: Trouble): PieceFacts {
  const isBlank = code === 'read.no-notes';
  return {
    view: null,
    trouble: isBlank ? w.shelf.nothingIsEnteredYet : message,
    isBlank,
    words: piece.fileName.toLocaleLowerCase(),
  };
}
