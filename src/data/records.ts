import { array, boolean, mixed, number, object, string, type InferType } from 'yup';

/** A piece as it is kept. `musicXml` is the file as it was brought in; what the teacher chose stands beside it. */
export const pieceRecordSchema = object({
  id: string().required(),
  origin: mixed<'demo' | 'own'>().oneOf(['demo', 'own']).required(),
  fileName: string().defined(),
  musicXml: string().required(),
  addedAt: number().required(),
  /** The key last looked at on the Bench, as `D-major`; null before the first. */
  lastKey: string().nullable().defined(),
  /** The piece's own key where the teacher overrules what was found. */
  ownKey: string().nullable().defined(),
  /** What was doubtful when the file was read, in words; kept with the piece. */
  remarks: array(object({ message: string().required(), bar: string() })).default(undefined),
});
export type PieceRecord = InferType<typeof pieceRecordSchema>;

export const LOOKS = ['system', 'paper', 'lamplight'] as const;
export type Look = (typeof LOOKS)[number];

/** The teacher's settings. */
export const settingsSchema = object({
  look: mixed<Look>().oneOf([...LOOKS]).required(),
  outer: mixed<'allow' | 'avoid'>().oneOf(['allow', 'avoid']).required(),
  keyOrder: mixed<'ease' | 'fifths' | 'shape'>().oneOf(['ease', 'fifths', 'shape']).required(),
  spelling: mixed<'strict' | 'plain'>().oneOf(['strict', 'plain']).required(),
  courtesy: mixed<'none' | 'bar'>().oneOf(['none', 'bar']).required(),
  /** Whether the demo studio was put away, so that it does not come back by itself. */
  demoPutAway: boolean().required(),
});
export type Settings = InferType<typeof settingsSchema>;

export const USUAL_SETTINGS: Settings = {
  look: 'system',
  outer: 'allow',
  keyOrder: 'ease',
  spelling: 'strict',
  courtesy: 'bar',
  demoPutAway: false,
};

/** The studio file: everything, in one JSON file. Fields that a later version added are carried through. */
export const studioFileSchema = object({
  newThumb: string().oneOf(['studio']).required(),
  version: number().integer().min(1).required(),
  savedAt: string().defined(),
  pieces: array(pieceRecordSchema).required(),
  settings: settingsSchema.required(),
});
export type StudioFile = InferType<typeof studioFileSchema>;
