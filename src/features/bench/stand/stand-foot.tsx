import { useRef, type ReactNode } from 'react';
import { useFootRoom } from '@/features/shared/parts/use-foot-room';
import { ChevronLeft, ChevronRight, Play, Square } from 'lucide-react';
import type { BenchPlayer } from '../sound/use-player';
import type { StandPaper } from './use-stand-page';
import { useWords } from '@/features/shared/words/use-words';

interface StandFootProps {
  readonly paper: StandPaper;
  readonly player: BenchPlayer;
  readonly onTurn: (by: 1 | -1) => void;
  readonly onPlay: () => void;
  /** What stands over the buttons: the keys, or the pencil. */
  readonly children: ReactNode;
}

/** Turning pages, and hearing the piece. */
export function StandFoot({ paper, player, onTurn, onPlay, children }: StandFootProps) {
  const w = useWords();
  const { pages, at } = paper;
  const foot = useRef<HTMLDivElement>(null);
  useFootRoom(foot);
  return (
    <div ref={foot} className="shrink-0 border-t border-base-300 bg-base-200 pt-1.5">
      <div className="h-14">{children}</div>
      <div className="flex h-12 items-center justify-between gap-2 px-2 pb-1">
        <button
          type="button"
          className="btn h-11 w-24 max-sm:w-16"
          aria-label={w.stand.turnBack}
          disabled={at === 0}
          onClick={() => onTurn(-1)}
        >
          <ChevronLeft size={20} aria-hidden />
        </button>
        <span className="text-sm whitespace-nowrap" data-role="stand-place" aria-live="polite">
          {w.stand.pageOf(at, Math.max(1, pages.length))}
        </span>
        <button type="button" className="btn btn-primary h-11 w-28" data-role="stand-play" onClick={onPlay}>
          {player.isPlaying ? <Square size={18} aria-hidden /> : <Play size={18} aria-hidden />}
          {player.isPlaying ? w.shared.stop : player.is === 'getting-ready' ? '…' : w.shared.play}
        </button>
        <button
          type="button"
          className="btn h-11 w-24 max-sm:w-16"
          aria-label={w.stand.turnPage}
          disabled={at >= pages.length - 1}
          onClick={() => onTurn(1)}
        >
          <ChevronRight size={20} aria-hidden />
        </button>
      </div>
    </div>
  );
}
