import { array, mixed, number, object, string, type InferType } from 'yup';
import { isDay } from '@/core/calendar';
import { GREATEST_SPAN_MM, LEAST_SPAN_MM } from '@/core/keyboard';
import { KEY_STATES, type KeyState } from '@/core/teaching';
import { oneOf } from '@/contract/one-of';
import { FORM } from './form';
import { handFields, USUAL_HAND } from './hand-fields';
import type { Shape } from './understand';

/** A day of the calendar. */
export const day = string()
  .required()
  .test('day', 'it must be a day, as 2026-11-28', (text) => text == null || isDay(text));

/** What a hand can do, as a teacher ticks it off. Source: handbook, sections 1 and 7, common practice. */
export const ABILITIES = [
  'five-fingers',
  'moves',
  'repeats',
  'two-keys',
  'chords',
  'opens',
  'octaves',
  'crosses',
] as const;
export type Ability = (typeof ABILITIES)[number];

const abilities = array(oneOf<Ability>(ABILITIES)).required();

/** How notes are called with a pupil: by letters, by finger numbers alone, by degrees, or by syllables. */
export const NAMES_USED = ['letters', 'numbers', 'degrees', 'do-minor', 'la-minor', 'fixed-do'] as const;
export type NamesUsed = (typeof NAMES_USED)[number];

const midi = number().integer().min(0).max(127).required();

export const MOST_NAME_LETTERS = 60;
export const MOST_GROUP_LETTERS = 40;
const MOST_NOTE_LETTERS = 2000;

/** A time at which a pupil comes, week by week. */
const lessonTime = object({
  /** 0 for Sunday to 6 for Saturday. */
  weekday: number().integer().min(0).max(6).required(),
  /** By the local clock, as `15:30`. */
  at: string()
    .required()
    .matches(/^([01]\d|2[0-3]):[0-5]\d$/),
  minutes: number().integer().min(5).max(600).required(),
});

/** A school in which the pupil differs from the studio; null where not. */
const { outer, inner, repeat, level, spanMm } = handFields;

/** A pupil. Nothing but a name is asked for. */
export const pupilSchema = object({
  id: string().required(),
  form: number().integer().min(1),
  origin: oneOf<'demo' | 'own'>(['demo', 'own']),
  name: string().required().max(MOST_NAME_LETTERS),
  addedAt: number().required(),
  level,
  /** The newest measure of the hand; that of the studio's any hand until it was measured. */
  spanMm,
  outer: outer.nullable().defined(),
  inner: inner.nullable().defined(),
  repeat: repeat.nullable().defined(),
  /** How far the hand reached, each time it was measured, by day. */
  spans: array(object({ day, mm: number().min(LEAST_SPAN_MM).max(GREATEST_SPAN_MM).required() })).required(),
  hands: object({ right: abilities, left: abilities }).required(),
  names: mixed<NamesUsed>()
    .oneOf([...NAMES_USED])
    .nullable()
    .defined(),
  /** The notes between which the pupil sings at ease, as MIDI numbers. */
  range: object({ low: midi, high: midi }).nullable().defined(),
  /** Words by which pupils are found together: the day on which they come, a class. */
  groups: array(string().trim().required().max(MOST_GROUP_LETTERS)).required(),
  lessons: array(lessonTime).required(),
  /** What the teacher wants to remember. Never handed over. */
  note: string().defined().max(MOST_NOTE_LETTERS),
  /** Keys that the teacher calls secure, as `D-major`. */
  keysKnown: array(string().required()).required(),
  /** What the teacher said of keys, when and why; of a key that is only among `keysKnown` nobody noted that. */
  judged: array(
    object({ key: string().required(), state: oneOf<KeyState>(KEY_STATES), day, why: string().defined().max(300) }),
  ).required(),
});
export type PupilRecord = InferType<typeof pupilSchema>;

/** What a pupil has of whom nothing but the name was said. */
export const USUAL_PUPIL = {
  form: FORM,
  origin: 'own',
  addedAt: 0,
  level: USUAL_HAND.level,
  spanMm: USUAL_HAND.spanMm,
  outer: null,
  inner: null,
  repeat: null,
  spans: [],
  hands: { right: [], left: [] },
  names: null,
  range: null,
  groups: [],
  lessons: [],
  note: '',
  keysKnown: [],
  judged: [],
} as const;

export const PUPIL: Shape<PupilRecord> = { schema: pupilSchema, usual: USUAL_PUPIL };
