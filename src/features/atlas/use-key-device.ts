'use client';

import { useCallback, useMemo } from 'react';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { useInstrument, type InstrumentName } from '@/features/shared/devices/use-instrument';

export type DeviceChoice = InstrumentName;

/** The keyboard that answers. */
export interface AnsweringKeys {
  readonly device: DeviceChoice;
  readonly choose: (device: DeviceChoice) => void;
  /** A key on the screen. */
  readonly touch: (midi: number) => void;
  /** Has the keyboard that plays by itself strike keys, one after the other. */
  readonly play: (midis: readonly number[]) => void;
}

/** How fast the keyboard that plays by itself answers, how much of that it holds a key (ms), and how fast a key goes down (as MIDI has it). */
const EACH_MS = 180;
const HELD_MS = 160;
const VELOCITY = 64;

/** Listens to a keyboard and tells of each key that is struck. */
export function useKeyDevice(onKey: (midi: number) => void): AnsweringKeys {
  const hear = useCallback(
    ({ midi, press }: KeyMove): void => {
      if (press === 'down') onKey(midi);
    },
    [onKey],
  );
  const { name, choose, touch, perform } = useInstrument(hear);
  return useMemo(
    () => ({
      device: name,
      choose,
      touch,
      play: (midis) => {
        const keys = midis.map((midi, i) => ({
          midi,
          downMs: i * EACH_MS,
          upMs: i * EACH_MS + HELD_MS,
          velocity: VELOCITY,
        }));
        perform(keys, performance.now());
      },
    }),
    [name, choose, touch, perform],
  );
}
