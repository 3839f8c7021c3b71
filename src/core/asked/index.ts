export type { AskedBar, AskedMusic, AskedNote, HandFrame, AskedMoment } from './asked-music';
export { askedOf } from './asked-of';
export type { AskedPart, PlayedPiece } from './asked-of';
export type { StruckKey } from '../read';
