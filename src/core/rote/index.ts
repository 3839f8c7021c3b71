export {
  fromLowest,
  isNextAbove,
  keyPlace,
  nextNamedAbove,
  nextPlaceAbove,
  pitchInOctave,
  spelledPlace,
  wayBetween,
} from './key-place';
export { pieceOfRote, timeOf } from './piece-of-rote';
export { roteOf } from './rote-of';
export type {
  RoteBar,
  RoteLine,
  RoteNote,
  RoteRow,
  RoteSeat,
  RoteSheet,
  RoteStretch,
  RoteWay,
  Saying,
  Strike,
} from './rote-sheet';
