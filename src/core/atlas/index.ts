export { fingerOn, fiveFingers, turning } from './five-fingers';
export type { FiveFingers, Turning } from './five-fingers';
export { arpeggioOf, fifthSixth, octaveArpeggio, scaleOf } from './scale';
export type { FingeredLine, OctaveSchool } from './scale';
export { PUBLISHED_ARPEGGIOS, PUBLISHED_CHROMATIC, PUBLISHED_SCALES, SCALE_TONICS } from './published.table';
export type { PublishedFingering } from './published.table';
export { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS, RHYTHMS } from './drill-kinds';
export type { DrillKind, DrillRhythm } from './drill-kinds';
