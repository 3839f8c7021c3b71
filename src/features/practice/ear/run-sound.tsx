'use client';

import { useEffect, useRef } from 'react';
import { markAsWritten, useRecording } from '@/data';
import { useWords } from '@/features/shared/words/use-words';
import { EarTick } from './ear-tick';

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
      <EarTick
        role="as-written"
        words={w.ear.asWritten}
        isTicked={recording.asWritten === true}
        onTick={(isTicked) => void markAsWritten(run, isTicked)}
      />
    </figure>
  );
}
