'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import type { StruckKey } from '@/core/asked';
import { useMessages } from '@/features/shared/shell/messages';
import { useWords } from '@/features/shared/words/use-words';
import { computerKeys, midiKeys, screenKeys, simulatedKeys } from './devices';
import { DeviceTrouble, type KeyMove } from './key-device';
import { forgetLoad, isLoadedForMidi, loadsForMidi } from './own-page';

export const INSTRUMENTS = ['screen', 'midi', 'simulated'] as const;
export type InstrumentName = (typeof INSTRUMENTS)[number];

/** What a pupil plays on. */
export interface Instrument {
  readonly name: InstrumentName;
  readonly choose: (name: InstrumentName) => void;
  /** A key on the screen, pressed and let go. */
  readonly touch: (midi: number) => void;
  /** Has the one that plays by itself strike keys from a time of `performance.now()` on; gives back how to stop. */
  readonly perform: (keys: readonly StruckKey[], fromMs: number) => () => void;
}

export const MIDDLE_C = 60;

function firstInstrument(): InstrumentName {
  return isLoadedForMidi() ? 'midi' : 'screen';
}

/** Listens to an instrument and tells of every key that goes down or up. The keys on the screen always count, whatever else is played on. */
export function useInstrument(onMove: (move: KeyMove) => void): Instrument {
  const w = useWords();
  const { say } = useMessages();
  const [name, setName] = useState<InstrumentName>(firstInstrument);
  useEffect(forgetLoad, []);
  const [screen] = useState(() => screenKeys());
  const [simulated] = useState(() => simulatedKeys());
  const told = useRef(onMove);
  useEffect(() => {
    told.current = onMove;
  }, [onMove]);
  useEffect(() => {
    const plugged = (how: 'in' | 'out'): void =>
      say(
        how === 'in'
          ? { kind: 'done', text: w.devices.keyboardPluggedIn }
          : { kind: 'trouble', text: w.devices.keyboardPluggedOut, hint: w.devices.plugItInAgain },
      );
    const wanted = {
      screen: [screen, computerKeys(MIDDLE_C)],
      midi: [midiKeys(w, plugged), screen],
      simulated: [simulated, screen],
    }[name];
    let isWanted = true;
    const stops: (() => void)[] = [];
    for (const one of wanted) {
      one
        .listen((move) => told.current(move))
        .then(
          (stop) => (isWanted ? stops.push(stop) : stop()),
          (trouble: unknown) => {
            if (isWanted && trouble instanceof DeviceTrouble)
              say({ kind: 'trouble', text: trouble.message, hint: trouble.hint });
          },
        );
    }
    return () => {
      isWanted = false;
      stops.forEach((stop) => stop());
    };
  }, [w, name, screen, simulated, say]);
  return useMemo(
    () => ({
      name,
      choose: (wanted: InstrumentName) => {
        if (wanted !== 'midi' || !loadsForMidi()) setName(wanted);
      },
      touch: (midi: number) => {
        screen.move(midi, 'down');
        setTimeout(() => screen.move(midi, 'up'), TOUCH_MS);
      },
      perform: simulated.perform,
    }),
    [name, screen, simulated],
  );
}

/** How long a key on the screen stays down. Unit: ms. */
const TOUCH_MS = 250;
