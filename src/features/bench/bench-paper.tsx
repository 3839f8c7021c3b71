import { useMemo, type RefObject } from 'react';
import type { BenchView } from '@/core/views';
import type { Desk, Settings } from '@/data';
import { FingerPageView } from './finger-page-view';
import { MarkEvery } from './mark-every';
import { Paper } from './paper';
import { PaperTools } from './paper-tools';
import type { BenchAnswers } from './use-bench';
import type { DecisionActions } from './use-decide';
import { useFollowing } from './use-following';
import type { PaperPage } from './use-paper-page';
import type { BenchPlayer } from './use-player';
import type { TakenUp } from './use-taken-up';

interface BenchPaperProps {
  readonly paperRef: RefObject<HTMLDivElement | null>;
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
  paperRef,
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
  const { value: view } = answers.view;
  const { page, marks } = paper;
  const { moment, note, handNote, takeUp } = taken;
  const follows = useFollowing(player);
  const now = useMemo(
    () => (player.isPlaying ? player.ids : (moment?.keys.map(({ noteId }) => noteId) ?? NONE)),
    [player.isPlaying, player.ids, moment],
  );
  return (
    <div className="min-w-0 rounded-box border border-base-300 bg-base-100">
      <div className="flex flex-wrap items-center gap-2 border-b border-base-300 px-3 py-1 text-sm">
        <PaperTools view={paper.view} desk={desk} onView={paper.onView} />
        {later ? <MarkEvery view={later} marks={marks} actions={actions} /> : null}
      </div>
      <div ref={paperRef} className="px-2" data-role="paper" data-key={view?.toText}>
        {page && paper.view === 'fingers' ? (
          <FingerPageView
            answers={answers}
            subject={subject}
            widthPx={page.layout.widthPx}
            zoom={desk.zoom}
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
            takenUp={player.isPlaying ? null : (note?.noteId ?? null)}
            follows={follows}
            marks={marks}
            tracks={desk.tracks}
            hasReminders={settings.reminders === 'signature'}
            onNote={takeUp}
          />
        ) : null}
      </div>
    </div>
  );
}
