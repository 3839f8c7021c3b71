export { FINGERINGS, asWritten, moveTo, openPiece } from './open-piece';
export type { Fingering, OpenedPiece, OpenOptions, Version, Wish } from './open-piece';
export { reportOf } from './report';
export type { Report, ReportFlag, ReportNote, ReportPosition, ReportRemark } from './report';
export { ladderOf } from './ladder';
export type { Ladder, LadderKey } from './ladder';
export { saveAs } from './save';
export type { SavedFile } from './save';
