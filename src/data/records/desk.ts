import { array, number, object, string, type InferType } from 'yup';
import { LABEL_KINDS } from '@/core/annotate';
import { sheetSchema, USUAL_SHEET } from './sheet-fields';
import type { Shape } from './understand';
import { oneOf } from '@/contract/one-of';

/** The keyboard at the foot of the Bench: whole keys, the front of the keys alone, or none. */
export const KEYBOARD_SIZES = ['full', 'strip', 'away'] as const;
export type KeyboardSize = (typeof KEYBOARD_SIZES)[number];

/** Orders of the shelf: as pieces came onto it, or by something that a teacher looks for. */
export const SHELF_ORDERS = ['added', 'title', 'key', 'level', 'used'] as const;
export type ShelfOrder = (typeof SHELF_ORDERS)[number];

/** Orders of the pupils: by name, by who was not heard for longest, by this week's state, by readiness for the next key. */
export const PUPIL_ORDERS = ['name', 'heard', 'week', 'ready'] as const;
export type PupilOrder = (typeof PUPIL_ORDERS)[number];

/** How the desk was left: no edit, and nothing to undo. */
const deskSchema = object({
  /** The pupil chosen last; null for any hand. */
  pupil: string().nullable().defined(),
  zoom: number().integer().min(50).max(200).required(),
  /** Whether the music is as large as one whole pair of systems allows, or as large as `zoom` says. */
  sizing: oneOf(['fit', 'set']),
  labels: array(oneOf(LABEL_KINDS)).required(),
  tracks: oneOf(['shown', 'hidden']),
  /** Whether the paper for entering leaves room beside it. */
  entering: oneOf(['wide', 'narrow']),
  /** How much of the keyboard is seen at the foot of the Bench; by the screen until the teacher says. */
  keyboard: oneOf([...KEYBOARD_SIZES, 'by-screen']),
  /** The panel beside the paper, and the tools of the page: folded away, or there. */
  beside: oneOf(['open', 'folded']),
  tools: oneOf(['open', 'folded']),
  /** The rail of stages under the keys: there, or away. What a stage leaves out: faint in the whole music, or not there. */
  rail: oneOf(['open', 'folded']),
  leftOut: oneOf(['faint', 'absent']),
  /** How large the music is on the music stand, in per cent. */
  stand: number().integer().min(50).max(250).required(),
  /** How the last sheet was put together. */
  sheet: sheetSchema.required(),
  /** How the list of pupils is ordered. */
  pupilOrder: oneOf(PUPIL_ORDERS),
  /** How the cards of the shelf are ordered. */
  shelfOrder: oneOf(SHELF_ORDERS),
});
export type Desk = InferType<typeof deskSchema>;

export const USUAL_DESK: Desk = {
  pupil: null,
  zoom: 100,
  sizing: 'fit',
  labels: [],
  tracks: 'shown',
  entering: 'wide',
  keyboard: 'by-screen',
  beside: 'open',
  tools: 'folded',
  rail: 'folded',
  leftOut: 'absent',
  stand: 130,
  sheet: USUAL_SHEET,
  pupilOrder: 'name',
  shelfOrder: 'added',
};

export const DESK: Shape<Desk> = { schema: deskSchema, usual: USUAL_DESK };
