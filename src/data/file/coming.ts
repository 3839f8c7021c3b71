import type { StudioView, Wanted } from '../door/view';
import { heldIn, type Held } from '../records/field';
import { recordName, type RecordPlace } from '../records/place';
import { PLAN_ENTRY, type PlanEntry } from '../records/plan-record';
import { PUPIL } from '../records/pupil-record';
import { PIECE, type PieceRecord } from '../records/records';
import { RUN } from '../records/run-record';
import { understoodRecord } from '../records/understand';
import type { StudioContents } from './contents';
import { doingsOf, type Deed, type Refused } from './rights';

/** What a record is, so that a teacher knows it again. */
export type RecordFacts =
  | { readonly kind: 'piece'; readonly piece: Pick<PieceRecord, 'musicXml' | 'fileName'> }
  | { readonly kind: 'pupil'; readonly name: string }
  | {
      readonly kind: 'card';
      readonly card: PlanEntry;
      readonly piece: PieceRecord | null;
      readonly pupil: string | null;
    }
  | { readonly kind: 'lesson'; readonly day: string; readonly pupil: string | null }
  | {
      readonly kind: 'run';
      readonly title: string;
      readonly key: string;
      readonly atMs: number;
      readonly pupil: string | null;
    }
  | { readonly kind: 'answer'; readonly asked: string; readonly pupil: string | null }
  | { readonly kind: 'kept'; readonly id: string }
  | { readonly kind: 'other'; readonly id: string };

/** What would become of one record: new, changed in some fields (by the first of their names), or gone. */
export interface ComingRecord extends RecordPlace {
  readonly deed: Deed;
  readonly what: RecordFacts;
  readonly fields: readonly string[];
}

/** Something that a file would do and may not, with what it is about. */
export type RefusedRecord = Refused & { readonly what: RecordFacts };

/** What would come of some wishes, record by record. */
export async function comingIn(
  view: Pick<StudioView, 'get'>,
  file: StudioContents,
  wanted: readonly Wanted[],
): Promise<readonly ComingRecord[]> {
  const factsOf = factsIn(view, file);
  return Promise.all(
    (await doingsOf(view, wanted)).map(async ({ table, id, deed, fields }): Promise<ComingRecord> => {
      const names = new Set(fields.flatMap(({ field }) => field[field[0] === 'value' ? 1 : 0] ?? []));
      return { table, id, deed, what: await factsOf({ table, id }), fields: [...names] };
    }),
  );
}

export async function refusedIn(
  view: Pick<StudioView, 'get'>,
  file: StudioContents,
  refused: readonly Refused[],
): Promise<readonly RefusedRecord[]> {
  const factsOf = factsIn(view, file);
  return Promise.all(refused.map(async (one) => ({ ...one, what: await factsOf(one) })));
}

/** What would be changed or taken out, by names: what was looked at is what is done. What is new harms nobody. */
export function harmIn(coming: readonly Pick<ComingRecord, 'table' | 'id' | 'deed'>[]): readonly string[] {
  return coming.filter(({ deed }) => deed !== 'add').map((one) => `${one.deed} ${recordName(one)}`);
}

/** Tells what a record is: as it is here, or, where it is not, as it is in the file. */
function factsIn(view: Pick<StudioView, 'get'>, file: StudioContents): (place: RecordPlace) => Promise<RecordFacts> {
  const inFile = new Map<string, Held>(
    (['pieces', 'pupils', 'plan', 'lessons', 'answers', 'runs'] as const).flatMap((table) =>
      file[table].map((record) => [recordName({ table, id: String(heldIn(record, ['id'])) }), record] as const),
    ),
  );
  const find = async (place: RecordPlace): Promise<Held> => (await view.get(place)) ?? inFile.get(recordName(place));
  const nameOf = async (pupil: unknown): Promise<string | null> =>
    typeof pupil === 'string'
      ? (understoodRecord(PUPIL, await find({ table: 'pupils', id: pupil }))?.name ?? null)
      : null;
  return async ({ table, id }) => {
    const record = await find({ table, id });
    const pupil = await nameOf(heldIn(record, ['pupil']));
    switch (table) {
      case 'pieces': {
        const piece = understoodRecord(PIECE, record);
        return piece ? { kind: 'piece', piece } : { kind: 'other', id };
      }
      case 'pupils':
        return { kind: 'pupil', name: understoodRecord(PUPIL, record)?.name ?? id };
      case 'plan': {
        const card = understoodRecord(PLAN_ENTRY, record);
        if (!card) return { kind: 'other', id };
        const about = card.piece === null ? undefined : await find({ table: 'pieces', id: card.piece });
        return { kind: 'card', card, piece: about === undefined ? null : understoodRecord(PIECE, about), pupil };
      }
      case 'lessons':
        return { kind: 'lesson', day: String(heldIn(record, ['day']) ?? ''), pupil };
      case 'answers':
        return { kind: 'answer', asked: String(heldIn(record, ['asked']) ?? ''), pupil };
      case 'runs': {
        const run = understoodRecord(RUN, record);
        return run ? { kind: 'run', title: run.title, key: run.key, atMs: run.atMs, pupil } : { kind: 'other', id };
      }
      case 'kept':
        return { kind: 'kept', id };
      case 'aside':
        return { kind: 'other', id };
    }
  };
}
