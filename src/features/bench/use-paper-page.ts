'use client';

import { useMemo, useRef, useState, type RefObject } from 'react';
import { decidedFor, type Desk, type PieceRecord, type PupilRecord } from '@/data';
import { columnsFor, engravedZoom } from '@/features/shared/paper-size';
import { useSame } from '@/features/shared/use-same';
import { useWidth } from '@/features/shared/use-width';
import type { PaperMark } from './paper';
import type { PaperView } from './paper-tools';
import type { BenchPage } from './use-bench';

/** What is on the paper, and how large: which versions, which marks, set out for the width that there is. */
export interface PaperPage {
  readonly view: PaperView;
  readonly onView: (view: PaperView) => void;
  readonly marks: readonly PaperMark[];
  /** Null until the width is known. */
  readonly page: BenchPage | null;
}

/** The paper for a pupil in a key; null is the key in which the piece stands. The first is where the paper is, so that its width is known. */
export function usePaperPage(
  piece: PieceRecord,
  pupil: PupilRecord | null,
  key: string | null,
  desk: Desk,
): readonly [RefObject<HTMLDivElement | null>, PaperPage] {
  const [view, onView] = useState<PaperView>('both');
  const ref = useRef<HTMLDivElement>(null);
  const width = useWidth(ref);
  const own = decidedFor(piece, pupil?.id ?? null).marks.filter((mark) => mark.key === null || mark.key === key);
  const marks = useSame(own.map(({ kind, note, text }) => ({ kind, note, text })));
  const page = useMemo(() => (width === null ? null : pageOf(view, width, desk, marks)), [view, width, desk, marks]);
  return [ref, { view, onView, marks, page }];
}

function pageOf(
  view: PaperView,
  widthPx: number,
  { zoom, labels, tracks }: Desk,
  marks: BenchPage['page']['marks'],
): BenchPage {
  return {
    page: { view: view === 'both' ? 'both' : 'after', columns: columnsFor(widthPx, zoom), labels, marks, tracks },
    layout: { widthPx, zoom: engravedZoom(zoom), breaks: 'encoded' },
  };
}
