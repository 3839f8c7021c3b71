'use client';

import { useEffect, useRef } from 'react';
import { markAsWritten, useRecording } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** The sound of a run, where it was kept. */
export function RunSound({ run }: { readonly run: string }) {
  const w = useWords();
  const recording = useRecording(run);
  const sound = recording?.sound;
  const player = useRef<HTMLAudioElement>(null);
  useEffect(() => {
    const audio = player.current;
    if (!sound || !audio) return;
    const address = URL.createObjectURL(sound);
    audio.src = address;
    return () => {
      audio.removeAttribute('src');
      URL.revokeObjectURL(address);
    };
  }, [sound]);
  if (!recording) return null;
  return (
    <figure className="flex flex-col gap-1" data-role="run-sound">
      <figcaption className="text-sm font-semibold">{w.ear.sound}</figcaption>
      <audio ref={player} controls className="w-full max-w-xl" />
      <label className="flex min-h-9 cursor-pointer items-center gap-2 text-sm pointer-coarse:min-h-11">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          data-role="as-written"
          checked={recording.asWritten === true}
          onChange={(event) => void markAsWritten(run, event.target.checked)}
        />
        {w.ear.asWritten}
      </label>
    </figure>
  );
}
