'use client';

import { useMemo } from 'react';
import type { Level, Player } from '@/core/fingering';
import type { Wording } from '@/core/explain';
import type { KeyboardSize } from '@/core/keyboard';
import type { Decisions } from '@/core/piece';
import { decidedFor, type PieceRecord, type PupilRecord, type Settings } from '@/data';
import type { BenchOptions, PieceSource } from '@/contract/piece-asked';
import { useSame } from '../parts/use-same';
import { useWords } from '../words/use-words';

/** The hand that plays: the pupil's, with the teacher's dials. */
export function playerOf(settings: Settings, pupil: PupilRecord | null): Player {
  const { closeChords, tonicHand, fifthSixth, thumbOffBlack, keepPrinted, moveOverStretch } = settings;
  const { level, spanMm } = pupil ?? settings;
  return {
    level: Number(level) as Level,
    spanMm,
    // A school of the pupil’s own where there is one, else that of the studio.
    outer: pupil?.outer ?? settings.outer,
    inner: pupil?.inner ?? settings.inner,
    repeat: pupil?.repeat ?? settings.repeat,
    closeChords,
    tonicHand,
    fifthSixth,
    thumbOffBlack,
    keepPrinted,
    moveOverStretch,
  };
}

/** The same; it keeps its identity while it says the same. */
export function usePlayerOf(settings: Settings, pupil: PupilRecord | null): Player {
  return useSame(playerOf(settings, pupil));
}

/** What was decided for this pupil, in all keys. */
function decisionsOf(piece: PieceRecord, pupil: PupilRecord | null): Decisions {
  const { fingers, aside } = decidedFor(piece, pupil?.id ?? null);
  return {
    fingers: fingers.map(({ key, note, finger }) => ({ key, note, finger })),
    aside: aside.map(({ key, flag, reason }) => ({ key, flag, reason })),
  };
}

/** What the core is asked about a piece as a whole: which piece, and how all its keys are wanted. */
export interface PieceOptions {
  readonly source: PieceSource;
  readonly options: BenchOptions;
}

/** A piece for a pupil, or for any hand, in all keys alike: the nearest way, no octaves. */
export function pieceOptionsOf(
  { musicXml, ownKey, part, ...piece }: PieceRecord,
  {
    settings,
    pupil,
    wording,
  }: { readonly settings: Settings; readonly pupil: PupilRecord | null; readonly wording: Wording },
): PieceOptions {
  const { fingering, spelling, courtesy, keyboard } = settings;
  return {
    source: { musicXml, ownKey, part: part ?? null },
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
      player: playerOf(settings, pupil),
      keyboard: Number(keyboard) as KeyboardSize,
      respelled: [],
      decisions: decisionsOf({ musicXml, ownKey, part, ...piece }, pupil),
      wording,
    },
  };
}

/** The same; it keeps its identity while it says the same. */
export function usePieceOptions(piece: PieceRecord, settings: Settings, pupil: PupilRecord | null): PieceOptions {
  const { wording } = useWords();
  const now = pieceOptionsOf(piece, { settings, pupil, wording });
  const source = useSame(now.source);
  const options = useSame(now.options);
  return useMemo(() => ({ source, options }), [source, options]);
}
