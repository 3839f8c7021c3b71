import { stageId, type Stage } from './stage';

/** What a teacher made of the stages of a piece: the order, what was left out, and what was taken in beside what is proposed. Stages by their ids. Stages that are
 * not named stand where they are proposed. */
export interface StageSet {
  readonly order: readonly string[];
  readonly left: readonly string[];
  readonly added: readonly string[];
}

export const NO_SET: StageSet = { order: [], left: [], added: [] };

/** The same for all pieces: kinds of stages in the teacher's order, and kinds that are not wanted. */
export interface StageHabit {
  readonly order: readonly string[];
  readonly left: readonly string[];
}

export const NO_HABIT: StageHabit = { order: [], left: [] };

/** Puts the stages of a piece in a teacher's order. `proposed` are those that are proposed, `others` those that the piece could have, `own` the teacher's own. The
 * whole piece is never left out. */
export function arrange(
  {
    proposed,
    others,
    own,
  }: { readonly proposed: readonly Stage[]; readonly others: readonly Stage[]; readonly own: readonly Stage[] },
  set: StageSet,
  habit: StageHabit,
): readonly Stage[] {
  const usual = byHabit(proposed, habit);
  const added = others.filter(({ name }) => set.added.includes(stageId(name)));
  // What a teacher adds comes in front of the whole, until it is put elsewhere.
  const whole = usual.filter(({ name }) => name.kind === 'whole');
  const all = [...usual.filter(({ name }) => name.kind !== 'whole'), ...added, ...own, ...whole];
  const wanted = all.filter(({ name }) => name.kind === 'whole' || !set.left.includes(stageId(name)));
  return inTheirOrder(wanted, ({ name }) => stageId(name), set.order);
}

function byHabit(stages: readonly Stage[], habit: StageHabit): readonly Stage[] {
  const wanted = stages.filter(({ name }) => name.kind === 'whole' || !habit.left.includes(name.kind));
  return inTheirOrder(wanted, ({ name }) => name.kind, habit.order);
}

/** Entries in a wanted order; one that is not named comes behind the entry that stands before it now. */
function inTheirOrder<T>(entries: readonly T[], nameOf: (entry: T) => string, order: readonly string[]): readonly T[] {
  if (order.length === 0) return entries;
  const named = entries
    .filter((entry) => order.includes(nameOf(entry)))
    .map((entry, i) => ({ entry, at: order.indexOf(nameOf(entry)), i }))
    .sort((a, b) => a.at - b.at || a.i - b.i)
    .map(({ entry }) => entry);
  const result = [...named];
  entries.forEach((entry, i) => {
    if (result.includes(entry)) return;
    const before = entries.slice(0, i).findLast((other) => result.includes(other));
    result.splice(before === undefined ? 0 : result.indexOf(before) + 1, 0, entry);
  });
  return result;
}
