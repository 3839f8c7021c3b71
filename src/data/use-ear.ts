'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { StudioDatabase } from './database';
import { recordName } from './door/history-records';
import { recordingSchema, tuningSchema, type TuningRecord } from './records/ear-records';
import { studioDatabase } from './use-studio';

/** What was found out of the piano here; null where nobody has tuned in, undefined until it is read. What cannot be understood is found out anew. */
export function useTuning(): TuningRecord | null | undefined {
  return useLiveQuery(async () => {
    const kept = await studioDatabase().tunings.get('microphone');
    return kept && tuningSchema.isValidSync(kept, { strict: true }) ? kept : null;
  }, []);
}

export async function keepTuning(tuning: Omit<TuningRecord, 'id'>): Promise<void> {
  await studioDatabase().tunings.put({ id: 'microphone', ...tuning });
}

/** Keeps the sound of a run. False where there is no room for it on this device. */
export async function keepRecording(run: string, sound: Blob): Promise<boolean> {
  try {
    await studioDatabase().recordings.put({ run, sound });
    return true;
  } catch {
    return false;
  }
}

/** The sound of a run; null where none was kept, undefined until it is read. */
export function useRecording(run: string): Blob | null | undefined {
  return useLiveQuery(async () => {
    const kept = await studioDatabase().recordings.get(run);
    return kept && recordingSchema.isValidSync(kept, { strict: true }) ? kept.sound : null;
  }, [run]);
}

/** How much room the sounds of runs take. Unit: bytes. */
export async function recordedBytes(): Promise<number> {
  let bytes = 0;
  await studioDatabase().recordings.each(({ sound }) => (bytes += sound.size));
  return bytes;
}

/** Lets go of the sounds whose run is no more and cannot be had back by undoing: called when the application begins. */
export async function tidyRecordings(database: StudioDatabase = studioDatabase()): Promise<void> {
  const { recordings, runs, history } = database;
  const all = await recordings.toCollection().primaryKeys();
  for (const run of all) {
    if ((await runs.get(run)) !== undefined) continue;
    if (
      (await history
        .where('records')
        .equals(recordName({ table: 'runs', id: run }))
        .count()) === 0
    )
      await recordings.delete(run);
  }
}
