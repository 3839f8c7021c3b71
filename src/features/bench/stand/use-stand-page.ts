'use client';

import { useCallback, useMemo, useRef, useState, type RefObject } from 'react';
import { decidedFor, type Desk, type PieceRecord, type PupilRecord } from '@/data';
import type { Engraved } from '@/features/shared/music/engraved-page';
import { useSame } from '@/features/shared/parts/use-same';
import { useSize } from '@/features/shared/parts/use-size';
import type { PaperSpace } from '../paper/fit';
import type { PaperMark } from '../paper/paper-mark';
import type { BenchPage } from '../use-bench';
import { useFit } from '../paper/use-fit';
import { pageOf } from '../paper/use-paper-page';
import { pageOfBar, standPages, type StandPage } from './pages';

/** What the music stand shows: the new key alone, page by page. */
export interface StandPaper {
  readonly marks: readonly PaperMark[];
  /** Null until the space is known. */
  readonly page: BenchPage | null;
  readonly pages: readonly StandPage[];
  /** Which page is open; they stay at their bars when the key or the size changes. */
  readonly at: number;
  readonly turnTo: (page: number) => void;
  readonly showBar: (bar: number) => void;
  readonly onEngraved: (engraved: Engraved) => void;
}

/** Between the music and the edges of the screen. Unit: px. */
const MARGIN_PX = 24;

interface StandFor {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord | null;
  readonly key: string | null;
  readonly desk: Desk;
}

/** The paper on the stand. The first is where it is, so that its space is known. */
export function useStandPage({
  piece,
  pupil,
  key,
  desk,
}: StandFor): readonly [RefObject<HTMLDivElement | null>, StandPaper] {
  const ref = useRef<HTMLDivElement>(null);
  const size = useSize(ref);
  const own = decidedFor(piece, pupil?.id ?? null).marks.filter((mark) => mark.key === null || mark.key === key);
  const marks = useSame(own.map(({ kind, note, text }) => ({ kind, note, text })));
  const space = useMemo(
    (): PaperSpace | null =>
      size && {
        widthPx: size.widthPx - MARGIN_PX,
        heightPx: size.heightPx,
        versions: 1,
        labelLines: desk.labels.length,
        largest: desk.stand,
        subject: `${piece.id}/${desk.tracks}`,
      },
    [size, desk, piece.id],
  );
  const [zoom, fitTo] = useFit(space);
  const page = useMemo(
    () => (space === null ? null : pageOf('after', space.widthPx, { ...desk, zoom }, marks)),
    [space, desk, zoom, marks],
  );
  const [systems, setSystems] = useState<Engraved['systems']>([]);
  const onEngraved = useCallback(
    (engraved: Engraved): void => {
      fitTo(engraved);
      setSystems(engraved.systems);
    },
    [fitTo],
  );
  const pages = useMemo(() => standPages(systems, space?.heightPx ?? 0), [systems, space]);
  const [bar, showBar] = useState(0);
  const turnTo = useCallback(
    (wanted: number): void => {
      const found = pages[Math.min(pages.length - 1, Math.max(0, wanted))];
      if (found) showBar(found.fromBar);
    },
    [pages],
  );
  return [ref, { marks, page, pages, at: pageOfBar(pages, bar), turnTo, showBar, onEngraved }];
}
