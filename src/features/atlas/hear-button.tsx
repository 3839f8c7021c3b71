'use client';

import { Volume2 } from 'lucide-react';
import { hearChords } from '@/features/shared/sound/hear-chords';
import { useWords } from '@/features/shared/words/use-words';

/** How long each sound is. Unit: s. */
const STEP_S = 0.42;

interface HearButtonProps {
  readonly label: string;
  /** Keys as MIDI numbers, chord by chord. */
  readonly sounds: readonly (readonly number[])[];
}

/** Plays chords one after the other. */
export function HearButton({ label, sounds }: HearButtonProps) {
  const w = useWords();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square size-9 print:hidden"
      aria-label={w.shared.hear(label)}
      title={w.shared.hear(label)}
      onClick={() => void hearChords(sounds, STEP_S)}
    >
      <Volume2 size={18} aria-hidden />
    </button>
  );
}
