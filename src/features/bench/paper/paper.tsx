'use client';

import { memo, useCallback, useMemo } from 'react';
import type { BenchView, HandNoteView } from '@/core/views';
import { EngravedPage } from '@/features/shared/music/engraved-page';
import { ID_PREFIXES } from '@/core/paper';
import type { EngravedSystem, EngraveLayout } from '@/contract/engraving-questions';
import { HandTracks } from '@/features/shared/music/hand-track';
import { NoteMarks } from './note-marks';
import type { PaperMark } from './paper-mark';
import type { PaperPage } from './use-paper-page';
import { useWords } from '@/features/shared/words/use-words';

const NONE: readonly string[] = [];

interface PaperProps {
  readonly view: BenchView;
  readonly layout: EngraveLayout;
  readonly flag: HandNoteView | null;
  /** Notes that are selected, or that sound. */
  readonly now: readonly string[];
  readonly takenUp: string | null;
  /** Notes that the stage leaves out. */
  readonly faint?: readonly string[];
  readonly follows: boolean;
  readonly marks: readonly PaperMark[];
  readonly tracks: 'shown' | 'hidden';
  readonly hasReminders: boolean;
  /** So far beside a note it is still meant, in px. */
  readonly reachPx?: number;
  readonly onNote: (id: string) => void;
  readonly onEngraved: PaperPage['onEngraved'];
}

/** The engraved piece with hand tracks and marks over it. */
export const Paper = memo(function Paper({
  view,
  layout,
  flag,
  now,
  takenUp,
  faint = NONE,
  follows,
  marks,
  tracks,
  hasReminders,
  reachPx = 0,
  onNote,
  onEngraved,
}: PaperProps) {
  const w = useWords();
  const pointed = useMemo(() => bothIds(flag?.noteIds ?? []), [flag]);
  const nowIds = useMemo(() => bothIds(now), [now]);
  const faintIds = useMemo(() => bothIds(faint), [faint]);
  const signed = useMemo(
    () => (hasReminders ? view.bySignature.map((id) => ID_PREFIXES.after + id) : []),
    [view, hasReminders],
  );
  const taken = useMemo(() => (takenUp === null ? [] : [ID_PREFIXES.after + takenUp]), [takenUp]);
  const pressEngraved = useCallback(
    (id: string): void => onNote(id.replace(ID_PREFIXES.before, '').replace(ID_PREFIXES.after, '')),
    [onNote],
  );
  const { positions, positionsBefore } = view;
  const { widthPx } = layout;
  const overlay = useCallback(
    (system: EngravedSystem) => {
      const unit = system.viewBox[2] / widthPx;
      return (
        <>
          {tracks === 'shown' ? (
            <HandTracks system={system} before={positionsBefore} after={positions} unit={unit} onPress={onNote} />
          ) : null}
          {marks.length > 0 ? <NoteMarks system={system} marks={marks} unit={unit} /> : null}
        </>
      );
    },
    [positions, positionsBefore, widthPx, tracks, marks, onNote],
  );
  return (
    <EngravedPage
      page={view.page}
      layout={layout}
      label={w.bench.aboveBars(view.title, view.from, view.to, view.bars)}
      pointed={pointed}
      now={nowIds}
      taken={taken}
      faint={faintIds}
      sought={flag?.noteIds[0] === undefined ? undefined : ID_PREFIXES.after + flag.noteIds[0]}
      follows={follows}
      signed={signed}
      reachPx={reachPx}
      onNote={pressEngraved}
      onEngraved={onEngraved}
      overlay={overlay}
    />
  );
});

function bothIds(ids: readonly string[]): readonly string[] {
  return ids.flatMap((id) => [ID_PREFIXES.before + id, ID_PREFIXES.after + id]);
}
