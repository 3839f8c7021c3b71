import { array, number, object, string, type Schema } from 'yup';
import { LABEL_KINDS } from '@/core/annotate';
import { NOTE_NAMES } from '@/core/explain';
import {
  CARD_KINDS,
  HANDOUT_PARTS,
  KEY_SHEETS,
  LEFT_OUT,
  MUSIC_SIZES,
  PAPERS,
  PIECE_SHEETS,
  PRINTS,
  TURNS,
  type PaperChoice,
} from '@/core/paper';
import { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS } from '@/core/practice';
import type { Sheet, SheetRequest, WeekTold } from '@/core/sheets';
import { oneOf } from './one-of';
import { stepsKeptSchema } from './practice-schemas';
import type { EngravedPair } from './engraving-questions';
import { marksSchema } from './core-schemas';

export const pieceSheetKindSchema = oneOf(PIECE_SHEETS);
export const keySheetKindSchema = oneOf(KEY_SHEETS);

export const paperSchema: Schema<PaperChoice> = object({
  paper: oneOf(PAPERS),
  turn: oneOf(TURNS),
  size: oneOf(MUSIC_SIZES),
  print: oneOf(PRINTS),
});

const words = string().defined().max(400);

export const sheetRequestSchema: Schema<SheetRequest> = object({
  paper: paperSchema,
  pupil: words.nullable().defined(),
  foot: words,
  labels: array(oneOf(LABEL_KINDS)).required(),
  marks: marksSchema,
  reminders: oneOf(['none', 'signature']),
  steps: stepsKeptSchema,
  handout: object({
    parts: array(oneOf(HANDOUT_PARTS)).required(),
    tracks: oneOf(['shown', 'hidden']),
  }).required(),
  rote: object({
    voice: oneOf(['teacher', 'child']),
    names: oneOf([...NOTE_NAMES, 'none']),
  }).required(),
  blank: object({ leave: oneOf(LEFT_OUT), answers: oneOf(['with', 'without']) }).required(),
  cards: array(oneOf(CARD_KINDS)).required(),
  drill: object({
    kind: oneOf(DRILL_KINDS),
    rhythm: oneOf(DRILL_RHYTHMS),
    hands: oneOf(DRILL_HANDS),
  }).required(),
}) as Schema<SheetRequest>;

export const weekToldSchema: Schema<WeekTold> = object({
  pupil: words,
  week: words,
  cards: array(
    object({
      title: words,
      note: string().defined(),
      steps: array(
        object({ title: words, told: string().defined(), times: number().integer().min(1).required() }),
      ).required(),
    }),
  ).required(),
}) as Schema<WeekTold>;

/** A sheet comes from the core's own worker: its frame is checked, not every word. */
export const sheetSchema: Schema<Sheet> = object({
  title: string().defined(),
  language: string().required(),
  pageOf: string().required(),
  foot: string().defined(),
  blocks: array(object({ kind: string().required() })).required(),
}) as unknown as Schema<Sheet>;

export const engravedPairsSchema: Schema<readonly EngravedPair[]> = array(
  object({ musicXml: string().required(), systems: array(object({ svg: string().required() })).required() }),
).required() as unknown as Schema<readonly EngravedPair[]>;
