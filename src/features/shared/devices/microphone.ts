'use client';

import { mixed, number, object } from 'yup';
import type { Words } from '@/features/shared/words/use-words';
import { DeviceTrouble } from './key-device';

/** A piece of sound, and when its first sample was heard, in ms of `performance.now()`. */
export type TakeSound = (piece: Float32Array, fromMs: number) => void;

/** A microphone that is open. */
export interface OpenMicrophone {
  /** Samples a second. */
  readonly rate: number;
  /** What it gives, as the browser has it, for whoever records it. */
  readonly stream: MediaStream;
  /** Tells of every piece of sound; gives back how to stop. */
  readonly listen: (take: TakeSound) => () => void;
  readonly close: () => void;
}

/** Why an open microphone gives nothing any more: it was unplugged or taken away; or the browser has put the sound to sleep. */
export type MicrophoneGone = 'gone' | 'asleep';

const pieceSchema = object({
  piece: mixed<Float32Array>((value): value is Float32Array => value instanceof Float32Array).required(),
  endS: number().required(),
});

/** The sound card's clock runs off the page's by less than this. Unit: ms a piece of sound. */
const DRIFT_MS = 0.02;

/** Opens the microphone; the browser asks whoever sits there. What browsers do to voices is switched off: it takes away what tells notes apart.
 * `onGone` is told when nothing comes any more. Rejects with a `DeviceTrouble`. */
export async function openMicrophone(w: Words, onGone: (why: MicrophoneGone) => void): Promise<OpenMicrophone> {
  const devices = (navigator as { readonly mediaDevices?: MediaDevices }).mediaDevices;
  if (!devices?.getUserMedia || typeof AudioWorkletNode === 'undefined')
    throw new DeviceTrouble(w.devices.noMicrophoneInBrowser, w.devices.otherWaysToBeHeard);
  const stream = await devices
    .getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
    })
    .catch((cause: unknown) => {
      throw refusal(w, cause);
    });
  const context = new AudioContext({ latencyHint: 'interactive' });
  try {
    await context.audioWorklet.addModule(`${process.env['NEXT_PUBLIC_BASE_PATH']}/microphone.js`);
    await context.resume();
  } catch {
    stream.getTracks().forEach((track) => track.stop());
    void context.close();
    throw new DeviceTrouble(w.devices.microphoneDidNotStart, w.devices.otherWaysToBeHeard);
  }
  return listenTo(stream, context, onGone);
}

function listenTo(stream: MediaStream, context: AudioContext, onGone: (why: MicrophoneGone) => void): OpenMicrophone {
  const source = context.createMediaStreamSource(stream);
  const worklet = new AudioWorkletNode(context, 'microphone', {
    numberOfOutputs: 0,
    channelCount: 1,
    channelCountMode: 'explicit',
  });
  source.connect(worklet);
  const [track] = stream.getAudioTracks();
  const latencyMs = 1000 * ((track?.getSettings() as { readonly latency?: number } | undefined)?.latency ?? 0);
  const takers = new Set<TakeSound>();
  /** From the sound card's clock to the page's: the piece that took least on its way tells it best. */
  let clockMs = Infinity;
  let isOpen = true;
  worklet.port.onmessage = ({ data }: MessageEvent<unknown>) => {
    const { piece, endS } = pieceSchema.validateSync(data, { strict: true });
    clockMs = Math.min(clockMs + DRIFT_MS, performance.now() - endS * 1000);
    const fromMs = clockMs + (endS - piece.length / context.sampleRate) * 1000 - latencyMs;
    takers.forEach((take) => take(piece, fromMs));
  };
  track?.addEventListener('ended', () => {
    if (isOpen) onGone('gone');
  });
  context.addEventListener('statechange', () => {
    if (isOpen && context.state !== 'running') onGone('asleep');
    // The sound card's clock stood still meanwhile.
    else clockMs = Infinity;
  });
  return {
    rate: context.sampleRate,
    stream,
    listen: (take) => {
      takers.add(take);
      return () => takers.delete(take);
    },
    close: () => {
      isOpen = false;
      takers.clear();
      worklet.port.onmessage = null;
      stream.getTracks().forEach((one) => one.stop());
      void context.close();
    },
  };
}

/** Why the browser gave no microphone, in words for pupils. Names as the standard has them. */
function refusal(w: Words, cause: unknown): DeviceTrouble {
  const name = cause instanceof DOMException ? cause.name : '';
  if (name === 'NotAllowedError' || name === 'SecurityError')
    return new DeviceTrouble(w.devices.microphoneNotAllowed, w.devices.allowMicrophone);
  if (name === 'NotFoundError' || name === 'OverconstrainedError')
    return new DeviceTrouble(w.devices.noMicrophone, w.devices.otherWaysToBeHeard);
  if (name === 'NotReadableError' || name === 'AbortError')
    return new DeviceTrouble(w.devices.microphoneInUse, w.devices.closeOthers);
  return new DeviceTrouble(w.devices.microphoneDidNotStart, w.devices.otherWaysToBeHeard);
}
