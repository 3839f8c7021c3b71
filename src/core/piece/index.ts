export { askedIn } from './asked-in';
export { FINGERINGS, asWritten, moveTo, openPiece, openPlainPiece } from './open-piece';
export type { Fingering, OpenedPiece, OpenOptions, Version, MoveOptions } from './open-piece';
export { NO_DECISIONS, flagName } from './decisions';
export type { DecidedFinger, Decisions, FlagAside, SetAside } from './decisions';
export { saveAs } from './save-as';
export type { SavedFile } from './save-as';
export { baselinesOf } from './play-hands';
export { fingersById } from './fingers-by-id';
