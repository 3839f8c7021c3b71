/** Records what a microphone gives, compressed by the browser; null where the browser cannot. */
export function recordSound(stream: MediaStream): { readonly stop: () => Promise<Blob | null> } | null {
  if (typeof MediaRecorder === 'undefined') return null;
  const parts: Blob[] = [];
  const recorder = new MediaRecorder(stream, { audioBitsPerSecond: BITS_A_SECOND });
  recorder.addEventListener('dataavailable', ({ data }) => parts.push(data));
  const stopped = new Promise<void>((resolve) => recorder.addEventListener('stop', () => resolve(), { once: true }));
  recorder.start();
  return {
    stop: async () => {
      if (recorder.state !== 'inactive') recorder.stop();
      await stopped;
      return parts.length === 0 ? null : new Blob(parts, { type: recorder.mimeType });
    },
  };
}

/** A piano is well heard, and five minutes take less than three megabytes. */
const BITS_A_SECOND = 64_000;
