import { assertNever, groupBy } from '@/core/base';
import type { StudioView, Wanted } from '../door/view';
import { heldIn, sameHeld, type Held } from '../records/field';
import { recordName, type RecordPlace } from '../records/place';
import type { TableName } from '../records/tables';
import { isFieldOf } from '../records/whose';
import { isTold, ownerOf } from './told';

/** A whole studio; what a pupil takes home of it, or brings back; or everything of one pupil, kept for later. */
export const FILE_KINDS = ['studio', 'hand-over', 'pupil'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

/** What may be done to a record. */
export type Deed = 'add' | 'change' | 'remove';

/** What a file may do: to whose records, and what to the records of each table. */
interface Rights {
  readonly whose: 'everybody' | 'its pupil';
  readonly deeds: Readonly<Record<TableName, readonly Deed[]>>;
}

const ANYTHING: readonly Deed[] = ['add', 'change', 'remove'];

/**
 * What a file of each kind may do to the studio. A file from one pupil may touch that pupil’s records and nothing else: of pieces it brings those that are
 * not here, and changes what is that pupil’s in them; a piece that came in by such a file is that pupil’s. No record goes that others have a part in.
 * Checked by: rights.test.ts.
 */
const RIGHTS: Readonly<Record<FileKind | 'piece', Rights>> = {
  studio: {
    whose: 'everybody',
    deeds: {
      pieces: ANYTHING,
      pupils: ANYTHING,
      plan: ANYTHING,
      lessons: ANYTHING,
      answers: ANYTHING,
      runs: ANYTHING,
      kept: ANYTHING,
      aside: ANYTHING,
    },
  },
  'hand-over': {
    whose: 'its pupil',
    deeds: {
      pieces: ['add', 'change'],
      pupils: ['add', 'change'],
      plan: ANYTHING,
      lessons: [],
      answers: ANYTHING,
      runs: ANYTHING,
      kept: [],
      aside: [],
    },
  },
  pupil: {
    whose: 'its pupil',
    deeds: {
      pieces: ['add', 'change'],
      pupils: ['add'],
      plan: ['add'],
      lessons: ['add'],
      answers: ['add'],
      runs: ['add'],
      kept: [],
      aside: [],
    },
  },
  piece: {
    whose: 'everybody',
    deeds: { pieces: ['add'], pupils: [], plan: [], lessons: [], answers: [], runs: [], kept: [], aside: [] },
  },
};

/** Why a file may not do something: it is about others; it is nothing that such a file does; or the file is not about one pupil. */
export type WhyRefused = 'others' | 'no-such-right' | 'no-one-pupil';

/** Something that a file would do, and may not. */
export interface Refused extends RecordPlace {
  readonly deed: Deed;
  readonly why: WhyRefused;
}

/** What of a file’s wishes may be done. */
export interface Granted {
  readonly wanted: readonly Wanted[];
  readonly refused: readonly Refused[];
}

/** A file by its kind, and the pupil it is about; null where it is about none, or about several. */
export interface FileAsking {
  readonly kind: FileKind | 'piece';
  readonly pupil: string | null;
}

/** What would be done to one record. */
export interface Doing extends RecordPlace {
  readonly deed: Deed;
  readonly fields: readonly Wanted[];
  /** The record as it is here. */
  readonly here: Held;
}

/** What some wishes come to, record by record. */
export async function doingsOf(view: Pick<StudioView, 'get'>, wanted: readonly Wanted[]): Promise<readonly Doing[]> {
  const doings: Doing[] = [];
  for (const fields of groupBy(wanted, recordName).values()) {
    const { table, id } = fields[0] as Wanted;
    const here = await view.get({ table, id });
    const last = fields.findLast(({ field }) => field.length === 0);
    const isGone = last !== undefined && last.value === undefined;
    doings.push({ table, id, deed: here === undefined ? 'add' : isGone ? 'remove' : 'change', fields, here });
  }
  return doings;
}

/** What a file may do of what it would do. This is the one place where that is asked. */
export async function grantedTo(
  file: FileAsking,
  view: Pick<StudioView, 'get'>,
  wanted: readonly Wanted[],
): Promise<Granted> {
  const { whose, deeds } = RIGHTS[file.kind];
  const all: Granted[] = (await doingsOf(view, wanted)).map((doing): Granted => {
    const { table, id, deed, fields } = doing;
    const refused = (why: WhyRefused): Granted => ({ wanted: [], refused: [{ table, id, deed, why }] });
    if (!deeds[table].includes(deed)) return refused('no-such-right');
    if (whose === 'everybody') return { wanted: fields, refused: [] };
    if (file.pupil === null) return refused('no-one-pupil');
    const { pupil } = file;
    const own = fields.filter((one) => isOwn(file.kind, pupil, { ...doing, one }));
    const some = own.length < fields.length ? refused('others').refused : [];
    return { wanted: own, refused: some };
  });
  return { wanted: all.flatMap((one) => one.wanted), refused: all.flatMap((one) => one.refused) };
}

/** Whether a wish is about this pupil alone. */
function isOwn(
  kind: FileAsking['kind'],
  pupil: string,
  { table, id, deed, here, one }: Doing & { readonly one: Wanted },
): boolean {
  // The teacher’s own file of a pupil tells more than what is handed over.
  const isAllowed = kind === 'pupil' || isTold(table, one.field, pupil);
  switch (table) {
    case 'pieces':
      return isAllowed && (deed === 'add' || isFieldOf(one, pupil) || isHandedTo(here, pupil));
    case 'pupils':
      return isAllowed && id === pupil;
    case 'plan':
    case 'lessons':
    case 'answers':
    case 'runs':
      return isAllowed && ownerOf(deed === 'add' ? one.value : here) === pupil && keepsOwner(one, pupil);
    case 'kept':
    case 'aside':
      return false;
    default:
      return assertNever(table);
  }
}

/** A record that is put whole in the place of another, or whose owner is changed, stays its pupil’s. */
function keepsOwner({ field, value }: Wanted, pupil: string): boolean {
  if (field.length === 0) return value === undefined || ownerOf(value) === pupil;
  return field[0] !== 'pupil' || sameHeld(value, pupil);
}

/** Whether a piece came here by a hand-over of this pupil, and not otherwise. */
export function isHandedTo(piece: Held, pupil: string): boolean {
  return heldIn(piece, ['handedTo']) === pupil;
}
