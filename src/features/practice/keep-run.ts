import { outcomeOf, type StepWay } from '@/core/homework';
import type { JudgedView } from '@/core/views';
import { writePlayedFile } from '@/core/write';
import { change, type PlayedOn, type RunRecord } from '@/data';
import { toBase64 } from '@/features/shared/base64';
import type { PractisedWhat } from './use-practised';
import type { PlayedKeys } from './use-run';

/** What a run was of. */
export interface RunOfWhat extends PractisedWhat {
  readonly piece: string;
  readonly title: string;
  readonly edition: string | null;
  readonly pupil: string | null;
  readonly key: string;
  readonly step: string | null;
  readonly way: StepWay;
  readonly tempo: number;
  readonly playedOn: PlayedOn;
}

/** A run as it goes into the record: what was judged, and what was played. */
export function runOf(what: RunOfWhat, judged: JudgedView, played: PlayedKeys, atMs: number): Omit<RunRecord, 'form'> {
  const { strictness, bpm, countIn } = played.how;
  return {
    ...what,
    id: crypto.randomUUID(),
    bars: what.bars && { ...what.bars },
    ear: strictness,
    bpm,
    countIn,
    atMs,
    tookMs: Math.round(played.tookMs),
    outcome: outcomeOf(what.way, judged),
    written: judged.notes.written,
    right: judged.notes.right,
    faults: judged.faults.map(({ kind, bar, beat, notes }) => ({ kind, bar, beat, notes: [...notes] })),
    midi: played.keys.length === 0 ? null : toBase64(writePlayedFile(played.keys)),
  };
}

/** A step that nobody can hear, ticked by the pupil. */
export function tickOf(what: RunOfWhat, atMs: number): Omit<RunRecord, 'form'> {
  return {
    ...what,
    id: crypto.randomUUID(),
    bars: what.bars && { ...what.bars },
    ear: 'usual',
    bpm: null,
    countIn: null,
    atMs,
    tookMs: 0,
    outcome: 'ticked',
    written: 0,
    right: 0,
    faults: [],
    midi: null,
  };
}

/** Puts a run into the record. */
export function keepRun(run: Omit<RunRecord, 'form'>): void {
  void change({ kind: 'note.run', run });
}
