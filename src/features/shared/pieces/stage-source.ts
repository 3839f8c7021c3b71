import type { StagesKept } from '@/core/views';
import type { PieceRecord, PupilRecord, Settings } from '@/data';
import type { PieceSource, StageSource } from '@/contract/piece-asked';

/** The stage of a piece that is asked for, as the worker wants it; null for the whole piece. */
export function stageSourceOf(piece: PieceRecord, pupil: PupilRecord | null, id: string | null): StageSource | null {
  if (id === null || id === 'whole') return null;
  const fingers = piece.stageFingers.filter(({ stage, pupil: whose }) => stage === id && whose === (pupil?.id ?? null));
  return {
    id,
    own: piece.ownStages.find((own) => own.id === id) ?? null,
    fingers: fingers.map(({ key, note, finger }) => ({ key, note, finger })),
  };
}

/** What the teacher made of the stages of a piece, for this pupil. */
export function stagesKeptOf(piece: PieceRecord, pupil: PupilRecord | null, settings: Settings): StagesKept {
  return {
    set: { order: piece.stageOrder, left: piece.stagesLeft, added: piece.stagesAdded },
    habit: { order: settings.stageOrder, left: settings.stagesLeft },
    own: piece.ownStages,
    fingers: piece.stageFingers
      .filter(({ pupil: whose }) => whose === (pupil?.id ?? null))
      .map(({ stage, key, note, finger }) => ({ stage, key, note, finger })),
  };
}

/** Gives the same object for the same stage of a piece: what was asked ahead is found again by it. */
export function stageSources(whole: PieceSource): (stage: StageSource | null) => PieceSource {
  const known = new Map<string, PieceSource>();
  return (stage) => {
    if (stage === null) return whole;
    const name = JSON.stringify(stage);
    const source = known.get(name) ?? { ...whole, stage };
    known.set(name, source);
    return source;
  };
}

/** What the teacher made of the stages and the steps, as it goes into a piece file of ours; nothing where nothing was made. */
export function stagesBeside(piece: PieceRecord): { readonly stages?: unknown; readonly homework?: unknown } {
  const { stageOrder, stagesLeft, stagesAdded, ownStages, stageFingers, homework } = piece;
  const lists = { stageOrder, stagesLeft, stagesAdded, ownStages, stageFingers };
  return {
    ...(Object.values(lists).every((list) => list.length === 0) ? {} : { stages: lists }),
    ...(homework.length === 0 ? {} : { homework }),
  };
}
