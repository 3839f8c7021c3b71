import type { SurveyMode } from './protocol';
import { array, mixed, number, object, string, type Schema } from 'yup';
import type { PageOptions } from '@/core/views';
import { type PartnerOptions, KEY_ORDERS, PARTNER_NAMES, type KeyOrder, type Partner } from '@/core/survey';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';
import { DRILL_HANDS, DRILL_KINDS, DRILL_RHYTHMS, type DrillKind, type DrillRhythm } from '@/core/practice';
import { MODES, type Direction, type Mode, type Pitch } from '@/core/pitch';
import { FILE_FORMATS, type FileFormat } from '@/core/base';
import type { Courtesy } from '@/core/notation';
import type { DegreeForm, Spelling } from '@/core/transpose';
import {
  DIALS,
  CLOSE_CHORD_SCHOOLS,
  INNER_SCHOOLS,
  LEVELS,
  OUTER_SCHOOLS,
  REPEAT_SCHOOLS,
  type Dial,
  type CloseChordSchool,
  type InnerSchool,
  type Level,
  type OuterSchool,
  type RepeatSchool,
} from '@/core/fingering';
import { EASINGS, type Easing } from '@/core/stages';
import { LABEL_KINDS, type LabelKind, MARK_KINDS, type MarkKind } from '@/core/annotate';
import type { Finger, Hand } from '@/core/score';
import {
  BAR_WORDS,
  FINGER_WORDS,
  FIRST_DAYS,
  LANGUAGE_NAMES,
  LENGTHS,
  NOTE_NAMES,
  RHYTHM_WORDS,
  type Wording,
} from '@/core/explain';
import { oneOf } from './one-of';

/** How the teacher calls things. */
export const wordingSchema: Schema<Wording> = object({
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
  hand: mixed<Hand | 'both'>().oneOf(['right', 'left', 'both']).required(),
  bars: array(ownBarSchema).nullable().defined(),
  easings: array(oneOf<Easing>(EASINGS)).required(),
});

const stageFingerSchema = object({
  note: string().required(),
  finger: mixed<Finger>().oneOf([1, 2, 3, 4, 5]).required(),
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

export const gridSchema = number().oneOf([1, 2, 3, 4, 6, 8]).nullable().defined();

const dial = mixed<Dial>()
  .oneOf([...DIALS])
  .required();

export const playerSchema = object({
  level: mixed<Level>()
    .oneOf([...LEVELS])
    .required(),
  spanMm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required(),
  outer: mixed<OuterSchool>()
    .oneOf([...OUTER_SCHOOLS])
    .required(),
  inner: mixed<InnerSchool>()
    .oneOf([...INNER_SCHOOLS])
    .required(),
  repeat: mixed<RepeatSchool>()
    .oneOf([...REPEAT_SCHOOLS])
    .required(),
  closeChords: mixed<CloseChordSchool>()
    .oneOf([...CLOSE_CHORD_SCHOOLS])
    .required(),
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
      finger: mixed<Finger>().oneOf([1, 2, 3, 4, 5]).required(),
    }),
  ).required(),
  aside: array(object({ key: everyOrOneKey, flag: string().required(), reason: string().defined() })).required(),
});

export const markSchema = object({
  kind: mixed<MarkKind>()
    .oneOf([...MARK_KINDS])
    .required(),
  note: string().required(),
  text: string().defined(),
});

const midiKey = number().integer().min(0).max(127).required();

export const partnerOptionsSchema = object({
  voice: mixed<PartnerOptions['voice']>().oneOf(['right', 'left', 'both']).required(),
  comfortable: object({ low: midiKey, high: midiKey }).required(),
  partner: mixed<Partner>()
    .oneOf([...PARTNER_NAMES])
    .required(),
});

export const marksSchema = array(markSchema).required();

