import { array, number, object, string, type InferType } from 'yup';
import { oneOf } from '@/contract/one-of';
import { FORM } from './form';
import { day } from './pupil-record';
import { ids } from './stage-fields';
import type { Shape } from './understand';

const barIndex = number().integer().min(0).required();

/** So much may stand on a card for the pupil. */
export const MOST_CARD_LETTERS = 1000;

/** Something that a pupil is to learn: a piece in a key, or only words. It waits, or is set for a week. The entries of a pupil are in the order of `place`. */
export const planEntrySchema = object({
  id: string().required(),
  form: number().integer().min(1),
  origin: oneOf<'demo' | 'own'>(['demo', 'own']),
  pupil: string().required(),
  /** Null where only words are set. */
  piece: string().nullable().defined(),
  /** As `D-major`; null without a piece. */
  key: string().nullable().defined(),
  /** The stage of the piece by its id; null for the whole. */
  stage: string().nullable().defined(),
  /** As indexes, and as they are printed; null for all. */
  bars: object({ from: barIndex, to: barIndex, first: string().optional(), last: string().optional() })
    .nullable()
    .defined(),
  /** Practice steps by their ids; null for all of them. */
  steps: array(string().required()).nullable().defined(),
  note: string().defined().max(MOST_CARD_LETTERS),
  /** The Thursday of the week that it is set for; null while it waits. */
  week: day.nullable().defined(),
  state: oneOf<'open' | 'done'>(['open', 'done']),
  /** The weeks for which it was set before it was carried over. */
  carried: ids,
  place: number().integer().min(0).required(),
  addedAt: number().required(),
});
export type PlanEntry = InferType<typeof planEntrySchema>;

/** What an entry is of which only the pupil is known. */
export const USUAL_ENTRY = {
  form: FORM,
  origin: 'own',
  piece: null,
  key: null,
  stage: null,
  bars: null,
  steps: null,
  note: '',
  week: null,
  state: 'open',
  carried: [],
  place: 0,
  addedAt: 0,
} as const;

export const PLAN_ENTRY: Shape<PlanEntry> = { schema: planEntrySchema, usual: USUAL_ENTRY };
