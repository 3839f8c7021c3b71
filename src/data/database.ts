import Dexie, { type EntityTable, type Table } from 'dexie';
import type { HistoryChange, HistoryHead } from './door/history-records';
import { broughtToForm5 } from './migrations';
import type { Stamp } from './join/stamp';
import type { BriefRecord, DigestRecord } from './records/digest';
import type { RecordingRecord, TuningRecord } from './records/ear-records';
import type { LessonRecord } from './records/lesson-record';
import type { PlanEntry } from './records/plan-record';
import type { PupilRecord } from './records/pupil-record';
import type { FindRecord, FitPack, PieceRecord } from './records/records';
import { FORM } from './records/records';
import type { RunRecord } from './records/run-record';
import type { AsideRecord, KeptId } from './records/tables';

/** Where entering stood, as the core has it in text, and the edition of the music that it is about. */
export interface CaretRecord {
  readonly piece: string;
  readonly edition: string | null;
  readonly typing: string;
}

/** A record of `kept`. */
export interface KeptRecord {
  readonly id: KeptId;
  readonly form: number;
  readonly value: unknown;
}

export type StudioDatabase = Dexie & {
  readonly pieces: EntityTable<PieceRecord, 'id'>;
  readonly pupils: EntityTable<PupilRecord, 'id'>;
  /** What each pupil is to learn, and in which key. */
  readonly plan: EntityTable<PlanEntry, 'id'>;
  readonly lessons: EntityTable<LessonRecord, 'id'>;
  /** Answers of finding games. */
  readonly answers: EntityTable<FindRecord, 'id'>;
  /** What was practised, run by run. */
  readonly runs: EntityTable<RunRecord, 'id'>;
  readonly kept: EntityTable<KeptRecord, 'id'>;
  /** What could not be understood. */
  readonly aside: EntityTable<AsideRecord, 'id'>;
  /** What was done, in order, by its labels; what each edit changed stands in `changes`, so that a list of labels need not load it. */
  readonly history: Table<HistoryHead, number>;
  readonly changes: Table<HistoryChange, number>;
  /** What was worked out about pieces for the whole shelf: can be thrown away at any time. */
  readonly fits: EntityTable<FitPack, 'number'>;
  /** The runs of each pupil in short, for lists and charts: can be thrown away at any time. */
  readonly digests: EntityTable<DigestRecord, 'pupil'>;
  readonly briefs: EntityTable<BriefRecord, 'pupil'>;
  /** Which device wrote what, for joining what several devices hold. */
  readonly stamps: EntityTable<Stamp, 'id'>;
  /** What this browser is called among devices; never leaves it. */
  readonly local: Table<{ readonly id: 'device'; readonly name: string }, string>;
  /** Photos of pages, by the piece that is entered from them: large, of no use elsewhere, and not in the studio file. */
  readonly photos: Table<{ readonly piece: string; readonly photo: Blob }, string>;
  /** Where entering stood in a piece, in which state of its music: another tab goes on from there. Never leaves this browser. */
  readonly carets: EntityTable<CaretRecord, 'piece'>;
  /** What was found out of the piano in front of this browser's microphone; never leaves it. */
  readonly tunings: EntityTable<TuningRecord, 'id'>;
  /** The sound of runs, by the run: large, and not in the studio file. */
  readonly recordings: Table<RecordingRecord, string>;
  /** Handles of the browser to files outside: they cannot leave it. */
  readonly handles: Table<{ readonly id: 'studio'; readonly handle: FileSystemFileHandle }, string>;
};

/** What each version of the database holds. Versions are only ever added here, never changed. */
export const STORES: readonly { readonly version: number; readonly stores: Readonly<Record<string, string | null>> }[] =
  [
    { version: 1, stores: { pieces: 'id, addedAt', kept: 'id', journal: '++number, state' } },
    { version: 2, stores: { pupils: 'id, addedAt' } },
    { version: 3, stores: { steps: '[piece+number], piece', pending: 'piece' } },
    { version: 4, stores: { plan: 'id, pupil', finds: '++, pupil', fits: '++number, player' } },
    {
      version: FORM,
      stores: {
        answers: 'id, pupil',
        aside: 'id',
        handles: 'id',
        history: '++number, [state+number], [state+tab+number], *records, [piece+stretch+step]',
        changes: 'number',
      },
    },
    // What these held stands in history, pieces and answers by now.
    { version: 6, stores: { journal: null, steps: null, pending: null, finds: null } },
    { version: 7, stores: { photos: 'piece' } },
    { version: 8, stores: { runs: 'id, piece, pupil, atMs' } },
    {
      version: 9,
      stores: {
        plan: 'id, pupil, week',
        lessons: 'id, pupil, day',
        runs: 'id, pupil, atMs, [pupil+atMs], [pupil+piece+atMs]',
        digests: 'pupil',
        briefs: 'pupil',
        stamps: 'id',
        local: 'id',
      },
    },
    { version: 10, stores: { tunings: 'id', recordings: 'run' } },
    { version: 11, stores: { carets: 'piece' } },
  ];

const DATABASE_NAME = 'new-thumb';

/** The studio here was brought into its own form by a newer version: what this one wrote there, that one might not understand. */
export class NewerStudioError extends Error {
  override readonly name = 'NewerStudioError';
}

/** The version of a database as the browser counts it, which leaves room between ours. */
const browserVersion = Math.max(...STORES.map(({ version }) => version)) * 10;

/** Opens the studio's database, and brings up what an older version left. One that a newer version left is not opened: each question is refused with
 * `NewerStudioError`. Where there is no database it is made only if `mayMake` says so; else opening it is refused. */
export function openDatabase(name = DATABASE_NAME, mayMake: () => boolean = () => true): StudioDatabase {
  const database = new Dexie(name, { indexedDB: guarded(mayMake) }) as StudioDatabase;
  for (const { version, stores } of STORES) {
    const opened = database.version(version).stores({ ...stores });
    if (version === FORM) opened.upgrade(broughtToForm5);
  }
  database.on('ready', () => {
    if (database.backendDB().version > browserVersion) throw new NewerStudioError('the studio is of a newer version');
  });
  return database;
}

/** The browser's databases, of which none is made without leave: what the browser deleted under an open page is not made anew and empty. */
function guarded(mayMake: () => boolean): IDBFactory {
  const { indexedDB: factory } = globalThis;
  return {
    open: (name, version) => {
      const request = factory.open(name, version);
      request.addEventListener('upgradeneeded', (event) => {
        if (event.oldVersion > 0 || mayMake()) return;
        event.stopImmediatePropagation();
        request.transaction?.abort();
      });
      return request;
    },
    deleteDatabase: (name) => factory.deleteDatabase(name),
    databases: () => factory.databases(),
    cmp: (a, b) => factory.cmp(a, b),
  };
}

/** Takes the studio away for good. It waits until every connection is closed. */
export function deleteDatabase(): Promise<void> {
  return Dexie.delete(DATABASE_NAME);
}

/** Whether this browser has a studio, as far as can be told without opening it: yes where it cannot. */
export async function hasStudio(): Promise<boolean> {
  const all = await indexedDB.databases?.().catch(() => null);
  return !all || all.some(({ name }) => name === DATABASE_NAME);
}
