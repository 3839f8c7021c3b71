import { useMemo, type RefObject } from 'react';
import type { BenchView } from '@/core/views';
import type { Desk, Settings } from '@/data';
import { FingerPageView } from './finger-page-view';
import { MarkEvery } from './mark-every';
import { Paper } from './paper';
import { PaperTools } from './paper-tools';
import type { BenchAnswers } from '../use-bench';
import type { DecisionActions } from '../beside/use-decide';
import { useFollowing } from '../sound/use-following';
import type { PaperPage } from './use-paper-page';
import type { BenchPlayer } from '../sound/use-player';
import type { TakenUp } from '../beside/use-taken-up';
import { useWords } from '@/features/shared/words/use-words';

interface BenchPaperProps {
  readonly column: RefObject<HTMLDivElement | null>;
  readonly paper: PaperPage;
  readonly subject: string;
  readonly answers: BenchAnswers;
  /** The view as it stands beside the paper: it may come a little later. */
  readonly later: BenchView | null;
  readonly taken: TakenUp;
  readonly player: BenchPlayer;
  readonly actions: DecisionActions;
  readonly settings: Settings;
  readonly desk: Desk;
}

const NONE: readonly string[] = [];

/** The music, with the tools that belong to it. */
export function BenchPaper({
  column,
  paper,
  subject,
  answers,
  later,
  taken,
  player,
  actions,
  settings,
  desk,
}: BenchPaperProps) {
  const w = useWords();
  const { value: view } = answers.view;
  const { page, marks } = paper;
  const { moment, note, handNote, takeUp } = taken;
  const follows = useFollowing(player);
  const now = useMemo(
    () => (player.isPlaying ? player.ids : (moment?.keys.map(({ noteId }) => noteId) ?? NONE)),
    [player.isPlaying, player.ids, moment],
  );
  return (
    <div ref={column} className="flex min-h-0 min-w-0 flex-1 flex-col bg-base-100">
      {desk.tools === 'open' ? (
        <div
          className="flex min-h-11 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-base-300 px-3 py-1 text-sm"
          data-role="page-tools"
        >
          <PaperTools view={paper.view} desk={desk} zoom={paper.zoom} onView={paper.onView} />
          {later ? <MarkEvery view={later} marks={marks} actions={actions} /> : null}
        </div>
      ) : null}
      <div
        role="region"
        aria-label={w.bench.music}
        tabIndex={0}
        className="min-h-0 flex-1 overflow-y-auto overscroll-contain px-2 print:overflow-visible"
        data-scrolls
        data-role="paper"
        data-key={view?.toText}
        data-stage-shown={view?.stage ?? 'whole'}
      >
        {page && paper.view === 'fingers' ? (
          <FingerPageView
            answers={answers}
            subject={subject}
            widthPx={page.layout.widthPx}
            zoom={paper.zoom}
            now={now}
            onNote={takeUp}
          />
        ) : null}
        {view && page && paper.view !== 'fingers' ? (
          <Paper
            view={view}
            layout={page.layout}
            flag={handNote}
            now={now}
            faint={answers.faint}
            takenUp={player.isPlaying ? null : (note?.noteId ?? null)}
            follows={follows}
            marks={marks}
            tracks={desk.tracks}
            hasReminders={settings.reminders === 'signature'}
            onNote={takeUp}
            onEngraved={paper.onEngraved}
          />
        ) : null}
      </div>
    </div>
  );
}

/** Scrolls the music by nearly as much as is seen of it: the last line seen before is still there. */
export function scrollMusic(by: 1 | -1): void {
  const room = document.querySelector('[data-role=paper]');
  room?.scrollBy({ top: by * room.clientHeight * 0.85, behavior: 'smooth' });
}
