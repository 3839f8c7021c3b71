import { Check, CircleDashed, PencilLine } from 'lucide-react';
import { parseKey } from '@/core/pitch';
import type { PieceRecord, RunRecord } from '@/data';
import { stageTitleOf } from '@/features/shared/pieces/stage-title';
import { useWords, type Words } from '@/features/shared/words/use-words';

const SIGNS = { clean: Check, unclean: CircleDashed, ticked: PencilLine } as const;

interface RunLineProps {
  readonly run: RunRecord;
  /** Null where it is not there any more. */
  readonly piece: PieceRecord | null;
}

/** A run in two lines: how it came out, of what, when, how, and what went wrong. */
export function RunLine({ run, piece }: RunLineProps) {
  const w = useWords();
  const Sign = SIGNS[run.outcome];
  return (
    <>
      <Sign size={18} aria-label={w.record.outcomes[run.outcome]} className="shrink-0" />
      <span className="min-w-0 flex-1">
        <span className="block font-semibold">{runTitle(w, run)}</span>
        <span className="block text-sm text-secondary">{runFacts(w, run, piece)}</span>
      </span>
    </>
  );
}

/** What a run was of, and when. */
export function runTitle(w: Words, { title, key, atMs }: RunRecord): string {
  const found = parseKey(key, 'major');
  return w.record.title(title, found ? w.says.key(found) : key, whenWords(atMs));
}

function whenWords(atMs: number): string {
  const at = new Date(atMs);
  const day = at.toLocaleDateString([], { day: 'numeric', month: 'short' });
  return `${day}, ${at.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`;
}

/** How it was played and how it went, in a line. */
function runFacts(w: Words, run: RunRecord, piece: PieceRecord | null): string {
  const kinds = new Map<string, number>();
  for (const { kind } of run.faults) kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
  return [
    w.record.outcomes[run.outcome],
    ...(run.music === 'warm-up' ? [w.record.warmUp] : []),
    ...(run.stage === null ? [] : [stageTitleOf(w, piece, run.stage)]),
    w.practice.hands[run.hand],
    ...(run.outcome === 'ticked'
      ? []
      : [
          w.practice.stepWays[run.way],
          w.record.tempo(run.tempo),
          w.record.right(run.right, run.written),
          w.record.took(run.tookMs),
        ]),
    ...[...kinds].map(([kind, count]) => w.record.faults(kind, count)),
    ...(run.unclear && run.unclear.length > 0 ? [w.record.unclear(run.unclear.length)] : []),
    ...(run.playedOn === 'simulated' ? [w.record.simulated] : []),
  ].join(' · ');
}
