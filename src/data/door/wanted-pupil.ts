import { err, ok, type Result } from '@/core/base';
import { entryKey, heldIn, leavesIn, pupilOf, type Field, type Held } from '../records/field';
import { FORM } from '../records/form';
import { lessonId, type LessonRecord } from '../records/lesson-record';
import { PUPIL } from '../records/pupil-record';
import { SETTINGS } from '../records/settings';
import { understoodKept, understoodRecord } from '../records/understand';
import type { EditCommand, StoreFault } from './commands';
import { OF_ONE_PUPIL } from '../records/whose';
import type { StudioView, Wanted } from './view';

type Of<Kind extends EditCommand['kind']> = EditCommand & { readonly kind: Kind };

function ofPupil(id: string, field: Field, value: Held): Wanted {
  return { table: 'pupils', id, field, value };
}

/** The measure goes into its day; the hand is as wide as it was when it was measured last, and as the studio’s usual hand is where no measure is left. */
export async function measured(view: StudioView, { id, day, mm }: Of<'pupil.measure'>): Promise<readonly Wanted[]> {
  const pupil = understoodRecord(PUPIL, await view.get({ table: 'pupils', id }));
  const others = (pupil?.spans ?? []).filter((span) => span.day !== day);
  const newest = [...others, ...(mm === null ? [] : [{ day, mm }])].toSorted((a, b) => (a.day < b.day ? -1 : 1)).at(-1);
  return [
    ofPupil(id, ['spans', entryKey(['spans'], { day })], mm === null ? undefined : { day, mm }),
    ofPupil(id, ['spanMm'], newest?.mm ?? (await anyHandMm(view))),
  ];
}

async function anyHandMm(view: StudioView): Promise<number> {
  return understoodKept(SETTINGS, await view.get({ table: 'kept', id: 'settings' })).spanMm;
}

/** A judgement goes with its day and reason; `keysKnown` holds the keys that are called secure. */
export function judged({ id, keys, state, day, why }: Of<'pupil.judge'>): readonly Wanted[] {
  return keys.flatMap((key) => [
    ofPupil(id, ['judged', entryKey(['judged'], { key })], state === null ? undefined : { key, state, day, why }),
    ofPupil(id, ['keysKnown', key], state === 'secure' ? key : undefined),
  ]);
}

/** Fields as a whole, and groups one by one: what another tab put there stays. */
export function changed({ id, change, groups = [] }: Of<'pupil.change'>): readonly Wanted[] {
  return [
    ...Object.entries(change).map(([name, value]) => ofPupil(id, [name], value)),
    ...groups.map(({ group, as }) => ofPupil(id, ['groups', group], as === 'put' ? group : undefined)),
  ];
}

/** The note of a lesson; with the first one the lesson is kept. */
export async function lessonNote(
  view: StudioView,
  { pupil, day, note }: Of<'lesson.note'>,
): Promise<readonly Wanted[]> {
  const place = { table: 'lessons', id: lessonId(pupil, day) } as const;
  if ((await view.get(place)) !== undefined) return [{ ...place, field: ['note'], value: note }];
  const lesson: LessonRecord = { id: place.id, form: FORM, origin: 'own', pupil, day, note };
  return [{ ...place, field: [], value: lesson }];
}

/** Everything of a pupil goes, and what was decided in pieces for nobody else. */
export async function everythingOf(view: StudioView, id: string): Promise<Result<readonly Wanted[], StoreFault>> {
  const place = { table: 'pupils', id } as const;
  if ((await view.get(place)) === undefined) return err({ code: 'store.gone', place });
  const records: Wanted[] = [{ ...place, field: [], value: undefined }];
  for (const table of OF_ONE_PUPIL)
    for (const record of await view.ofPupil(table, id))
      records.push({ table, id: String(heldIn(record, ['id'])), field: [], value: undefined });
  return ok([...records, ...(await view.all('pieces')).flatMap((piece) => decidedFor(piece, id))]);
}

function decidedFor(piece: Held, pupil: string): readonly Wanted[] {
  const id = String(heldIn(piece, ['id']));
  return [...leavesIn(piece).keys()]
    .map((name) => JSON.parse(name) as Field)
    .filter((field) => pupilOf(field) === pupil)
    .map((field) => ({ table: 'pieces', id, field, value: undefined }));
}
