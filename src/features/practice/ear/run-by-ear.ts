'use client';

import type { StruckKey } from '@/core/asked';
import type { Credited } from '@/core/hearing';
import type { KeyMove } from '@/features/shared/devices/key-device';
import type { HeardRun } from '@/contract/ear-questions';
import type { Answer } from '@/contract/answer';
import { listenToRun } from './listening';
import { recordSound } from './record-sound';
import type { Microphone } from './use-microphone';

/** What counts as struck of a run, in ms from its beginning, what was not heard clearly, and the sound of it where it is kept. */
export interface CreditedRun {
  readonly keys: readonly StruckKey[];
  readonly unclear: readonly number[];
  readonly sound: Blob | null;
  /** How often sound may have been lost on the way. */
  readonly gaps: number;
}

/** A run that a microphone listens to. */
export interface RunByEar {
  /** The run that began at `zeroMs` is over. Null where nothing can be said of it. */
  readonly end: (
    zeroMs: number,
    onPart: (share: number) => void,
    credit: (heard: HeardRun) => Promise<Answer<Credited>>,
  ) => Promise<CreditedRun | null>;
  readonly forget: () => void;
}

/** Begins to listen, where the microphone is open and tuned in; null where it is not. */
export async function beginByEar(microphone: Microphone, hear: (move: KeyMove) => void): Promise<RunByEar | null> {
  const ready = microphone.ready();
  if (!ready) return null;
  const run = await listenToRun(ready.microphone, ready.tuning, ({ midi, atMs, odds }) =>
    hear({ midi, press: 'down', atMs, odds }),
  );
  const recording = microphone.keepsSound ? recordSound(ready.microphone.stream) : null;
  return {
    end: async (zeroMs, onPart, credit) => {
      const sound = (await recording?.stop()) ?? null;
      const { heard, beganMs } = await run.end(onPart);
      if (!heard.ok) return null;
      const off = beganMs - zeroMs;
      const strokes = heard.value.strokes.map((stroke) => ({ ...stroke, atMs: stroke.atMs + off }));
      const gaps = heard.value.gaps.map((atMs) => atMs + off);
      const credited = await credit({ ...heard.value, strokes, gaps });
      return credited.ok ? { ...credited.value, sound, gaps: gaps.length } : null;
    },
    forget: () => {
      run.forget();
      void recording?.stop();
    },
  };
}
