'use client';

import type { HeardByOne } from '@/core/hearing';
import type { TuningRecord } from '@/data';
import type { OpenMicrophone } from '@/features/shared/devices/microphone';
import { earWorker } from '@/workers/client';
import type { HeardRun } from '@/contract/ear-questions';
import type { Answer } from '@/contract/answer';
import { endListening } from '@/workers/questions';

/** A run that is listened to. Times in ms of `performance.now()`. */
export interface ListenedRun {
  /** The run is over: all that may have been struck, and when the first piece of sound began. */
  readonly end: (
    onPart: (share: number) => void,
  ) => Promise<{ readonly heard: Answer<HeardRun>; readonly beganMs: number }>;
  readonly forget: () => void;
}

/** Listens to a run from now on; `tell` is told of each stroke that is likely enough, as it is heard. */
export async function listenToRun(
  microphone: OpenMicrophone,
  { cents, loudness }: TuningRecord,
  tell: (stroke: HeardByOne) => void,
): Promise<ListenedRun> {
  const ear = earWorker();
  await ear.begin({ rate: microphone.rate, cents, loudness });
  let beganMs: number | null = null;
  let isOpen = true;
  const stop = microphone.listen((piece, fromMs) => {
    beganMs ??= fromMs;
    const began = beganMs;
    void ear.hear(piece).then((answer) => {
      if (!isOpen || !answer.ok) return;
      for (const stroke of answer.value) tell({ ...stroke, atMs: began + stroke.atMs });
    });
  });
  const close = (): void => {
    isOpen = false;
    stop();
  };
  return {
    forget: close,
    end: async (onPart) => {
      close();
      return { heard: await endListening(onPart), beganMs: beganMs ?? performance.now() };
    },
  };
}
