export type { AskedBar, AskedMoment, AskedMusic, AskedNote } from './asked-music';
export { askedOf } from './asked-of';
export { inOrder, momentsOf, SAME_TIME } from './moments';
export type { AskedPart } from './asked-of';
export type { StruckKey } from '../read';
