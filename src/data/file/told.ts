import { heldIn, isPlain, leavesIn, pupilOf, withHeld, type Field, type Held } from '../records/field';
import { pupilSchema } from '../records/pupil-record';
import type { TableName } from '../records/tables';

/** What of a pupil stays with the teacher. */
const KEPT_BACK_OF_PUPILS: readonly string[] = ['note', 'judged', 'groups'];

/** What of a pupil is told: of fields that a later version has nobody here knows whether they are private. */
const TOLD_OF_PUPILS: readonly string[] = Object.keys(pupilSchema.fields).filter(
  (name) => !KEPT_BACK_OF_PUPILS.includes(name),
);

/** What of a piece is told: its music, and what was decided of it. Tags, the archive and what was looked at last are the teacher’s own. */
const TOLD_OF_PIECES: readonly string[] = [
  ...[
    'id',
    'form',
    'origin',
    'fileName',
    'musicXml',
    'edition',
    'addedAt',
    'ownKey',
    'midi',
    'beside',
    'part',
    'remarks',
  ],
  ...['respelled', 'decided', 'homework', 'stageOf'],
  ...['stageOrder', 'stagesLeft', 'stagesAdded', 'ownStages', 'stageFingers'],
];

/** Whether a hand-over of a pupil tells a field of a record of this table, whichever way it goes. The whole record is the empty field. */
export function isTold(table: TableName, field: Field, pupil: string): boolean {
  if (table === 'lessons' || table === 'kept' || table === 'aside') return false;
  const [name] = field;
  if (name === undefined) return true;
  if (table === 'pupils') return TOLD_OF_PUPILS.includes(name);
  if (table !== 'pieces') return true;
  const whose = pupilOf(field);
  return TOLD_OF_PIECES.includes(name) && (whose === null || whose === pupil);
}

/** A record without what a hand-over of this pupil does not tell. */
export function toldOf(table: TableName, record: Held, pupil: string): Held {
  if (!isPlain(record)) return record;
  const kept = Object.fromEntries(Object.entries(record).filter(([name]) => isTold(table, [name], pupil)));
  const others = [...leavesIn(kept).keys()]
    .map((name) => JSON.parse(name) as Field)
    .filter((field) => !isTold(table, field, pupil));
  return others.reduce<Held>((left, field) => withHeld(left, field, undefined)?.record ?? left, kept);
}

/** Whose a record is that belongs to one pupil; undefined where that is not said. */
export function ownerOf(record: Held): string | undefined {
  const pupil = heldIn(record, ['pupil']);
  return typeof pupil === 'string' ? pupil : undefined;
}
