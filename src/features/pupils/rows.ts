import { briefOf, glanceOf, judgedKeys, type Glance, type RunsBrief } from '@/core/teaching';
import type { PlanEntry, PupilOrder, PupilRecord, Settings } from '@/data';

/** A pupil as the list of all shows it. */
export interface PupilRow {
  readonly pupil: PupilRecord;
  readonly glance: Glance;
  readonly cards: readonly PlanEntry[];
}

export interface RowsAsked {
  readonly pupils: readonly PupilRecord[];
  readonly briefs: ReadonlyMap<string, RunsBrief>;
  /** What is set for this week, of all pupils. */
  readonly plan: readonly PlanEntry[];
  readonly ownKeys: ReadonlyMap<string, string>;
  readonly settings: Pick<Settings, 'firstDay'>;
  readonly nowMs: number;
}

export function rowsOf({ pupils, briefs, plan, ownKeys, settings, nowMs }: RowsAsked): readonly PupilRow[] {
  const byPupil = new Map<string, PlanEntry[]>();
  for (const card of plan) byPupil.set(card.pupil, [...(byPupil.get(card.pupil) ?? []), card]);
  return pupils.map((pupil) => {
    const cards = byPupil.get(pupil.id) ?? [];
    const brief = briefs.get(pupil.id) ?? NOTHING;
    const judged = judgedKeys(pupil.keysKnown, pupil.judged);
    return { pupil, cards, glance: glanceOf({ brief, judged, cards, ownKeys, nowMs, first: settings.firstDay }) };
  });
}

const NOTHING = briefOf([]);

/** What the list is narrowed to: words of a name or a group, a group, or those who need to be looked at. */
export interface PupilFilter {
  readonly words: string;
  readonly group: string | null;
  readonly only: 'all' | 'quiet' | 'ready';
}

/** The rows that are wanted, in an order. */
export function wantedRows(
  rows: readonly PupilRow[],
  { words, group, only }: PupilFilter,
  order: PupilOrder,
): readonly PupilRow[] {
  const sought = words.trim().toLocaleLowerCase();
  const isWanted = ({ pupil, glance }: PupilRow): boolean =>
    (sought === '' || [pupil.name, ...pupil.groups].some((text) => text.toLocaleLowerCase().includes(sought))) &&
    (group === null || pupil.groups.includes(group)) &&
    (only === 'all' || (only === 'quiet' ? glance.isQuiet : glance.readyKeys.length > 0));
  return rows.filter(isWanted).toSorted((a, b) => compared(order, a, b) || byName(a, b));
}

function byName(a: PupilRow, b: PupilRow): number {
  return a.pupil.name.localeCompare(b.pupil.name);
}

function compared(order: PupilOrder, a: PupilRow, b: PupilRow): number {
  switch (order) {
    case 'name':
      return 0;
    case 'heard':
      // Who was never heard has waited longest.
      return (b.glance.quietDays ?? Infinity) - (a.glance.quietDays ?? Infinity) || 0;
    case 'week':
      return openIn(b) - openIn(a);
    case 'ready':
      return b.glance.readyKeys.length - a.glance.readyKeys.length;
  }
}

function openIn({ glance: { set, done } }: PupilRow): number {
  return set - done;
}

/** The groups that pupils are in, each once: days of the week in their order, then the others by their names. */
export function groupsOf(pupils: readonly PupilRecord[], weekdays: readonly string[]): readonly string[] {
  const place = (group: string): number => (weekdays.includes(group) ? weekdays.indexOf(group) : weekdays.length);
  return [...new Set(pupils.flatMap(({ groups }) => groups))].toSorted(
    (a, b) => place(a) - place(b) || a.localeCompare(b),
  );
}

/** How many there are of each, for the line above the list. */
export function countsOf(rows: readonly PupilRow[]): { readonly quiet: number; readonly ready: number } {
  return {
    quiet: rows.filter(({ glance }) => glance.isQuiet).length,
    ready: rows.filter(({ glance }) => glance.readyKeys.length > 0).length,
  };
}
