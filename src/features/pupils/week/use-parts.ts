'use client';

import { useMemo } from 'react';
import type { PartsView } from '@/core/views';
import type { PieceRecord, PupilRecord, Settings } from '@/data';
import { usePieceOptions } from '@/features/shared/pieces/piece-options';
import { useAnswer } from '@/features/shared/parts/use-answer';
import { coreWorker } from '@/workers/client';

interface ForWhom {
  readonly settings: Settings;
  readonly pupil: PupilRecord | null;
}

/** What weeks can be made of in a piece, in a key (null for its own); null until it is known. */
export function useParts(piece: PieceRecord, key: string | null, { settings, pupil }: ForWhom): PartsView | null {
  const { source, options } = usePieceOptions(piece, settings, pupil);
  const ask = useMemo(() => () => coreWorker().parts(source, { ...options, to: key }), [source, options, key]);
  return useAnswer(`${piece.id}/${key}`, ask).value;
}
