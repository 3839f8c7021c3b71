import { useEffect, useRef, type MouseEvent, type RefObject } from 'react';
import type { BenchView } from '@/core/views';
import type { Desk, Settings } from '@/data';
import { Paper } from '../paper/paper';
import type { BenchPlayer } from '../sound/use-player';
import type { StandPaper } from './use-stand-page';

const NOTHING: readonly string[] = [];

interface PageViewProps {
  readonly room: RefObject<HTMLDivElement | null>;
  readonly paper: StandPaper;
  readonly view: BenchView | null;
  readonly player: BenchPlayer;
  readonly desk: Desk;
  readonly settings: Settings;
  /** What the pencil does to a note; null where it is not in hand. */
  readonly onNote: ((id: string) => void) | null;
  readonly onTurn: (by: 1 | -1) => void;
  readonly onMiddle: () => void;
}

/** A tap this near to an edge turns the page; a part of the width. */
const EDGE = 0.35;

/** A note is touched by a pencil that is so near to it. Unit: px. */
const PENCIL_REACH_PX = 26;

/** The page that is open, and nothing of the next one. */
export function PageView({ room, paper, view, player, desk, settings, onNote, onTurn, onMiddle }: PageViewProps) {
  const sheet = useRef<HTMLDivElement>(null);
  const open = paper.pages[paper.at];
  useEffect(() => {
    if (sheet.current && open) sheet.current.scrollTop = open.topPx;
  }, [open]);
  const tap = ({ clientX, currentTarget }: MouseEvent): void => {
    if (onNote) return;
    const { left, width } = currentTarget.getBoundingClientRect();
    const at = (clientX - left) / width;
    if (at < EDGE) onTurn(-1);
    else if (at > 1 - EDGE) onTurn(1);
    else onMiddle();
  };
  return (
    <div
      ref={room}
      className={`min-h-0 flex-1 overflow-hidden ${onNote ? 'cursor-crosshair' : ''}`}
      onClick={tap}
      data-role="stand-page"
      data-key={view?.toText}
      data-page={paper.at}
    >
      <div
        ref={sheet}
        className="mx-auto overflow-hidden"
        // The music is exactly as wide as it was engraved for, so that its systems are as high as was counted.
        style={{ width: paper.page?.layout.widthPx, height: open?.heightPx, maxHeight: '100%' }}
      >
        {view && paper.page ? (
          <Paper
            view={view}
            layout={paper.page.layout}
            flag={null}
            now={player.isPlaying ? player.ids : NOTHING}
            takenUp={null}
            follows={false}
            marks={paper.marks}
            tracks={desk.tracks}
            hasReminders={settings.reminders === 'signature'}
            reachPx={onNote ? PENCIL_REACH_PX : 0}
            onNote={onNote ?? nothing}
            onEngraved={paper.onEngraved}
          />
        ) : null}
      </div>
    </div>
  );
}

function nothing(): void {
  // Without the pencil a press on a note turns the page like any other.
}
