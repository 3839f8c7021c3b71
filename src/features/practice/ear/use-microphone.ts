'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { keepTuning, useTuning, type TuningRecord } from '@/data';
import { openMicrophone, type MicrophoneGone, type OpenMicrophone } from '@/features/shared/devices/microphone';
import { DeviceTrouble } from '@/features/shared/devices/key-device';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';
import { earWorker } from '@/workers/client';

/** The keys that are played to tune in, as MIDI numbers: in the middle, where beginners play. */
export const TUNING_KEYS = [60, 64, 67, 72, 55] as const;

/** How the microphone stands: shut, being asked for, being tuned in (so many of the keys are heard; `last` is what became of the last sound), or open. */
export type MicrophoneState =
  | { readonly is: 'shut' | 'asking' | 'open' }
  | { readonly is: 'tuning'; readonly heard: number; readonly last: 'nothing' | 'other' | 'note' };

/** The pupil's microphone, and what is known of the piano in front of it. */
export interface Microphone {
  readonly state: MicrophoneState;
  readonly tuning: TuningRecord | null;
  /** Whether the pupil wears headphones: then the count and the other hand may sound. */
  readonly headphones: boolean;
  readonly wearHeadphones: (worn: boolean) => void;
  /** Whether the sound of each run is kept for the teacher. */
  readonly keepsSound: boolean;
  readonly keepSound: (kept: boolean) => void;
  readonly open: () => Promise<void>;
  readonly tuneIn: () => void;
  readonly shut: () => void;
  /** The open microphone, for a run; null while it is not open or not tuned in. */
  readonly ready: () => { readonly microphone: OpenMicrophone; readonly tuning: TuningRecord } | null;
  /** Whoever listens is told when the microphone gives nothing any more. */
  readonly onGone: (tell: () => void) => () => void;
}

/** Too much noise: so little louder is a note than the room. Unit: dB. */
export const LEAST_CLEAR_DB = 14;

/** Opens, tunes in and shuts the microphone. It is shut when nobody wants it any more. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one microphone
export function useMicrophone(isWanted: boolean): Microphone {
  const w = useWords();
  const { say } = useMessages();
  const known = useTuning();
  const tuning = known ?? null;
  const [state, setState] = useState<MicrophoneState>({ is: 'shut' });
  const [headphones, wearHeadphones] = useState(false);
  const [keepsSound, keepSound] = useState(false);
  const microphone = useRef<OpenMicrophone | null>(null);
  const stopTuning = useRef<() => void>(() => undefined);
  const gone = useRef(new Set<() => void>());

  const shut = useCallback((): void => {
    stopTuning.current();
    microphone.current?.close();
    microphone.current = null;
    setState({ is: 'shut' });
  }, []);
  useEffect(() => {
    if (!isWanted) return;
    return shut;
  }, [isWanted, shut]);

  const tuneIn = useCallback((): void => {
    const open = microphone.current;
    if (!open) return;
    stopTuning.current();
    setState({ is: 'tuning', heard: 0, last: 'nothing' });
    stopTuning.current = listenForTuning(open, {
      onHeard: (heard, last) => setState({ is: 'tuning', heard, last }),
      onDone: (record) => {
        void keepTuning(record);
        setState({ is: 'open' });
      },
    });
  }, []);

  const open = useCallback(async (): Promise<void> => {
    setState({ is: 'asking' });
    const onGone = (why: MicrophoneGone): void => {
      say({
        kind: 'trouble',
        text: why === 'gone' ? w.devices.microphoneGone : w.devices.microphoneAsleep,
        hint: w.devices.listenAgain,
      });
      gone.current.forEach((tell) => tell());
      shut();
    };
    try {
      microphone.current = await openMicrophone(w, onGone);
    } catch (trouble) {
      if (trouble instanceof DeviceTrouble) say({ kind: 'trouble', text: trouble.message, hint: trouble.hint });
      return setState({ is: 'shut' });
    }
    if (tuning) setState({ is: 'open' });
    else tuneIn();
  }, [say, w, shut, tuning, tuneIn]);

  const isReady = state.is === 'open';
  const ready = useCallback(
    () => (isReady && microphone.current && tuning ? { microphone: microphone.current, tuning } : null),
    [isReady, tuning],
  );
  const onGone = useCallback((tell: () => void) => {
    gone.current.add(tell);
    return () => gone.current.delete(tell);
  }, []);
  return useMemo(
    () => ({ state, tuning, headphones, wearHeadphones, keepsSound, keepSound, open, tuneIn, shut, ready, onGone }),
    [state, tuning, headphones, keepsSound, open, tuneIn, shut, ready, onGone],
  );
}

interface TuningListeners {
  readonly onHeard: (heard: number, last: 'other' | 'note') => void;
  readonly onDone: (record: Omit<TuningRecord, 'id'>) => void;
}

/** Waits for the keys one after the other; gives back how to stop. */
function listenForTuning(open: OpenMicrophone, { onHeard, onDone }: TuningListeners): () => void {
  const ear = earWorker();
  let isOn = true;
  const tuned: { cents: number; loudness: number; noise: number }[] = [];
  const hear = async (piece: Float32Array): Promise<void> => {
    if (!isOn) return;
    const answer = await ear.hearNote(piece, TUNING_KEYS[tuned.length] ?? TUNING_KEYS[0]);
    if (!isOn || !answer.ok || answer.value.is === 'nothing') return;
    if (answer.value.is === 'note') tuned.push(answer.value.note);
    onHeard(tuned.length, answer.value.is);
    if (tuned.length < TUNING_KEYS.length) return;
    isOn = false;
    stop();
    const whole = await ear.tuningOf(tuned);
    if (whole.ok && whole.value) onDone(whole.value);
  };
  // Which key is waited for is known when the piece before has been heard: on a slow device several wait.
  let before: Promise<unknown> = ear.tune(open.rate);
  const stop = open.listen((piece) => {
    before = before.then(() => hear(piece));
  });
  return () => {
    isOn = false;
    stop();
  };
}

/** Almost the next key: then it is told that notes may be mistaken. Unit: cents. */
const FAR_OUT = 45;

/** What is said of a tuning. */
export function tuningSaid(w: ReturnType<typeof useWords>, { cents, clearDb }: TuningRecord): string {
  const pitch = Math.abs(cents) >= FAR_OUT ? w.ear.farOut(cents) : w.ear.tuned(cents);
  return clearDb < LEAST_CLEAR_DB ? `${pitch} ${w.ear.tooMuchNoise}` : pitch;
}
