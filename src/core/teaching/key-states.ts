import type { Day } from '../calendar';
import { groupBy } from '../base';
import { CLEAN_IN_A_ROW, STEP_TEMPO } from '../homework';
import { inTime, isPlayThrough, type RunFact } from './run-fact';

/** How a pupil stands to a key and its five-finger position. */
export const KEY_STATES = ['secure', 'learning', 'not-yet'] as const;
export type KeyState = (typeof KEY_STATES)[number];

/** From this tempo on a clean run shows that a piece is secure: the last one that its steps ask for. Unit: per cent of what is written. */
export const SECURE_TEMPO = STEP_TEMPO.pulse;

/** A piece that was played through clean, in time, so often in a row. Once secure it stays so. */
export interface SecurePiece {
  readonly piece: string;
  readonly title: string;
  readonly sinceMs: number;
}

/** What the record says of one key. */
export interface RecordedKey {
  readonly key: string;
  readonly state: KeyState;
  readonly pieces: readonly SecurePiece[];
  /** Since when its five fingers have been clean in each hand; null where they were not yet. */
  readonly patternSinceMs: number | null;
  readonly runs: number;
  readonly firstMs: number;
  readonly lastMs: number;
}

/** What runs say of the keys that were played. A key is secure with the first piece that is secure in it, and being learnt with the first that is played in it: its
 * five fingers alone make it ready to be begun. */
export function recordedKeys(runs: readonly RunFact[]): ReadonlyMap<string, RecordedKey> {
  return new Map([...groupBy(runs, ({ key }) => key)].map(([key, own]) => [key, recordedKey(key, inTime(own))]));
}

function recordedKey(key: string, runs: readonly RunFact[]): RecordedKey {
  const pieces = [...groupBy(runs.filter(isPlayThrough), ({ piece }) => piece).values()].flatMap(secureIn);
  return {
    key,
    state: pieces.length > 0 ? 'secure' : runs.some(({ music }) => music === 'piece') ? 'learning' : 'not-yet',
    pieces: pieces.toSorted((a, b) => a.sinceMs - b.sinceMs),
    patternSinceMs: patternSince(runs.filter(({ music }) => music === 'warm-up')),
    runs: runs.length,
    firstMs: (runs[0] as RunFact).atMs,
    lastMs: (runs.at(-1) as RunFact).atMs,
  };
}

/** When a piece became secure: the last of the clean runs in a row that it takes. */
function secureIn(runs: readonly RunFact[]): readonly SecurePiece[] {
  let inARow = 0;
  for (const { outcome, tempo, atMs, piece, title } of runs) {
    inARow = outcome === 'clean' && tempo >= SECURE_TEMPO ? inARow + 1 : 0;
    if (inARow === CLEAN_IN_A_ROW) return [{ piece, title, sinceMs: atMs }];
  }
  return [];
}

/** Both hands at once count for each. */
function patternSince(warmUps: readonly RunFact[]): number | null {
  const clean = warmUps.filter(({ outcome }) => outcome === 'clean');
  const [right, left] = (['right', 'left'] as const).map(
    (wanted) => clean.find(({ hand }) => hand === wanted || hand === 'both')?.atMs,
  );
  return right === undefined || left === undefined ? null : Math.max(right, left);
}

/** What the teacher says of a key: since which day (null where nobody noted it), and why; words may be empty. */
export interface JudgedKey {
  readonly key: string;
  readonly state: KeyState;
  readonly day: Day | null;
  readonly why: string;
}

/** How a pupil stands to a key, and who says so: the teacher, where there is a judgement; else the record; else nobody. */
export interface KeyStanding {
  readonly key: string;
  readonly state: KeyState;
  readonly by: 'teacher' | 'record' | 'nobody';
  readonly judged: JudgedKey | null;
  readonly recorded: RecordedKey | null;
}

/** What the teacher says counts. What the record says stands beside it. */
export function keyStanding(key: string, judged: JudgedKey | null, recorded: RecordedKey | null): KeyStanding {
  const by = judged ? 'teacher' : recorded ? 'record' : 'nobody';
  return { key, state: judged?.state ?? recorded?.state ?? 'not-yet', by, judged, recorded };
}
