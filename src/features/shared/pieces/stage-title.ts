import type { PieceRecord } from '@/data';
import type { Words } from '../words/use-words';

/** What a stage is called, by its id: as the teacher named it where it is an own one of the piece. */
export function stageTitleOf(w: Words, piece: Pick<PieceRecord, 'ownStages'> | null, stage: string): string {
  return piece?.ownStages.find(({ id }) => id === stage)?.title ?? w.says.stageIdTitle(stage);
}
