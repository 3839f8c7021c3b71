export { beamAt } from './beams';
export type { Beamed } from './beams';
export { beamGroup } from './beam-group';
export { COURTESIES, drawAccidentals } from './drawn-accidentals';
export type { Courtesy } from './drawn-accidentals';
export { signatureLine, withFirstSignature } from './signature-line';
export type { SignatureLine } from './signature-line';
