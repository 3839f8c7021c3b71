'use client';

import { memo } from 'react';
import { ChevronDown, ZoomIn, ZoomOut } from 'lucide-react';
import { LABEL_KINDS, type LabelKind } from '@/core/annotate';
import { change, type Desk } from '@/data';
import { FoldOut } from '@/features/shared/parts/fold-out';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { withKey } from '@/features/shared/keys/key-caps';
import { BENCH_KEYS } from '../keys/key-names';
import { Checkbox } from '@/features/shared/parts/checkbox';

/** What is on the paper: both versions, the new one alone, or fingers without a staff. */
export const PAPER_VIEWS = ['both', 'after', 'fingers'] as const;
export type PaperView = (typeof PAPER_VIEWS)[number];

const viewNames = (w: Words): Readonly<Record<PaperView, string>> => ({
  both: w.shared.beforeAndAfter,
  after: w.bench.afterAlone,
  fingers: w.shared.fingerNumbers,
});

export const ZOOMS = [80, 100, 125, 150, 200] as const;

/** The next larger or smaller size; the last one again at the end. */
export function zoomBy(zoom: number, by: 1 | -1): number {
  const others = by > 0 ? ZOOMS.filter((size) => size > zoom) : ZOOMS.filter((size) => size < zoom).toReversed();
  return others[0] ?? zoom;
}

interface PaperToolsProps {
  readonly view: PaperView;
  readonly desk: Desk;
  /** How large the music is now, in per cent. */
  readonly zoom: number;
  readonly onView: (view: PaperView) => void;
}

/** What is shown on the paper, and how large. */
export const PaperTools = memo(function PaperTools({ view, desk, zoom, onView }: PaperToolsProps) {
  const w = useWords();
  return (
    <>
      <div role="group" aria-label={w.shared.whatIsShown} className="join shrink-0">
        {PAPER_VIEWS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={view === one}
            data-view={one}
            className={`btn btn-sm join-item h-9 px-2.5 font-normal whitespace-nowrap ${view === one ? 'btn-neutral' : ''}`}
            onClick={() => onView(one)}
          >
            {viewNames(w)[one]}
          </button>
        ))}
      </div>
      <UnderNotes desk={desk} />
      <div className="flex shrink-0 items-center">
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9"
          aria-label={w.shared.smallerButton}
          title={withKey(w.shared.smallerButton, BENCH_KEYS.smaller)}
          disabled={zoom <= ZOOMS[0]}
          onClick={() => setZoom(zoomBy(zoom, -1))}
        >
          <ZoomOut size={16} aria-hidden />
        </button>
        <span className="w-12 text-center text-sm" data-role="zoom">
          {zoom} %
        </span>
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square size-9"
          aria-label={w.shared.largerButton}
          title={withKey(w.shared.largerButton, BENCH_KEYS.larger)}
          disabled={zoom >= 200}
          onClick={() => setZoom(zoomBy(zoom, 1))}
        >
          <ZoomIn size={16} aria-hidden />
        </button>
        <button
          type="button"
          aria-pressed={desk.sizing === 'fit'}
          className={`btn btn-sm h-9 px-2.5 font-normal ${desk.sizing === 'fit' ? 'btn-neutral' : ''}`}
          title={withKey(w.bench.asLargeAsOneWholePair, BENCH_KEYS.fit)}
          data-role="fit"
          onClick={() => leave({ sizing: 'fit' })}
        >
          {w.bench.fit}
        </button>
      </div>
    </>
  );
});

/** Sets how large the music is, whatever fits. */
export function setZoom(zoom: number): void {
  leave({ zoom, sizing: 'set' });
}

export function leave(desk: Partial<Desk>): void {
  void change({ kind: 'note.desk', change: desk });
}

/** Names of movable do of which only one makes sense at a time. */
const ONE_OF: readonly LabelKind[] = ['do-minor', 'la-minor'];

export function withLabel(labels: readonly LabelKind[], kind: LabelKind): readonly LabelKind[] {
  if (labels.includes(kind)) return labels.filter((one) => one !== kind);
  const others = ONE_OF.includes(kind) ? labels.filter((one) => !ONE_OF.includes(one)) : labels;
  return LABEL_KINDS.filter((one) => one === kind || others.includes(one));
}

function UnderNotes({ desk }: { readonly desk: Desk }) {
  const w = useWords();
  return (
    <FoldOut
      summary={
        <>
          {w.bench.underNotes(desk.labels.length)} <ChevronDown size={16} aria-hidden />
        </>
      }
      className="btn btn-sm h-9 px-2.5 font-normal whitespace-nowrap"
      role="under-notes"
      side="left"
      width="w-64"
    >
      <div className="flex flex-col p-2">
        <label className="flex min-h-8 cursor-pointer items-center gap-2">
          <Checkbox
            checked={desk.tracks === 'shown'}
            onChange={(event) => leave({ tracks: event.target.checked ? 'shown' : 'hidden' })}
          />
          {w.bench.whereHandsSitHandTrack}
        </label>
        {LABEL_KINDS.map((kind) => (
          <label key={kind} className="flex min-h-8 cursor-pointer items-center gap-2">
            <Checkbox
              data-label={kind}
              checked={desk.labels.includes(kind)}
              onChange={() => leave({ labels: [...withLabel(desk.labels, kind)] })}
            />
            {w.says.labelNames[kind]}
          </label>
        ))}
      </div>
    </FoldOut>
  );
}
