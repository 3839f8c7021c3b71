import type { StruckKey } from '@/core/asked';
import { outcomeOf, type StepWay } from '@/core/homework';
import type { JudgedView } from '@/core/views';
import { change, keepRecording, type PlayedOn, type RunRecord } from '@/data';
import { toBase64 } from '@/features/shared/files/base64';
import { coreWorker } from '@/workers/client';
import type { PractisedWhat } from './use-practised';
import type { PlayedKeys } from './use-run';

/** A run before it is in the record. */
export type NewRun = Omit<RunRecord, 'form'>;

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

/** A step that nobody can hear, ticked by the pupil. */
export function tickOf(what: RunOfWhat, atMs: number): NewRun {
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

/** A run as it goes into the record: what was judged, without what was played. */
export function runOf(what: RunOfWhat, judged: JudgedView, played: PlayedKeys, atMs: number): NewRun {
  const { strictness, bpm, countIn, byEar } = played.how;
  return {
    ...tickOf(what, atMs),
    ear: strictness,
    bpm,
    countIn,
    tookMs: Math.round(played.tookMs),
    outcome: outcomeOf(what.way, judged),
    written: judged.notes.written,
    right: judged.notes.right,
    unclear: byEar ? [...byEar.unclear] : null,
    faults: judged.faults.map(({ kind, bar, beat, hand, notes }) => ({ kind, bar, beat, hand, notes: [...notes] })),
  };
}

/** Whether the store has a run, and whether there was room for its sound. */
export interface KeptRun {
  readonly isKept: boolean;
  readonly hadRoom: boolean;
}

/** Puts a run into the record, with what was played as a MIDI file, and beside it the sound of it. Where that cannot be written, the rest of it is kept. */
export async function keepRun(run: NewRun, keys: readonly StruckKey[], sound: Blob | null = null): Promise<KeptRun> {
  const file =
    keys.length === 0
      ? null
      : await coreWorker()
          .playedFile(keys)
          .catch(() => null);
  const trouble = await change({ kind: 'note.run', run: { ...run, midi: file?.ok ? toBase64(file.value) : null } });
  return { isKept: trouble === null, hadRoom: sound === null || (await keepRecording(run.id, sound)) };
}
