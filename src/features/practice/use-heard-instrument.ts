'use client';

import { useCallback, useMemo, useRef } from 'react';
import type { KeyMove } from '@/features/shared/devices/key-device';
import { useInstrument, type Instrument } from '@/features/shared/devices/use-instrument';

/** An instrument that stays chosen while one thing after another listens to it. */
export interface HeardInstrument extends Instrument {
  /** From now on these are told of each key; gives back how to stop. */
  readonly hears: (hear: (move: KeyMove) => void) => () => void;
}

export function useHeardInstrument(): HeardInstrument {
  const listener = useRef<((move: KeyMove) => void) | null>(null);
  const instrument = useInstrument(useCallback((move: KeyMove) => listener.current?.(move), []));
  const hears = useCallback((hear: (move: KeyMove) => void) => {
    listener.current = hear;
    return () => {
      if (listener.current === hear) listener.current = null;
    };
  }, []);
  return useMemo(() => ({ ...instrument, hears }), [instrument, hears]);
}
