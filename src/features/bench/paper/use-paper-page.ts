'use client';

import { useMemo, useRef, useState, type RefObject } from 'react';
import { decidedFor, type Desk, type PieceRecord, type PupilRecord } from '@/data';
import type { Engraved } from '@/features/shared/music/engraved-page';
import { columnsFor, engravedZoom } from '@/features/shared/music/paper-size';
import { useSame } from '@/features/shared/parts/use-same';
import type { Screen } from '@/features/shared/parts/use-screen';
import { useSize, type Size } from '@/features/shared/parts/use-size';
import type { PaperSpace } from './fit';
import type { PaperMark } from './paper-mark';
import type { PaperView } from './paper-tools';
import type { BenchPage } from '../use-bench';
import { useFit } from './use-fit';

/** What is on the paper, and how large: which versions, which marks, set out for the space that there is. */
export interface PaperPage {
  readonly view: PaperView;
  readonly onView: (view: PaperView) => void;
  readonly marks: readonly PaperMark[];
  /** Null until the space is known. */
  readonly page: BenchPage | null;
  /** In per cent. */
  readonly zoom: number;
  /** Told how the systems came out, so that the size can follow. */
  readonly onEngraved: (engraved: Engraved) => void;
}

type Place = RefObject<HTMLDivElement | null>;

/** The paper is in whose hands, in which key (null is the key in which the piece stands) and on what. */
interface PaperFor {
  readonly piece: PieceRecord;
  readonly pupil: PupilRecord | null;
  readonly key: string | null;
  readonly desk: Desk;
  readonly screen: Screen;
}

/** What stands on the desk beside the music itself: the tools of the page, and the tabs of the panel where it comes from below. Unit: px. */
const TOOLS_PX = 44;
const TABS_PX = 44;
/** Larger than this a pair is not made by itself, in per cent. */
const LARGEST = 130;
/** Between the music and its frame. */
const FRAME_PX = 16;

/** The paper. `column` is where it stands, which has its width; `body` is all there is between head and foot, which has its height: a panel that comes
 * up from below must not make the music smaller. */
export function usePaperPage({
  piece,
  pupil,
  key,
  desk,
  screen,
}: PaperFor): readonly [column: Place, body: Place, paper: PaperPage] {
  const [chosen, onView] = useState<PaperView | null>(null);
  // On a phone there is no space for two versions.
  const view = chosen ?? (screen === 'phone' ? 'after' : 'both');
  const [column, body] = [useRef<HTMLDivElement>(null), useRef<HTMLDivElement>(null)];
  const [widthPx, heightPx] = [useSize(column)?.widthPx, useSize(body)?.heightPx];
  const own = decidedFor(piece, pupil?.id ?? null).marks.filter((mark) => mark.key === null || mark.key === key);
  const marks = useSame(own.map(({ kind, note, text }) => ({ kind, note, text })));
  const space = useMemo(
    () =>
      widthPx === undefined || heightPx === undefined
        ? null
        : spaceOf({ widthPx, heightPx }, piece.id, desk, { view, screen }),
    [widthPx, heightPx, piece.id, desk, view, screen],
  );
  const [fit, onEngraved] = useFit(space);
  const zoom = desk.sizing === 'fit' ? fit : desk.zoom;
  const page = useMemo(
    () => (space === null ? null : pageOf(view, space.widthPx, { ...desk, zoom }, marks)),
    [view, space, desk, zoom, marks],
  );
  return [column, body, { view, onView, marks, page, zoom, onEngraved }];
}

function spaceOf(
  { widthPx, heightPx }: Size,
  piece: string,
  { labels, tracks, tools }: Desk,
  { view, screen }: { readonly view: PaperView; readonly screen: Screen },
): PaperSpace {
  const besideMusic = (tools === 'open' ? TOOLS_PX : 0) + (screen === 'wide' ? 0 : TABS_PX);
  return {
    widthPx: widthPx - FRAME_PX,
    heightPx: heightPx - besideMusic - FRAME_PX,
    versions: view === 'both' ? 2 : 1,
    labelLines: labels.length,
    largest: LARGEST,
    subject: `${piece}/${tracks}`,
  };
}

export function pageOf(
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
