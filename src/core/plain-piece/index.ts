export { composeMusicXml } from './compose-musicxml';
export { PLAIN_BAR, PLAIN_EVENT, PLAIN_TICKS } from './plain-piece';
export type { PlainBar, PlainEvent, PlainNote, PlainPiece, PlainLyric, PlainStaff } from './plain-piece';
export { parseChordSymbol } from './chord-symbol';
export { withTriplets } from './triplets';
