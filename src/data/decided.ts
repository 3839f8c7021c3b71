import type { Decided, PieceRecord } from './records/records';

/** For whom and in which key something is decided: null for any hand, null for every key. */
export interface Whose {
  readonly pupil: string | null;
  readonly key: string | null;
}

/** What was decided of a piece for one pupil, in all keys. What was decided for any hand is not for a pupil, and the reverse. */
export function decidedFor({ decided }: Pick<PieceRecord, 'decided'>, pupil: string | null): Decided {
  const { fingers, aside, marks } = decided;
  const isTheirs = (one: Whose): boolean => one.pupil === pupil;
  return { fingers: fingers.filter(isTheirs), aside: aside.filter(isTheirs), marks: marks.filter(isTheirs) };
}

type DecidedMark = Decided['marks'][number];

/** Decides on fingers for notes; null gives a note back to the plan. */
export function withFingers(
  decided: Decided,
  whose: Whose,
  wanted: readonly { readonly note: string; readonly finger: Decided['fingers'][number]['finger'] | null }[],
): Decided {
  const notes = new Set(wanted.map(({ note }) => note));
  // A finger for every key takes the place of what was said of single keys; one for a key of what was said there.
  const isReplaced = (one: Whose & { readonly note: string }): boolean =>
    one.pupil === whose.pupil && notes.has(one.note) && (whose.key === null || one.key === whose.key);
  const added = wanted.flatMap(({ note, finger }) =>
    finger === null ? [] : [{ pupil: whose.pupil, key: whose.key, note, finger }],
  );
  return { ...decided, fingers: [...decided.fingers.filter((one) => !isReplaced(one)), ...added] };
}

/** Gives notes back to the plan in a key, whether they were decided there or for every key. */
export function withoutFingers(decided: Decided, whose: Whose, notes: readonly string[]): Decided {
  const isGone = (one: Decided['fingers'][number]): boolean =>
    one.pupil === whose.pupil && notes.includes(one.note) && (one.key === null || one.key === whose.key);
  return { ...decided, fingers: decided.fingers.filter((one) => !isGone(one)) };
}

/** Puts a hand note away with a reason, or, with null, takes it back. */
export function withAside(decided: Decided, whose: Whose, flag: string, reason: string | null): Decided {
  // What is put away for every key, and what is brought back, takes the place of both.
  const isSame = (one: Decided['aside'][number]): boolean =>
    one.pupil === whose.pupil && one.flag === flag && (whose.key === null || one.key === null || one.key === whose.key);
  const others = decided.aside.filter((one) => !isSame(one));
  return { ...decided, aside: reason === null ? others : [...others, { ...whose, flag, reason }] };
}

/** Marks notes, or takes the marks of that kind away from them where all have it. */
export function withMarks(
  decided: Decided,
  whose: Whose,
  {
    kind,
    notes,
    text = '',
  }: { readonly kind: DecidedMark['kind']; readonly notes: readonly string[]; readonly text?: string },
): Decided {
  const isSame = (one: DecidedMark): boolean => one.pupil === whose.pupil && one.key === whose.key && one.kind === kind;
  const marked = new Set(decided.marks.filter((one) => isSame(one) && one.text === text).map(({ note }) => note));
  const others = decided.marks.filter((one) => !(isSame(one) && notes.includes(one.note)));
  if (notes.every((note) => marked.has(note))) return { ...decided, marks: others };
  return { ...decided, marks: [...others, ...notes.map((note) => ({ ...whose, kind, note, text }))] };
}
