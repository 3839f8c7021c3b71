'use client';

import { useMemo } from 'react';
import type { BenchView, Ladder, PageView } from '@/core/job';
import type { PieceRecord, Settings } from '@/data';
import { useAnswer, type Answered } from '@/features/shared/use-answer';
import { coreWorker } from '@/workers/client';
import type { BenchWish, PieceSource } from '@/workers/protocol';
import type { BenchAddress } from './use-bench-address';

/** Everything the Bench asks the core for: the piece in the wanted key, and the ladder of all keys. */
export interface BenchAnswers {
  readonly source: PieceSource | null;
  readonly wish: BenchWish | null;
  readonly view: Answered<BenchView>;
  readonly ladder: Answered<Ladder>;
}

export function useBench(
  piece: PieceRecord | null | undefined,
  settings: Settings | undefined,
  address: BenchAddress,
  pageView: PageView,
  columns: number | null,
): BenchAnswers {
  const musicXml = piece?.musicXml ?? null;
  const ownKey = piece?.ownKey ?? null;
  const source = useMemo(() => (musicXml === null ? null : { musicXml, ownKey }), [musicXml, ownKey]);
  const outer = settings?.outer;
  const spelling = settings?.spelling;
  const courtesy = settings?.courtesy;
  const order = settings?.keyOrder;
  const { key, way, right, left } = address;

  const wish = useMemo(
    () => (outer && spelling && courtesy ? { to: key, direction: way, octaveRight: right, octaveLeft: left, spelling, courtesy, outer } : null),
    [key, way, right, left, outer, spelling, courtesy],
  );
  const ladderWish = useMemo(
    () => (outer && spelling && courtesy ? { to: null, direction: way, octaveRight: right, octaveLeft: left, spelling, courtesy, outer } : null),
    [way, right, left, outer, spelling, courtesy],
  );
  const askView = useMemo(
    () => (source && wish && columns !== null ? () => coreWorker().bench(source, wish, pageView, columns) : null),
    [source, wish, pageView, columns],
  );
  const askLadder = useMemo(
    () => (source && ladderWish && order ? () => coreWorker().ladder(source, ladderWish, order) : null),
    [source, ladderWish, order],
  );
  const subject = piece ? `${piece.id}/${ownKey}` : null;
  return { source, wish, view: useAnswer(subject, askView), ladder: useAnswer(subject, askLadder) };
}