export const benchPageSchema = object({
  view: mixed<PageOptions['view']>().oneOf(['both', 'after']).required(),
  columns: number().integer().min(1).required(),
  labels: array(
    mixed<LabelKind>()
      .oneOf([...LABEL_KINDS])
      .required(),
  ).required(),
  marks: marksSchema,
  faint: array(string().required()).optional(),
  tracks: mixed<PageOptions['tracks']>().oneOf(['shown', 'hidden']).required(),
});

export const benchOptionsSchema = object({
  to: string().nullable().defined(),
  direction: mixed<Direction>().oneOf(['nearest', 'up', 'down']).required(),
  octaveRight: number().integer().min(-4).max(4).required(),
  octaveLeft: number().integer().min(-4).max(4).required(),
  spelling: mixed<Spelling>().oneOf(['strict', 'plain']).required(),
  sixth: mixed<DegreeForm>().oneOf(['natural', 'raised']).required(),
  seventh: mixed<DegreeForm>().oneOf(['natural', 'raised']).required(),
  courtesy: mixed<Courtesy>().oneOf(['none', 'bar', 'octaves', 'bar-plain', 'octaves-plain']).required(),
  keyboard: number().oneOf([88, 76, 61]).required(),
  respelled: array(string().required()).required(),
  fingering: mixed<'plan' | 'keep'>().oneOf(['plan', 'keep']).required(),
  player: playerSchema.required(),
  decisions: decisionsSchema.required(),
  wording: wordingSchema.required(),
});

export const engravingPageSchema = object({
  musicXml: string().required(),
  keyChanges: array(
    object({
      bar: number().integer().min(1).required(),
      fifths: array(number().integer().min(-7).max(7).required()).required(),
    }),
  ).required(),
});

export const engraveLayoutSchema = object({
  widthPx: number().min(100).max(10_000).required(),
  zoom: number().min(10).max(300).required(),
  breaks: mixed<'encoded' | 'none'>().oneOf(['encoded', 'none']).required(),
  spread: mixed<'wide' | 'natural'>().oneOf(['wide', 'natural']),
});

export const modeSchema = mixed<Mode>()
  .oneOf([...MODES])
  .required();
export const modesSchema = array(
  mixed<SurveyMode>()
    .oneOf(['own', 'parallel', ...MODES])
    .required(),
)
  .min(1)
  .required();

export const modeOrOwnSchema = mixed<Mode>()
  .oneOf([...MODES])
  .nullable()
  .defined();
export const keyOrderSchema = mixed<KeyOrder>()
  .oneOf([...KEY_ORDERS])
  .required();
export const ticketSchema = string().min(1).max(60).required();
export const noteIdSchema = string().min(1).max(400).required();
export const prefixSchema = string().max(400).defined();
export const formatSchema = mixed<FileFormat>()
  .oneOf([...FILE_FORMATS])
  .required();
export const schoolSchema = mixed<InnerSchool>()
  .oneOf([...INNER_SCHOOLS])
  .required();
export const besideSchema = object().required();
export const bytesSchema = mixed<Uint8Array>((value): value is Uint8Array => ArrayBuffer.isView(value)).required();

const keyName = string()
  .matches(/^[A-G](#|b){0,2}-[a-z]+$/, 'a key such as D-major')
  .required();
export const keyNameSchema = keyName;
export const keyNamesSchema = array(keyName).min(1).max(30).required();

export const drillSchema = object({
  kind: mixed<DrillKind>()
    .oneOf([...DRILL_KINDS])
    .required(),
  keys: keyNamesSchema,
  rhythm: mixed<DrillRhythm>()
    .oneOf([...DRILL_RHYTHMS])
    .required(),
  hands: mixed<Hand | 'both'>()
    .oneOf([...DRILL_HANDS])
    .required(),
  wording: wordingSchema.required(),
});

export const columnsSchema = number().integer().min(4).max(400).required();

export const pitchesSchema = array(
  object({
    step: mixed<Pitch['step']>().oneOf([0, 1, 2, 3, 4, 5, 6]).required(),
    alter: number().integer().min(-2).max(2).required(),
    octave: number().integer().min(0).max(8).required(),
  }),
)
  .max(60)
  .required();
