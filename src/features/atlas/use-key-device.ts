'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { computerKeys, midiKeys, screenKeys, simulatedKeys } from '@/features/shared/devices/devices';
import { DeviceTrouble } from '@/features/shared/devices/key-device';
import { useMessages } from '@/features/shared/messages';
import { useWords } from '@/features/shared/words/use-words';

export const DEVICES = ['screen', 'midi', 'simulated'] as const;
export type DeviceChoice = (typeof DEVICES)[number];

/** The keyboard that answers. */
export interface AnsweringKeys {
  readonly device: DeviceChoice;
  readonly choose: (device: DeviceChoice) => void;
  /** A key on the screen. */
  readonly touch: (midi: number) => void;
  /** Has the keyboard that plays by itself strike keys, one after the other. */
  readonly play: (midis: readonly number[]) => void;
}

/** How fast the keyboard that plays by itself answers. Unit: ms. */
const EACH_MS = 180;

/** Listens to a keyboard and tells of each key that is struck. The computer's keys begin at middle C under A. */
export function useKeyDevice(onKey: (midi: number) => void): AnsweringKeys {
  const w = useWords();
  const { say } = useMessages();
  const [device, choose] = useState<DeviceChoice>('screen');
  const [screen] = useState(() => screenKeys());
  const [simulated] = useState(() => simulatedKeys());
  const told = useRef(onKey);
  useEffect(() => {
    told.current = onKey;
  }, [onKey]);
  useEffect(() => {
    const wanted = {
      screen: [screen, computerKeys(MIDDLE_C)],
      midi: [midiKeys(w), screen],
      simulated: [simulated, screen],
    }[device];
    let isWanted = true;
    const stops: (() => void)[] = [];
    for (const one of wanted) {
      one
        .listen(({ midi, press: way }) => {
          if (way === 'down') told.current(midi);
        })
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
  }, [w, device, screen, simulated, say]);
  return useMemo(
    () => ({
      device,
      choose,
      touch: (midi: number) => {
        screen.move(midi, 'down');
        screen.move(midi, 'up');
      },
      play: (midis: readonly number[]) =>
        void simulated.play(
          midis.map((midi) => [midi]),
          EACH_MS,
        ),
    }),
    [device, screen, simulated],
  );
}

const MIDDLE_C = 60;
