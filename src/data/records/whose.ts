import { heldIn, leavesIn, pupilOf, withHeld, type Field, type Held } from './field';
import type { RecordPlace } from './place';

/** The tables of which every record belongs to one pupil. */
export const OF_ONE_PUPIL = ['plan', 'lessons', 'runs', 'answers'] as const;
export type TableOfPupils = (typeof OF_ONE_PUPIL)[number];

/** Whether a record is one pupil’s: the pupil, or something that names the pupil in its field. A lesson names the pupil in its place as well. */
export function isOf({ table, id }: RecordPlace, record: Held, pupil: string): boolean {
  if (table === 'pupils') return id === pupil;
  if (!OF_ONE_PUPIL.some((name) => name === table)) return false;
  return heldIn(record, ['pupil']) === pupil || (table === 'lessons' && pupilOfLesson(id) === pupil);
}

/** A lesson is named by its pupil and its day. */
function pupilOfLesson(id: string): string | null {
  const end = id.lastIndexOf('/');
  return end < 0 ? null : id.slice(0, end);
}

/** Whether a field of a piece is for one pupil. */
export function isFieldOf({ table, field }: RecordPlace & { readonly field: Field }, pupil: string): boolean {
  return table === 'pieces' && pupilOf(field) === pupil;
}

/** What stands in a field of a piece, or the whole piece (`at` is empty), without what is for one pupil. */
export function withoutPupil(value: Held, at: Field, pupil: string): Held {
  // Fields are known by the whole way to them.
  const piece = at.toReversed().reduce<Held>((held, name) => ({ [name]: held }), value);
  const own = [...leavesIn(piece).keys()]
    .map((name) => JSON.parse(name) as Field)
    .filter((field) => pupilOf(field) === pupil);
  const left = own.reduce<Held>((held, field) => withHeld(held, field, undefined)?.record ?? held, piece);
  return at.reduce<Held>((held, name) => (held as Readonly<Record<string, Held>> | undefined)?.[name], left);
}
