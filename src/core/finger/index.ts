export { handPositions } from './hand-positions';
export type { HandPosition } from './hand-positions';
export { placePosition } from './place-position';
export type { PlacedPosition } from './place-position';
