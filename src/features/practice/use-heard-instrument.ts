'use client';

import { useCallback, useMemo, useRef, useState } from 'react';
import type { PlayedOn } from '@/data';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { useInstrument, type Instrument } from '@/features/shared/devices/use-instrument';
import { useMicrophone, type Microphone } from './ear/use-microphone';

/** An instrument that stays chosen while one thing after another listens to it. */
export interface HeardInstrument extends Omit<Instrument, 'name' | 'choose'> {
  readonly name: PlayedOn;
  readonly choose: (name: PlayedOn) => void;
  /** From now on these are told of each key; gives back how to stop. */
  readonly hears: (hear: (move: KeyMove) => void) => () => void;
  /** The microphone in front of a piano, where that is what is played on. */
  readonly microphone: Microphone | null;
}

export function useHeardInstrument(): HeardInstrument {
  const listener = useRef<((move: KeyMove) => void) | null>(null);
  const [isByEar, setByEar] = useState(false);
  const microphone = useMicrophone(isByEar);
  // While a piano is heard, the computer's keys are no piano.
  const told = useCallback((move: KeyMove) => (isByEar ? undefined : listener.current?.(move)), [isByEar]);
  const instrument = useInstrument(told);
  const hears = useCallback((hear: (move: KeyMove) => void) => {
    listener.current = hear;
    return () => {
      if (listener.current === hear) listener.current = null;
    };
  }, []);
  return useMemo(
    () => ({
      ...instrument,
      name: isByEar ? 'microphone' : instrument.name,
      choose: (name) => {
        setByEar(name === 'microphone');
        instrument.choose(name === 'microphone' ? 'screen' : name);
      },
      hears,
      microphone: isByEar ? microphone : null,
    }),
    [instrument, isByEar, hears, microphone],
  );
}
