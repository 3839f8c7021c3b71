'use client';

import { BookPlus } from 'lucide-react';
import { change, type PieceRecord } from '@/data';
import { useMessages } from '@/features/shared/shell/messages';
import { pieceTitle } from '@/features/shared/pieces/piece-title';
import { useWords } from '@/features/shared/words/use-words';
import { coreWorker } from '@/workers/client';
import type { BenchAnswers } from '../use-bench';

/** Puts the stage that is shown, in the key that is shown, on the shelf as a piece of its own; it knows where it came from. */
export function StageOnShelf({ piece, answers }: { readonly piece: PieceRecord; readonly answers: BenchAnswers }) {
  const w = useWords();
  const { say } = useMessages();
  const { chosen } = answers.stages;
  if (!chosen || chosen.id === 'whole') return null;
  const put = async (): Promise<void> => {
    const title = w.stages.pieceTitle(pieceTitle(piece), chosen.title);
    const made = await coreWorker().stageAsPiece(answers.inStage, answers.options, title);
    if (!made.ok) return say({ kind: 'trouble', text: made.trouble.message, hint: made.trouble.hint });
    const added = {
      id: crypto.randomUUID(),
      origin: 'own' as const,
      fileName: w.stages.fileName,
      musicXml: made.value,
      addedAt: Date.now(),
      part: piece.part,
      stageOf: { piece: piece.id, stage: chosen.id, title: pieceTitle(piece) },
    };
    if (await change({ kind: 'piece.add', pieces: [added] }, w.stages.onShelfEdit(title))) return;
    say({ kind: 'done', text: w.stages.isOnShelf(title) });
  };
  return (
    <button
      type="button"
      className="btn btn-sm h-9 self-start font-normal"
      data-role="stage-on-shelf"
      title={w.stages.onShelfTitle}
      onClick={() => void put()}
    >
      <BookPlus size={16} aria-hidden /> {w.stages.onShelf}
    </button>
  );
}
