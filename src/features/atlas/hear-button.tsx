'use client';

import { Volume2 } from 'lucide-react';
import { pianoSounder } from '@/features/shared/sound/sounder';

/** How long each sound is. Unit: s. */
const STEP_S = 0.42;

interface HearButtonProps {
  readonly label: string;
  /** Keys as MIDI numbers, chord by chord. */
  readonly sounds: readonly (readonly number[])[];
}

/** Plays chords one after the other. */
export function HearButton({ label, sounds }: HearButtonProps) {
  const hear = async (): Promise<void> => {
    const sounder = await pianoSounder();
    await sounder.ready();
    sounder.quiet();
    const from = sounder.now() + 0.05;
    sounds.forEach((chord, i) => chord.forEach((midi) => sounder.strike(midi, from + i * STEP_S, STEP_S * 0.95, 0.6)));
  };
  return (
    <button type="button" className="btn btn-ghost btn-sm btn-square size-9 print:hidden" aria-label={`Hear ${label}`} title={`Hear ${label}`} onClick={() => void hear()}>
      <Volume2 size={18} aria-hidden />
    </button>
  );
}
