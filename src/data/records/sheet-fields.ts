import { array, object, string, type InferType } from 'yup';
import { CARD_KINDS, HANDOUT_PARTS, LEFT_OUT, MUSIC_SIZES, PAPERS, PRINTS, SHEET_KINDS, TURNS } from '@/core/paper';
import { oneOf } from '@/contract/one-of';

/** How a sheet is put together and what it is printed on. */
export const sheetSchema = object({
  kind: oneOf(SHEET_KINDS),
  paper: oneOf(PAPERS),
  turn: oneOf(TURNS),
  size: oneOf(MUSIC_SIZES),
  print: oneOf(PRINTS),
  /** The parts of a handout in their order, and those that are not on it. */
  order: array(oneOf(HANDOUT_PARTS)).required(),
  left: array(oneOf(HANDOUT_PARTS)).required(),
  tracks: oneOf(['shown', 'hidden']),
  /** To whom a rote sheet speaks, and whether keys have names on it. */
  voice: oneOf(['teacher', 'child']),
  naming: oneOf(['named', 'none']),
  /** What is to be written in on a blank sheet, and whether the answers come with it. */
  leave: oneOf(LEFT_OUT),
  answers: oneOf(['with', 'without']),
  cards: array(oneOf(CARD_KINDS)).required(),
});
export type SheetChoice = InferType<typeof sheetSchema>;

export const USUAL_SHEET: SheetChoice = {
  kind: 'handout',
  paper: 'a4',
  turn: 'upright',
  size: 'usual',
  print: 'usual',
  order: [...HANDOUT_PARTS],
  left: [],
  tracks: 'shown',
  voice: 'teacher',
  naming: 'named',
  leave: 'notes',
  answers: 'with',
  cards: [...CARD_KINDS],
};

/** Sheets that the teacher keeps under a name. */
export const templateSchema = object({ name: string().required().max(60), sheet: sheetSchema.required() });
