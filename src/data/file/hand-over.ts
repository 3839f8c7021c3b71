import { heldIn, isPlain, type Held } from '../records/field';
import { PIECE, PLAN_ENTRY, type PieceRecord, type PlanEntry } from '../records/records';
import { understoodRecord } from '../records/understand';
import type { StudioContents } from './contents';

/** What a pupil takes home: the pupil, what is planned, and the pieces of it with what was decided for this pupil or for any hand. Nothing of others. */
export function handOverContents(studio: StudioContents, pupil: string): StudioContents {
  const plan = studio.plan.filter((entry) => heldIn(entry, ['pupil']) === pupil);
  const planned = new Set(plan.map((entry) => heldIn(entry, ['piece'])));
  return {
    pieces: studio.pieces.filter((piece) => planned.has(heldIn(piece, ['id']))).map((piece) => forPupil(piece, pupil)),
    pupils: studio.pupils.filter((one) => heldIn(one, ['id']) === pupil),
    plan,
    answers: [],
    runs: [],
    settings: {},
    desk: {},
    aside: [],
    carried: {},
  };
}

/** A piece without what was decided for other pupils. */
function forPupil(piece: unknown, pupil: string): Held {
  if (!isPlain(piece)) return piece;
  const theirs = (list: unknown): unknown =>
    Array.isArray(list)
      ? list.filter((entry) => [pupil, null, undefined].includes(heldIn(entry, ['pupil']) as string | null | undefined))
      : list;
  const { decided, homework, stageFingers, respelled } = piece;
  return {
    ...piece,
    ...(homework === undefined ? {} : { homework: theirs(homework) }),
    ...(stageFingers === undefined ? {} : { stageFingers: theirs(stageFingers) }),
    ...(isPlain(decided)
      ? { decided: Object.fromEntries(Object.entries(decided).map(([name, list]) => [name, theirs(list)])) }
      : {}),
    ...(Array.isArray(respelled) ? { respelled: respelled.filter((entry) => isTheirs(entry, pupil)) } : {}),
  };
}

/** A respelling names a pupil behind the key and the note, or nobody. */
function isTheirs(entry: unknown, pupil: string): boolean {
  const named = typeof entry === 'string' ? entry.split('|')[2] : undefined;
  return named === undefined || named === pupil;
}

/** What a hand-over holds: whose it is, the plan in its order, and the teacher's steps of each piece. */
export interface HandOver {
  readonly pupil: string | null;
  readonly plan: readonly PlanEntry[];
  readonly homework: readonly { readonly piece: string; readonly lists: PieceRecord['homework'] }[];
}

export function handOverIn({ pieces, plan }: StudioContents): HandOver {
  const entries = plan
    .flatMap((entry) => understoodRecord(PLAN_ENTRY, entry) ?? [])
    .toSorted((a, b) => a.place - b.place);
  return {
    pupil: entries[0]?.pupil ?? null,
    plan: entries,
    homework: pieces.flatMap((piece) => {
      const read = understoodRecord<PieceRecord>(PIECE, piece);
      return read ? [{ piece: read.id, lists: read.homework }] : [];
    }),
  };
}
