'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { StudioDatabase } from './database';
import { followRecordings } from './door/recordings';
import { recordingSchema, tuningSchema, type RecordingRecord, type TuningRecord } from './records/ear-records';
import { studioDatabase } from './studio-life';

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
export function useRecording(run: string): RecordingRecord | null | undefined {
  return useLiveQuery(async () => {
    const kept = await studioDatabase().recordings.get(run);
    return kept && recordingSchema.isValidSync(kept, { strict: true }) ? kept : null;
  }, [run]);
}

/** Says whether a run was played just as it is written. */
export async function markAsWritten(run: string, asWritten: boolean): Promise<void> {
  await studioDatabase().recordings.update(run, { asWritten });
}

/** What the ear made of the runs that were played just as they are written: how many there are, how many of them it told a fault of, how many notes they have, how
 * many of these it heard as right, and how many not clearly. */
export interface OwnEarFigures {
  readonly runs: number;
  readonly accused: number;
  readonly notes: number;
  readonly right: number;
  readonly unclear: number;
}

export async function ownEarFigures({ recordings, runs }: StudioDatabase): Promise<OwnEarFigures> {
  const marked = await recordings.filter(({ asWritten }) => asWritten === true).primaryKeys();
  const all = (await runs.bulkGet(marked)).filter((run) => run !== undefined);
  const sum = (of: (run: (typeof all)[number]) => number): number => all.reduce((total, run) => total + of(run), 0);
  return {
    runs: all.length,
    accused: all.filter(({ faults }) => faults.length > 0).length,
    notes: sum(({ written }) => written),
    right: sum(({ right, unclear }) => right - (unclear?.length ?? 0)),
    unclear: sum(({ unclear }) => unclear?.length ?? 0),
  };
}

/** The same of this studio, kept up to date; undefined until it is read. */
export function useOwnEarFigures(): OwnEarFigures | undefined {
  return useLiveQuery(() => ownEarFigures(studioDatabase()), []);
}

/** How much room the sounds of runs take. Unit: bytes. */
export async function recordedBytes(): Promise<number> {
  let bytes = 0;
  await studioDatabase().recordings.each(({ sound }) => (bytes += sound.size));
  return bytes;
}

/** Lets go of the sounds whose run is no more and cannot be had back by undoing: called before they are counted. */
export function tidyRecordings(): Promise<void> {
  return followRecordings(studioDatabase());
}
