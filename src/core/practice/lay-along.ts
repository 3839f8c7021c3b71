import type { AskedMusic, StruckKey } from '../asked';
import { align } from './alignment';
import { heardRuns, type Run } from './heard-moments';
import { tempoAround } from './tempo';

/** Lays struck keys along what is written, and gives what was heard run by run, moment by moment. `givenMsPerQuarter` counts where too little was played to
 * tell the tempo. Keys in order of time. */
export function layAlong(
  music: AskedMusic,
  keys: readonly StruckKey[],
  givenMsPerQuarter: number | null,
): readonly Run[] {
  const rough = align(music, keys, null);
  return heardRuns(music, keys, align(music, keys, tempoAround(music, keys, rough, givenMsPerQuarter)));
}
