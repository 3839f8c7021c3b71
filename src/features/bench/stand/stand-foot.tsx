import { useRef, type ReactNode } from 'react';
import { useFootRoom } from '@/features/shared/use-foot-room';
import { ChevronLeft, ChevronRight, Play, Square } from 'lucide-react';
import type { BenchPlayer } from '../use-player';
import type { StandPaper } from './use-stand-page';

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
          aria-label="Turn back"
          disabled={at === 0}
          onClick={() => onTurn(-1)}
        >
          <ChevronLeft size={20} aria-hidden />
        </button>
        <span className="text-sm whitespace-nowrap" data-role="stand-place" aria-live="polite">
          page {at + 1} of {Math.max(1, pages.length)}
        </span>
        <button type="button" className="btn btn-primary h-11 w-28" data-role="stand-play" onClick={onPlay}>
          {player.isPlaying ? <Square size={18} aria-hidden /> : <Play size={18} aria-hidden />}
          {player.isPlaying ? 'Stop' : player.is === 'getting-ready' ? '…' : 'Play'}
        </button>
        <button
          type="button"
          className="btn h-11 w-24 max-sm:w-16"
          aria-label="Turn the page"
          disabled={at >= pages.length - 1}
          onClick={() => onTurn(1)}
        >
          <ChevronRight size={20} aria-hidden />
        </button>
      </div>
    </div>
  );
}
