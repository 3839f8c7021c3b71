export { writeMusicXml } from './write-score';
export { serialiseXml } from './serialise';
export { writeMidiFile } from './midi/write-midi';
export { fileStem } from './file-name';
export { engravingPage } from './engraving';
export type { EngravingPage, StaffKeyChange } from './engraving';
export type { Layer } from './engraving';
export { systemBreaks } from './page-layout';
