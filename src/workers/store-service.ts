import type { StudioDatabase } from '@/data/database';
import type { EnterCommand, StoreFault } from '@/data/door/commands';
import { runCommand, type Attribution, type Done } from '@/data/door/door';
import type { Result } from '@/core/base';
import { array, mixed, number, object, string } from 'yup';
import { guarded, type Asked } from './guarded';
import type { Answer } from './protocol';

/** What the storing worker does: it keeps what was entered, away from the page, which draws a note meanwhile and has no time. */
export interface StoreService {
  /** Opens the store ahead of the first key press. */
  ready(): Answer<null> | Promise<Answer<null>>;
  enter(
    command: EnterCommand,
    attribution: Attribution,
  ): Answer<Result<Done, StoreFault>> | Promise<Answer<Result<Done, StoreFault>>>;
}

const enterSchema = object({
  kind: string().oneOf(['piece.enter']).required(),
  id: string().required(),
  from: string().nullable().defined(),
  state: string().nullable().defined(),
  base: string().nullable().defined(),
  musicXml: string().required(),
  stretch: number().integer().min(0).required(),
  changed: array(
    object({
      number: number().integer().min(0).required(),
      state: mixed<'done' | 'undone'>().oneOf(['done', 'undone']).required(),
      change: string().required(),
      words: string().defined(),
    }),
  ).required(),
  count: number().integer().min(0).required(),
  typing: string().nullable().optional(),
});

const attributionSchema = object({ tab: string().required(), label: string().defined(), atMs: number().required() });

/** The same without a worker around it. */
export function createStoreService(database: StudioDatabase): Asked<StoreService> {
  return guarded<StoreService>({
    ready: async () => {
      await database.open();
      return { ok: true, value: null };
    },
    enter: async (command, attribution) => {
      enterSchema.validateSync(command, { strict: true });
      return {
        ok: true,
        value: await runCommand(database, command, attributionSchema.validateSync(attribution, { strict: true })),
      };
    },
  });
}
