import type { AskedMusic, StruckKey } from '../asked';
import type { Run } from './heard-moments';
import { NOT_SCORED, type PlayFault } from './play-fault';

/** How many notes were right and in time, the last time that they were played. */
export function rightNotes(
  music: AskedMusic,
  keys: readonly StruckKey[],
  runs: readonly Run[],
  faults: readonly PlayFault[],
): number {
  const wrongKeys = new Set(
    faults.filter(({ kind }) => !NOT_SCORED.includes(kind) && kind !== 'hesitation').flatMap((fault) => fault.keys),
  );
  const last = new Map<number, boolean>();
  for (const run of runs) {
    for (const { notes } of run)
      for (const { key, note } of notes)
        last.set(note, (keys[key] as StruckKey).midi === music.notes[note]?.midi && !wrongKeys.has(key));
  }
  return [...last].filter(([note, isRight]) => isRight && !music.notes[note]?.isGrace).length;
}
