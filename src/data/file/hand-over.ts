import type { Week } from '@/core/calendar';
import { recordName } from '../records/place';
import { JOINED_TABLES, placeOf, type Stamp } from '../join/stamp';
import { heldIn, isPlain, leavesIn, pupilOf, withHeld, type Field, type Held } from '../records/field';
import { PLAN_ENTRY, type PlanEntry } from '../records/plan-record';
import { PUPIL } from '../records/pupil-record';
import type { TableName } from '../records/tables';
import { understoodRecord } from '../records/understand';
import type { StudioContents } from './contents';

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
    pieces: piecesOf(studio, practice === 'with' ? [...plan, ...all.runs] : plan, pupil),
    pupils: all.pupils.map(withoutNotes),
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

/** What of a pupil stays with the teacher. */
const PRIVATE: readonly string[] = ['note', 'judged', 'groups'];
const PRIVATE_TABLES: readonly TableName[] = ['lessons'];

function withoutNotes(pupil: unknown): unknown {
  return isPlain(pupil) ? Object.fromEntries(Object.entries(pupil).filter(([name]) => !PRIVATE.includes(name))) : pupil;
}

/** With what is known of who wrote it: of the records that are in it and of what they tell; and what was taken out of them, and of what is this pupil’s. */
function withStamps(studio: StudioContents, pupil: string, contents: StudioContents): StudioContents {
  const names = new Set(
    JOINED_TABLES.flatMap((table) =>
      contents[table].map((record) => recordName({ table, id: String(heldIn(record, ['id'])) })),
    ),
  );
  const isWanted = (stamp: Stamp): boolean =>
    names.has(stamp.id) || (stamp.pupil === pupil && !PRIVATE_TABLES.includes(placeOf(stamp).table));
  const stamps = studio.stamps.filter(isWanted).map((stamp): Stamp => {
    const told = Object.entries(stamp.fields).filter(([name]) => isTold(stamp, JSON.parse(name) as string[], pupil));
    return { ...stamp, fields: Object.fromEntries(told) };
  });
  return { ...contents, stamps };
}

/** Whether a field is this pupil’s business. */
function isTold(stamp: Stamp, field: Field, pupil: string): boolean {
  if (placeOf(stamp).table === 'pupils' && PRIVATE.includes(field[0] ?? '')) return false;
  const whose = pupilOf(field);
  return whose === null || whose === pupil;
}

/** A piece without what was decided for other pupils. */
function forPupil(piece: unknown, pupil: string): Held {
  const others = [...leavesIn(piece).keys()]
    .map((name) => JSON.parse(name) as Field)
    .filter((field) => ![null, pupil].includes(pupilOf(field)));
  return others.reduce<Held>((left, field) => withHeld(left, field, undefined)?.record ?? left, piece);
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
