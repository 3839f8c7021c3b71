import type { AskedMusic, StruckKey } from '../asked';
import type { Alignment } from './alignment';
import type { Run } from './heard-moments';
import type { Tolerance } from './tolerances.table';

/** What is looked at for faults. `beginMs` is when the first note was due; null where the player began it. */
export interface Heard {
  readonly music: AskedMusic;
  readonly keys: readonly StruckKey[];
  readonly alignment: Alignment;
  readonly runs: readonly Run[];
  readonly tolerance: Tolerance;
  readonly beginMs: number | null;
}
