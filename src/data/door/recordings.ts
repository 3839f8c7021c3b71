import type { StudioDatabase } from '../database';
import { recordName } from './history-records';

/** Lets go of the sounds whose run is no more and cannot be had back by undoing. */
export async function followRecordings({ recordings, runs, history }: StudioDatabase): Promise<void> {
  for (const run of await recordings.toCollection().primaryKeys()) {
    if ((await runs.get(run)) !== undefined) continue;
    const name = recordName({ table: 'runs', id: run });
    if ((await history.where('records').equals(name).count()) === 0) await recordings.delete(run);
  }
}
