'use client';

import { useEffect, useRef } from 'react';
import { useRecording } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** The sound of a run, where it was kept. */
export function RunSound({ run }: { readonly run: string }) {
  const w = useWords();
  const sound = useRecording(run);
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
  if (!sound) return null;
  return (
    <figure className="flex flex-col gap-1" data-role="run-sound">
      <figcaption className="text-sm font-semibold">{w.ear.sound}</figcaption>
      <audio ref={player} controls className="w-full max-w-xl" />
    </figure>
  );
}
