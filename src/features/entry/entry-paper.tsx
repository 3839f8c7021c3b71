'use client';

import { memo, useEffect, useMemo, useRef, type ComponentProps } from 'react';
import type { CaretView, EntryView, PositionView, SystemPage } from '@/core/views';
import { engravedZoom } from '@/features/shared/music/paper-size';
import { useSame } from '@/features/shared/parts/use-same';
import type { EngraveLayout } from '@/contract/engraving-questions';
import { EnteredLine } from './entered-line';

interface EntryPaperProps {
  readonly view: EntryView;
  readonly tracks: readonly PositionView[];
  readonly widthPx: number;
  readonly zoom: number;
  readonly onNote: (id: string) => void;
}

/** The piece as it is entered, line by line. Only lines that changed are engraved anew. */
export const EntryPaper = memo(function EntryPaper({ view, tracks, widthPx, zoom, onNote }: EntryPaperProps) {
  const layout = useMemo<EngraveLayout>(
    () => ({ widthPx, zoom: engravedZoom(zoom), breaks: 'none', spread: 'natural' }),
    [widthPx, zoom],
  );
  const holder = useRef<HTMLDivElement>(null);
  const { caret, systems } = view;
  const line = lineOf(systems, caret);
  useEffect(() => {
    holder.current?.querySelector(`[data-line="${line}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [line, caret]);
  const current = view.current.join(' ');
  const selected = view.selected.join(' ');
  return (
    <div ref={holder} data-role="entered" data-notes={view.notes}>
      {systems.map((system, i) => (
        <div key={system.from} data-line={i} className="scroll-mt-40 scroll-mb-44">
          <LineOfPiece
            system={system}
            layout={layout}
            caret={i === line ? caret : null}
            signs={Math.abs(view.inForce.fifths)}
            entered={isOn(system, view.entered?.bar, i === systems.length - 1) ? view.entered : null}
            current={i === line || i === line - 1 ? current : ''}
            selected={selected}
            wrong={view.miscounts.filter(({ bar }) => isOn(system, bar, false))}
            tracks={tracks}
            onNote={onNote}
          />
        </div>
      ))}
    </div>
  );
});

/** A line with the bars of it that do not add up: the same list for as long as it says the same, so that a line that did not change is not drawn again. */
function LineOfPiece({ wrong, ...line }: ComponentProps<typeof EnteredLine>) {
  return <EnteredLine {...line} wrong={useSame(wrong)} />;
}

/** Whether a bar is on a line; one that was just added is on the last as long as that was not set out anew. */
function isOn({ from, to }: SystemPage, bar: number | undefined, isLast: boolean): boolean {
  return bar !== undefined && bar >= from && (bar < to || isLast);
}

/** The line that the caret is on; behind the last bar it is on the last one. */
function lineOf(systems: readonly SystemPage[], { bar }: CaretView): number {
  const at = systems.findIndex(({ from, to }) => bar >= from && bar < to);
  return at < 0 ? systems.length - 1 : at;
}
