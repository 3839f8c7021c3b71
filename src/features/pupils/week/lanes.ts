import { weeksAfter, type Week } from '@/core/calendar';
import type { NewCard, PlanEntry, PupilRecord } from '@/data';

/** A column of the board: cards that wait, cards of one week, or one pupil’s cards of a week. */
export interface Lane {
  readonly id: string;
  readonly pupil: string;
  /** Null where cards wait. */
  readonly week: Week | null;
  readonly cards: readonly PlanEntry[];
  /** Cards that were set for this week, and went on into a later one. */
  readonly carried: readonly PlanEntry[];
}

export const WAITING = 'waiting';

/** So many weeks stand beside each other. */
export const WEEKS_SHOWN = 4;

/** One pupil’s plan: what waits, and the weeks from one on. */
export function pupilLanes(plan: readonly PlanEntry[], pupil: string, from: Week): readonly Lane[] {
  const weeks = Array.from({ length: WEEKS_SHOWN }, (_, i) => weeksAfter(from, i));
  return [null, ...weeks].map((week) => ({
    id: week ?? WAITING,
    pupil,
    week,
    cards: plan.filter((card) => card.week === week),
    carried: plan.filter((card) => week !== null && card.week !== week && card.carried.includes(week)),
  }));
}

/** All pupils’ cards of one week. */
export function weekLanes(plan: readonly PlanEntry[], pupils: readonly PupilRecord[], week: Week): readonly Lane[] {
  return pupils.map(({ id }) => ({
    id,
    pupil: id,
    week,
    cards: plan.filter((card) => card.pupil === id && card.week === week),
    carried: [],
  }));
}

/** What putting a card down comes to. */
export type PutDown =
  | { readonly kind: 'move'; readonly id: string; readonly week: Week | null; readonly before: string | null }
  | { readonly kind: 'copy'; readonly card: PlanEntry; readonly pupil: string }
  | { readonly kind: 'nothing' };

/** Where a card goes that is put down on another one, or on a column: within a pupil it moves, to another pupil it is copied. */
export function putDown(lanes: readonly Lane[], id: string, over: string): PutDown {
  const from = laneOf(lanes, id);
  const to = laneOf(lanes, over) ?? lanes.find((lane) => lane.id === over);
  const card = from?.cards.find((one) => one.id === id);
  if (!from || !to || !card || id === over) return { kind: 'nothing' };
  if (from.pupil !== to.pupil) return { kind: 'copy', card, pupil: to.pupil };
  const names = to.cards.map((one) => one.id);
  const at = names.indexOf(over);
  // Carried down within its own column, a card goes behind the one it is put on.
  const isDown = from.id === to.id && at >= 0 && names.indexOf(id) < at;
  const before = at < 0 ? null : isDown ? (names[at + 1] ?? null) : over;
  if (from.id === to.id && at < 0) return { kind: 'nothing' };
  return { kind: 'move', id, week: to.week, before };
}

function laneOf(lanes: readonly Lane[], card: string): Lane | undefined {
  return lanes.find(({ cards }) => cards.some(({ id }) => id === card));
}

/** The same for another pupil. */
export function copyFor(card: PlanEntry, pupil: string, id: string): NewCard {
  const { piece, key, stage, bars, steps, note, week } = card;
  return { id, pupil, piece, key, stage, bars, steps, note, week };
}

/** What is not done of the weeks before one. */
export function leftBefore(plan: readonly PlanEntry[], week: Week): readonly PlanEntry[] {
  return plan.filter((card) => card.state === 'open' && card.week !== null && card.week < week);
}
