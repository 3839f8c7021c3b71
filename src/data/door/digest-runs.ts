import type { StudioDatabase } from '../database';
import type { RunFact } from '@/core/teaching';
import { briefRecordOf, digestOf, factOf, factsIn } from '../records/digest';
import { heldIn } from '../records/field';
import { RUN, type RunRecord } from '../records/run-record';
import { understoodRecord } from '../records/understand';
import { isPlainRun } from '../records/plain-run';
import type { Becoming } from './apply';

/** More runs than that at once are not added one by one: their digests are made anew when they are wanted. */
const FEW = 20;

/** Keeps the digests beside the runs: a new run is added to its pupil’s, anything else has it made anew. To be called before runs go. */
export async function followRuns(
  database: StudioDatabase,
  there: readonly Becoming[],
  gone: readonly Becoming[],
): Promise<void> {
  if (there.length + gone.length === 0) return;
  const isFew = gone.length === 0 && there.length <= FEW;
  for (const { record } of isFew ? there : []) {
    const run = runIn(record);
    const key = run?.pupil ?? '';
    const facts = run ? factsIn(await database.digests.get(key)) : null;
    if (run && facts && !facts.some(({ id }) => id === run.id)) {
      await putDigest(database, run.pupil, [...facts, factOf(run)]);
    } else await forgetDigests(database, [key]);
  }
  if (isFew) return;
  const going = await database.runs.bulkGet(gone.map(({ id }) => id));
  const pupils = [...going, ...there.map(({ record }) => record)].map((run) => String(heldIn(run, ['pupil']) ?? ''));
  await forgetDigests(database, [...new Set(pupils)]);
}

/** Keeps the runs of a pupil in short. */
export async function putDigest(
  database: StudioDatabase,
  pupil: string | null,
  facts: readonly RunFact[],
): Promise<void> {
  await database.digests.put(digestOf(pupil, facts));
  await database.briefs.put(briefRecordOf(pupil, facts));
}

async function forgetDigests(database: StudioDatabase, pupils: readonly string[]): Promise<void> {
  await database.digests.bulkDelete([...pupils]);
  await database.briefs.bulkDelete([...pupils]);
}

export function runIn(record: unknown): RunRecord | null {
  return isPlainRun(record) ? record : understoodRecord(RUN, record);
}
