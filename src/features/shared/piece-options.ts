'use client';

import { useMemo } from 'react';
import type { Level, Player } from '@/core/fingering';
import type { Decisions } from '@/core/piece';
import { decidedFor, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import type { BenchOptions, PieceSource } from '@/workers/protocol';
import { useSame } from './use-same';
import { useWords } from './words/use-words';

/** The hand that plays: the pupil's, with the teacher's dials. */
export function usePlayerOf(settings: Settings, pupil: PupilRecord | null): Player {
  const { closeChords, thumbOffBlack, keepPrinted, moveOverStretch } = settings;
  const { level, spanMm } = pupil ?? settings;
  // A school of the pupil’s own where there is one, else that of the studio.
  const outer = pupil?.outer ?? settings.outer;
  const inner = pupil?.inner ?? settings.inner;
  const repeat = pupil?.repeat ?? settings.repeat;
  return useMemo(
    () => ({
      level: Number(level) as Level,
      spanMm,
      outer,
      inner,
      repeat,
      closeChords,
      thumbOffBlack,
      keepPrinted,
      moveOverStretch,
    }),
    [level, spanMm, outer, inner, repeat, closeChords, thumbOffBlack, keepPrinted, moveOverStretch],
  );
}

/** What was decided for this pupil, in all keys. It keeps its identity while it says the same. */
export function useDecisions(piece: PieceRecord, pupil: PupilRecord | null): Decisions {
  const { fingers, aside } = decidedFor(piece, pupil?.id ?? null);
  return useSame({
    fingers: fingers.map(({ key, note, finger }) => ({ key, note, finger })),
    aside: aside.map(({ key, flag, reason }) => ({ key, flag, reason })),
  });
}

/** What the core is asked about a piece as a whole: which piece, and how all its keys are wanted. */
export interface PieceOptions {
  readonly source: PieceSource;
  readonly options: BenchOptions;
}

/** A piece for a pupil, or for any hand, in all keys alike: the nearest way, no octaves. */
export function usePieceOptions(piece: PieceRecord, settings: Settings, pupil: PupilRecord | null): PieceOptions {
  const { musicXml, ownKey } = piece;
  const part = piece.part ?? null;
  const { fingering, spelling, courtesy } = settings;
  const keyboard = Number(settings.keyboard);
  const player = usePlayerOf(settings, pupil);
  const decisions = useDecisions(piece, pupil);
  const { wording } = useWords();
  return useMemo(
    () => ({
      source: { musicXml, ownKey, part },
      options: {
        to: null,
        direction: 'nearest',
        octaveRight: 0,
        octaveLeft: 0,
        sixth: 'natural',
        seventh: 'raised',
        spelling,
        courtesy,
        fingering,
        player,
        keyboard,
        respelled: [],
        decisions,
        wording,
      },
    }),
    [musicXml, ownKey, part, spelling, courtesy, fingering, player, keyboard, decisions, wording],
  );
}
