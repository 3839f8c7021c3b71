import type { Desk, PieceRecord, PupilRecord, Settings } from '@/data';

/** For whom the piece is moved: a pupil, or any hand as Settings have it. */
export interface BenchFor {
  readonly piece: PieceRecord;
  readonly settings: Settings;
  readonly pupil: PupilRecord | null;
  readonly desk: Desk;
}
