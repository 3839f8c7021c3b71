import { ChevronLeft, ChevronRight, Play, Square } from 'lucide-react';
import type { BenchPlayer } from '../use-player';
import type { StandPaper } from './use-stand-page';

interface StandFootProps {
  readonly paper: StandPaper;
  readonly player: BenchPlayer;
  readonly onTurn: (by: 1 | -1) => void;
  readonly onPlay: () => void;
}

/** Turning pages, and hearing the piece. */
export function StandFoot({ paper, player, onTurn, onPlay }: StandFootProps) {
  const { pages, at } = paper;
  return (
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
  );
}
