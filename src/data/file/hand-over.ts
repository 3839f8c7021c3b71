import type { Week } from '@/core/calendar';
import { recordName } from '../records/place';
import { JOINED_TABLES, placeOf, THERE, type Stamp } from '../join/stamp';
import { heldIn, leavesIn, pupilOf, withHeld, type Field, type Held } from '../records/field';
import { PLAN_ENTRY, type PlanEntry } from '../records/plan-record';
import { PUPIL } from '../records/pupil-record';
import type { TableName } from '../records/tables';
import { understoodRecord } from '../records/understand';
import type { StudioContents } from './contents';
import { isTold, toldOf } from './told';

/** What of a pupil is handed over: what is set for one week, or everything that is planned (null); what was practised goes back with it, or stays. */
export interface HandOverAsked {
  readonly pupil: string;
  readonly week: Week | null;
  readonly practice: 'with' | 'without';
}

/** What a pupil takes home, or brings back: the pupil, what is planned, and the pieces of it with what was decided for this pupil or for any hand. What the
 * teacher notes about the pupil stays with the teacher. Nothing of others. */
export function handOverContents(studio: StudioContents, { pupil, week, practice }: HandOverAsked): StudioContents {
  const all = ofPupil(studio, pupil);
  const plan = all.plan.filter((entry) => week === null || heldIn(entry, ['week']) === week);
  return withStamps(studio, pupil, {
    ...all,
    plan,
    pieces: piecesOf(studio, practice === 'with' ? [...plan, ...all.runs] : plan, pupil).map((piece) =>
      toldOf('pieces', piece, pupil),
    ),
    pupils: all.pupils.map((record) => toldOf('pupils', record, pupil)),
    lessons: [],
    ...(practice === 'with' ? {} : { runs: [], answers: [] }),
  });
}

/** Everything that the studio holds of one pupil, the teacher’s notes too. It is taken in as new: who wrote what stays here. */
export function pupilContents(studio: StudioContents, pupil: string): StudioContents {
  const all = ofPupil(studio, pupil);
  return { ...all, pieces: piecesOf(studio, [...all.plan, ...all.runs], pupil) };
}

function ofPupil(studio: StudioContents, pupil: string): StudioContents {
  const own = (records: readonly unknown[]): readonly unknown[] =>
    records.filter((record) => heldIn(record, ['pupil']) === pupil);
  return {
    pieces: [],
    pupils: studio.pupils.filter((one) => heldIn(one, ['id']) === pupil),
    plan: own(studio.plan),
    lessons: own(studio.lessons),
    answers: own(studio.answers),
    runs: own(studio.runs),
    settings: {},
    desk: {},
    aside: [],
    stamps: [],
    carried: {},
  };
}

/** The pieces that some records are about. */
function piecesOf(studio: StudioContents, about: readonly unknown[], pupil: string): readonly unknown[] {
  const wanted = new Set(about.map((record) => heldIn(record, ['piece'])));
  return studio.pieces.filter((piece) => wanted.has(heldIn(piece, ['id']))).map((piece) => forPupil(piece, pupil));
}

/** With what is known of who wrote it: of the records that are in it, what is told of them; of what was taken out and was this pupil’s, that it was. What stood
 * in that is nobody’s business any more. */
function withStamps(studio: StudioContents, pupil: string, contents: StudioContents): StudioContents {
  const names = new Set(
    JOINED_TABLES.flatMap((table) =>
      contents[table].map((record) => recordName({ table, id: String(heldIn(record, ['id'])) })),
    ),
  );
  const stamps = studio.stamps.flatMap((stamp): readonly Stamp[] => {
    const { table } = placeOf(stamp);
    if (!isTold(table, [], pupil)) return [];
    if (names.has(stamp.id)) return [{ ...stamp, fields: toldFields(stamp, table, pupil) }];
    const there = stamp.fields[THERE];
    return stamp.pupil === pupil && there ? [{ ...stamp, fields: { [THERE]: there } }] : [];
  });
  return { ...contents, stamps };
}

function toldFields({ fields }: Stamp, table: TableName, pupil: string): Stamp['fields'] {
  return Object.fromEntries(Object.entries(fields).filter(([name]) => isTold(table, JSON.parse(name) as Field, pupil)));
}

/** A piece without what was decided for other pupils. */
function forPupil(piece: unknown, pupil: string): Held {
  const others = [...leavesIn(piece).keys()]
    .map((name) => JSON.parse(name) as Field)
    .filter((field) => ![null, pupil].includes(pupilOf(field)));
  return others.reduce<Held>((left, field) => withHeld(left, field, undefined)?.record ?? left, piece);
}

/** The pupil that a file is about; null where it is about none, or about several. */
export function pupilIn({ pupils }: StudioContents): string | null {
  const ids = new Set(pupils.map((record) => heldIn(record, ['id'])));
  const [id] = ids;
  return ids.size === 1 && typeof id === 'string' ? id : null;
}

/** What a hand-over holds: whose it is, and the plan in its order. */
export interface HandOver {
  readonly pupil: { readonly id: string; readonly name: string } | null;
  readonly plan: readonly PlanEntry[];
  readonly runs: number;
}

export function handOverIn({ pupils, plan, runs }: StudioContents): HandOver {
  const [pupil] = pupils.flatMap((record) => understoodRecord(PUPIL, record) ?? []);
  return {
    pupil: pupil ? { id: pupil.id, name: pupil.name } : null,
    plan: plan.flatMap((entry) => understoodRecord(PLAN_ENTRY, entry) ?? []).toSorted((a, b) => a.place - b.place),
    runs: runs.length,
  };
}
