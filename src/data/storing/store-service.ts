import type { StudioDatabase } from '../database';
import type { EnterCommand, StoreFault } from '../door/commands';
import { runCommand, type Attribution, type Done } from '../door/door';
import { rememberStudio, type Memory, type Remembered } from '../remembered';
import type { Result } from '@/core/base';
import { array, boolean, number, object, string } from 'yup';
import type { Checks } from '@/contract/checks';
import { guarded, type Asked } from '@/crossing/guarded';
import type { Answer } from '@/contract/answer';
import { oneOf } from '@/contract/one-of';

/** What the storing worker does: it keeps what was entered, away from the page, which draws a note meanwhile and has no time; and it remembers the studio
 * as it is, for the case that the browser takes it away. */
export interface StoreService {
  /** Opens the store ahead of the first key press. */
  ready(): Answer<null> | Promise<Answer<null>>;
  enter(
    command: EnterCommand,
    attribution: Attribution,
  ): Answer<Result<Done, StoreFault>> | Promise<Answer<Result<Done, StoreFault>>>;
  /** Reads the studio into memory, and follows it. Answers once all of it is there. */
  remember(): Promise<Answer<null>>;
  /** What is remembered; null where nothing is. */
  recall(): Promise<Answer<Remembered | null>>;
  /** Lets go of the store and of what is remembered: everything is being removed. */
  forget(): Answer<null>;
}

const enterSchema = object({
  kind: oneOf(['piece.enter']),
  id: string().required(),
  from: string().nullable().defined(),
  state: string().nullable().defined(),
  base: string().nullable().defined(),
  musicXml: string().required(),
  stretch: number().integer().min(0).required(),
  changed: array(
    object({
      number: number().integer().min(0).required(),
      state: oneOf(['done', 'undone']),
      change: string().required(),
      words: string().defined(),
    }),
  ).required(),
  count: number().integer().min(0).required(),
  typing: string().nullable().optional(),
});

const attributionSchema = object({
  tab: string().required(),
  label: string().defined(),
  atMs: number().required(),
  isTyped: boolean().default(false),
});

const STORE_CHECKS: Checks<StoreService> = {
  ready: [],
  enter: [enterSchema, attributionSchema],
  remember: [],
  recall: [],
  forget: [],
};

/** So long at most whoever wants to delete the studio waits until it is remembered. Unit: ms. */
const READ_FOR_MS = 5000;

/** The same without a worker around it. */
export function createStoreService(database: StudioDatabase): Asked<StoreService> {
  let memory: Memory | null = null;
  database.on('versionchange', (event) => {
    const isDeleted = event.newVersion === null;
    const read = isDeleted && memory ? memory.read.catch(() => undefined) : Promise.resolve();
    const late = new Promise((resolve) => setTimeout(resolve, READ_FOR_MS));
    void Promise.race([read, late]).then(() => database.close());
    return false;
  });
  const service: StoreService = {
    remember: async () => {
      await database.open();
      memory ??= rememberStudio(database);
      await memory.read;
      return { ok: true, value: null };
    },
    forget: () => {
      memory?.end();
      memory = null;
      database.close();
      return { ok: true, value: null };
    },
    recall: async () => ({ ok: true, value: memory ? await memory.recall() : null }),
    ready: async () => {
      await database.open();
      return { ok: true, value: null };
    },
    enter: async (command, attribution) => ({ ok: true, value: await runCommand(database, command, attribution) }),
  };
  return guarded(service, STORE_CHECKS);
}
