'use client';

import { useEffect } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import type { Week } from '@/core/calendar';
import type { RunFact, RunsBrief } from '@/core/teaching';
import { runIn } from './door/digest-runs';
import type { Conflict } from './join/join';
import {
  allFinds,
  allPupils,
  briefsOf,
  conflictsHere,
  countRuns,
  factsOf,
  keepDigests,
  lessonsOf,
  planOf,
  planOfWeeks,
  runsBetween,
  runsOf,
} from './reading';
import type { LessonRecord } from './records/lesson-record';
import type { PlanEntry } from './records/plan-record';
import type { PupilRecord } from './records/pupil-record';
import type { FindRecord } from './records/records';
import type { RunRecord } from './records/run-record';
import { forgetTyped } from './device/typed-words';
import { studio, studioDatabase } from './studio-life';
import { tellRefusal } from './use-studio';

/** All pupils, kept up to date; undefined until they are read. */
export function usePupils(): readonly PupilRecord[] | undefined {
  return useLiveQuery(() => allPupils(studioDatabase()), []);
}

/** What a pupil is to learn, in order; empty for any hand, undefined until it is read. */
export function usePlan(pupil: string | null): readonly PlanEntry[] | undefined {
  return useLiveQuery(() => (pupil === null ? [] : planOf(studioDatabase(), pupil)), [pupil]);
}

/** What a pupil answered in finding games, the last first; undefined until it is read. */
export function useFinds(pupil: string | null): readonly FindRecord[] | undefined {
  return useLiveQuery(
    async () => (await allFinds(studioDatabase())).filter((find) => find.pupil === pupil).toReversed(),
    [pupil],
  );
}

/** What was practised of a piece, or of all (null), by a pupil or any hand, the last first, no more than asked for; undefined until it is read. */
export function useRuns(piece: string | null, pupil: string | null, most?: number): readonly RunRecord[] | undefined {
  return useLiveQuery(() => runsOf(studioDatabase(), piece, pupil, most), [piece, pupil, most]);
}

/** One run; null where there is none, undefined until it is read. */
export function useRun(id: string | null): RunRecord | null | undefined {
  return useLiveQuery(async () => (id === null ? null : runIn(await studioDatabase().runs.get(id))), [id]);
}

/** How many runs there are of it. */
export function useRunCount(piece: string | null, pupil: string | null): number | undefined {
  return useLiveQuery(() => countRuns(studioDatabase(), piece, pupil), [piece, pupil]);
}

/** What a pupil practised between two moments, the last first. Unit: ms since 1970. */
export function useRunsBetween(pupil: string, fromMs: number, toMs: number): readonly RunRecord[] | undefined {
  return useLiveQuery(() => runsBetween(studioDatabase(), pupil, fromMs, toMs), [pupil, fromMs, toMs]);
}

/** The runs of pupils in short, kept up to date; undefined until they are read. `pupils` must keep its identity while it says the same. */
export function useFacts(pupils: readonly string[] | undefined): ReadonlyMap<string, readonly RunFact[]> | undefined {
  const facts = useLiveQuery(async () => pupils && factsOf(studioDatabase(), pupils), [pupils]);
  useKeptDigests(facts?.missing);
  return facts?.byPupil;
}

/** The runs of pupils in a few lines each, likewise. */
export function useBriefs(pupils: readonly string[] | undefined): ReadonlyMap<string, RunsBrief> | undefined {
  const briefs = useLiveQuery(async () => pupils && briefsOf(studioDatabase(), pupils), [pupils]);
  useKeptDigests(briefs?.missing);
  return briefs?.byPupil;
}

/** What had to be made is kept for the next time. */
function useKeptDigests(missing: readonly string[] | undefined): void {
  useEffect(() => {
    if (missing && missing.length > 0) void keepDigests(studioDatabase(), missing).catch(() => undefined);
  }, [missing]);
}

/** What all pupils are to learn in some weeks, in order; undefined until it is read. */
export function usePlanOfWeeks(from: Week, to: Week): readonly PlanEntry[] | undefined {
  return useLiveQuery(() => planOfWeeks(studioDatabase(), from, to), [from, to]);
}

/** The lessons of a pupil of which something was noted, the last first; undefined until they are read. */
export function useLessons(pupil: string): readonly LessonRecord[] | undefined {
  return useLiveQuery(() => lessonsOf(studioDatabase(), pupil), [pupil]);
}

/** What devices wrote without knowing of each other, and nobody has chosen between; undefined until it is read. */
export function useConflicts(): readonly Conflict[] | undefined {
  return useLiveQuery(() => conflictsHere(studioDatabase()), []);
}

/** Removes everything of a pupil for good. Whether it was done; a refusal is told by itself. */
export async function erasePupilForGood(pupil: string): Promise<boolean> {
  const done = await studio().erase(pupil);
  // What was typed about the pupil and never kept goes too.
  if (done.ok) forgetTyped(done.value);
  else tellRefusal(done.error);
  return done.ok;
}

/** What all pupils are to learn in some weeks, read once. */
export function planAhead(from: Week, to: Week): Promise<readonly PlanEntry[]> {
  return planOfWeeks(studioDatabase(), from, to);
}
