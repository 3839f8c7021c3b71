export { instructionsOf } from './directions';
export { performanceOf } from './performance';
export type { Performance } from './performance';
export { LOUDNESSES, barAt, countIn, heardBetween, soundingAt, spanOfBars } from './playback';
export type { Heard, ListenOptions, Loudness, Span } from './playback';
export { playingOrder } from './playing-order';
export { playedBars, soundingNotes } from './sounding-notes';
export type { PlayedBar } from './sounding-notes';
export { tempoMap } from './tempo-map';
