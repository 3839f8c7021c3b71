'use client';

import { useEffect, useRef, useState } from 'react';
import type { PieceRecord } from '@/data';
import type { ShelfView } from '@/core/views';
import { coreWorker } from '@/workers/client';
import type { Trouble } from '@/workers/protocol';

/** What a card knows of its piece, and the words it is found by. */
export interface PieceFacts {
  readonly view: ShelfView | null;
  readonly trouble: string | null;
  /** Whether it was begun here and has no notes yet. */
  readonly isBlank: boolean;
  readonly words: string;
}

/** Has the core look at each piece, one after the other; cards fill as the answers come. A piece is looked at again
 * only when its file or its key changed. */
export function usePieceFacts(pieces: readonly PieceRecord[] | undefined): ReadonlyMap<string, PieceFacts> {
  const [facts, setFacts] = useState<ReadonlyMap<string, PieceFacts>>(new Map());
  const seen = useRef(new Map<string, string>());
  useEffect(() => {
    let isWanted = true;
    const look = async (): Promise<void> => {
      for (const piece of pieces ?? []) {
        const version = `${piece.ownKey}/${piece.part}\n${piece.musicXml}`;
        if (seen.current.get(piece.id) === version) continue;
        const answer = await coreWorker().shelf(
          { musicXml: piece.musicXml, ownKey: piece.ownKey, part: piece.part ?? null },
          `card-${piece.id}-`,
        );
        if (!isWanted) return;
        seen.current.set(piece.id, version);
        setFacts((before) =>
          new Map(before).set(piece.id, answer.ok ? factsOf(piece, answer.value) : troubleOf(piece, answer.trouble)),
        );
      }
    };
    void look();
    return () => {
      isWanted = false;
    };
  }, [pieces]);
  return facts;
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

function troubleOf(piece: PieceRecord, { code, message }: Trouble): PieceFacts {
  const isBlank = code === 'read.no-notes';
  return {
    view: null,
    trouble: isBlank ? 'Nothing is entered yet' : message,
    isBlank,
    words: piece.fileName.toLocaleLowerCase(),
  };
}
