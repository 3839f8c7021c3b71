import { inTime, isPlayThrough, type RunFact } from './run-fact';
import { recordedKeys, type RecordedKey } from './key-states';
import { groupBy } from '../base';

/** So many of the last runs are enough to say how this week and the last ones went. */
const RECENT = 120;

/** How a piece in a key went with one pupil: runs, clean ones, and how often it was played through until it was secure; null where it is not. */
export interface PieceTally {
  readonly piece: string;
  readonly title: string;
  readonly key: string;
  readonly runs: number;
  readonly clean: number;
  readonly throughs: number | null;
}

/** What all pupils together are looked at by: the runs of one, in a few lines. */
export interface RunsBrief {
  readonly recorded: readonly RecordedKey[];
  readonly tallies: readonly PieceTally[];
  /** The last runs, the last first: when, and how long. Unit: ms. */
  readonly recent: readonly (readonly [atMs: number, tookMs: number])[];
}

export function briefOf(runs: readonly RunFact[]): RunsBrief {
  const played = runs.filter(({ music, outcome }) => music === 'piece' && outcome !== 'ticked');
  return {
    recorded: [...recordedKeys(runs).values()],
    tallies: [...groupBy(played, ({ piece, key }) => `${piece}|${key}`).values()].map(tallyOf),
    recent: inTime(runs)
      .slice(-RECENT)
      .toReversed()
      .map(({ atMs, tookMs }) => [atMs, tookMs]),
  };
}

function tallyOf(runs: readonly RunFact[]): PieceTally {
  const { piece, title, key } = runs.at(-1) as RunFact;
  const secure = [...recordedKeys(runs).values()][0]?.pieces[0];
  return {
    ...{ piece, title, key, runs: runs.length },
    clean: runs.filter(({ outcome }) => outcome === 'clean').length,
    throughs: secure ? runs.filter((run) => isPlayThrough(run) && run.atMs <= secure.sinceMs).length : null,
  };
}
