import { GRIDS } from '@/core/read';
import { array, mixed, number, object, string } from 'yup';
import { KEY_ORDERS, PARTNER_NAMES } from '@/core/survey';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM, KEYBOARD_SIZES } from '@/core/keyboard';
import { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS } from '@/core/practice';
import { MODES, type Mode, DIRECTIONS } from '@/core/pitch';
import { FILE_FORMATS } from '@/core/base';
import {
  DIALS,
  CLOSE_CHORD_SCHOOLS,
  FIFTH_SIXTH_SCHOOLS,
  INNER_SCHOOLS,
  LEVELS,
  OUTER_SCHOOLS,
  REPEAT_SCHOOLS,
  TONIC_HANDS,
} from '@/core/fingering';
import { EASINGS, type Easing } from '@/core/stages';
import { LABEL_KINDS, MARK_KINDS } from '@/core/annotate';
import { BAR_WORDS, FINGER_WORDS, FIRST_DAYS, LANGUAGE_NAMES, LENGTHS, NOTE_NAMES, RHYTHM_WORDS } from '@/core/explain';
import { oneOf } from './one-of';
import { COURTESIES } from '@/core/notation';
import { DEGREE_FORMS, SPELLINGS } from '@/core/transpose';
import { FINGERS_WANTED } from './piece-asked';

/** How the teacher calls things. */
export const wordingSchema = object({
  language: oneOf(LANGUAGE_NAMES),
  bar: oneOf(BAR_WORDS),
  rhythm: oneOf(RHYTHM_WORDS),
  names: oneOf(NOTE_NAMES),
  fingers: oneOf(FINGER_WORDS),
  lengths: oneOf(LENGTHS),
  week: oneOf(FIRST_DAYS),
});

const ownBarSchema = object({ bar: string().required(), note: string().nullable().defined() });

const ownStageSchema = object({
  id: string().required(),
  title: string().required(),
  words: string().defined(),
  hand: oneOf(DRILL_HANDS),
  bars: array(ownBarSchema).nullable().defined(),
  easings: array(oneOf<Easing>(EASINGS)).required(),
});

const stageFingerSchema = object({
  note: string().required(),
  finger: oneOf([1, 2, 3, 4, 5]),
});

const stageSourceSchema = object({
  id: string().required(),
  own: ownStageSchema.nullable().defined(),
  fingers: array(stageFingerSchema.concat(object({ key: string().nullable().defined() }))).required(),
});

const names = array(string().required()).required();

/** What a teacher made of the stages of a piece. */
export const stagesKeptSchema = object({
  set: object({ order: names, left: names, added: names }).required(),
  habit: object({ order: names, left: names }).required(),
  own: array(ownStageSchema.required()).required(),
  fingers: array(
    stageFingerSchema.concat(object({ stage: string().required(), key: string().nullable().defined() })),
  ).required(),
});

/** What a piece is called. */
export const titleSchema = string().defined().max(400);

/** Bars as a teacher types them. */
export const barsTextSchema = string().defined().max(200);

export const wayAskedSchema = object({ known: names });

/** Messages into the workers are checked like everything that crosses a boundary. */
export const pieceSourceSchema = object({
  musicXml: string().required(),
  ownKey: string().nullable().defined(),
  part: string().nullable().defined(),
  stage: stageSourceSchema.nullable().optional(),
});

export const gridSchema = oneOf(GRIDS).nullable().defined();

const dial = oneOf(DIALS);

export const playerSchema = object({
  level: oneOf(LEVELS),
  spanMm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
  outer: oneOf(OUTER_SCHOOLS),
  inner: oneOf(INNER_SCHOOLS),
  repeat: oneOf(REPEAT_SCHOOLS),
  closeChords: oneOf(CLOSE_CHORD_SCHOOLS),
  tonicHand: oneOf(TONIC_HANDS),
  fifthSixth: oneOf(FIFTH_SIXTH_SCHOOLS),
  thumbOffBlack: dial,
  keepPrinted: dial,
  moveOverStretch: dial,
});

const everyOrOneKey = string().nullable().defined();

export const decisionsSchema = object({
  fingers: array(
    object({
      key: everyOrOneKey,
      note: string().required(),
      finger: oneOf([1, 2, 3, 4, 5]),
    }),
  ).required(),
  aside: array(object({ key: everyOrOneKey, flag: string().required(), reason: string().defined() })).required(),
});

export const markSchema = object({
  kind: oneOf(MARK_KINDS),
  note: string().required(),
  text: string().defined(),
});

const midiKey = number().integer().min(0).max(127).required();

export const partnerOptionsSchema = object({
  voice: oneOf(DRILL_HANDS),
  comfortable: object({ low: midiKey, high: midiKey }).required(),
  partner: oneOf(PARTNER_NAMES),
});

export const marksSchema = array(markSchema).required();

export const benchPageSchema = object({
  view: oneOf(['both', 'after']),
  columns: number().integer().min(1).required(),
  labels: array(oneOf(LABEL_KINDS)).required(),
  marks: marksSchema,
  faint: array(string().required()).optional(),
  tracks: oneOf(['shown', 'hidden']),
});

export const benchOptionsSchema = object({
  to: string().nullable().defined(),
  direction: oneOf(DIRECTIONS),
  octaveRight: number().integer().min(-4).max(4).required(),
  octaveLeft: number().integer().min(-4).max(4).required(),
  spelling: oneOf(SPELLINGS),
  sixth: oneOf(DEGREE_FORMS),
  seventh: oneOf(DEGREE_FORMS),
  courtesy: oneOf(COURTESIES),
  keyboard: oneOf(KEYBOARD_SIZES),
  respelled: array(string().required()).required(),
  fingering: oneOf(FINGERS_WANTED),
  player: playerSchema.required(),
  decisions: decisionsSchema.required(),
  wording: wordingSchema,
});

export const modeSchema = oneOf(MODES);
export const modesSchema = array(oneOf(['own', 'parallel', ...MODES]))
  .min(1)
  .required();

export const modeOrOwnSchema = mixed<Mode>()
  .oneOf([...MODES])
  .nullable()
  .defined();
export const keyOrderSchema = oneOf(KEY_ORDERS);
export const ticketSchema = string().min(1).max(60).required();
export const noteIdSchema = string().min(1).max(400).required();
export const prefixSchema = string().max(400).defined();
export const formatSchema = oneOf(FILE_FORMATS);
export const schoolSchema = oneOf(INNER_SCHOOLS);
export const besideSchema = object().required();
export const bytesSchema = mixed<Uint8Array>((value): value is Uint8Array => ArrayBuffer.isView(value)).required();

const keyName = string()
  .matches(/^[A-G](#|b){0,2}-[a-z]+$/, 'a key such as D-major')
  .required();
export const keyNameSchema = keyName;
export const keyNamesSchema = array(keyName).min(1).max(30).required();

export const drillSchema = object({
  kind: oneOf(DRILL_KINDS),
  keys: keyNamesSchema,
  rhythm: oneOf(DRILL_RHYTHMS),
  hands: oneOf(DRILL_HANDS),
  wording: wordingSchema,
});

export const columnsSchema = number().integer().min(4).max(400).required();

export const pitchesSchema = array(
  object({
    step: oneOf([0, 1, 2, 3, 4, 5, 6]),
    alter: number().integer().min(-2).max(2).required(),
    octave: number().integer().min(0).max(8).required(),
  }),
)
  .max(60)
  .required();
