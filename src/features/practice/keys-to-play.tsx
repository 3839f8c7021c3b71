'use client';

import { useEffect, useRef } from 'react';
import type { Moment } from '@/core/views';
import { KeyboardMap } from '@/features/shared/keys/keyboard-map';
import { pianoSounder } from '@/features/shared/sound/sounder';
import { useWords } from '@/features/shared/words/use-words';

interface KeysToPlayProps {
  /** The fingers that are shown; null for none. */
  readonly moment: Moment | null;
  readonly range: readonly [number, number];
  readonly letterOn?: ((midi: number) => string | null) | undefined;
  readonly onTouch: (midi: number) => void;
}

const LENGTH_S = 0.4;
const LOUDNESS = 0.6;

/** Keys to be played on, wide enough for a finger; where they do not find room, they are moved to the hand. */
export function KeysToPlay({ moment, range, letterOn, onTouch }: KeysToPlayProps) {
  const w = useWords();
  const room = useRef<HTMLElement>(null);
  const [low, high] = range;
  useEffect(() => {
    const box = room.current;
    if (!box || box.scrollWidth <= box.clientWidth) return;
    const finger = box.querySelector('[data-down=true]') ?? box.querySelector('[data-key-midi="60"]');
    const at = finger?.getBoundingClientRect();
    const own = box.getBoundingClientRect();
    if (at) box.scrollBy({ left: at.left + at.width / 2 - own.left - own.width / 2 });
    // Only when the keys are new: what one scrolled to stays while one plays.
  }, [low, high]);
  const touch = (midi: number): void => {
    onTouch(midi);
    void pianoSounder().then(async (sounder) => {
      await sounder.ready();
      sounder.strike(midi, sounder.now(), LENGTH_S, LOUDNESS);
    });
  };
  return (
    <section
      ref={room}
      aria-label={w.practice.theKeys}
      tabIndex={0}
      className="overflow-x-auto rounded-box border border-base-300 bg-base-100 p-2"
    >
      <KeyboardMap moment={moment} range={range} part="playing" onKey={touch} letterOn={letterOn} />
    </section>
  );
}
