export { readPiece, splitPieces, MAX_FILE_MB } from './read-piece';
export { readMusicXml } from './read-musicxml';
export type { Reading } from './read-musicxml';
export { readAccidental, readPitch } from './read-note';
export { readKey } from './read-attributes';
export { chordNames } from './read-part';
export { parseXml } from './parse-xml';
export { OWN_FILE_VERSION } from './own-file';
