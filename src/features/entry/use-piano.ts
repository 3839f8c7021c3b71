'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { computerKeys, midiKeys, screenKeys, simulatedKeys } from '@/features/shared/devices/devices';
import { DeviceTrouble, type KeyMove } from '@/features/shared/devices/key-device';
import { isLoadedForMidi, loadsForMidi } from '@/features/shared/devices/own-page';
import { struckTogether, takeDown } from '@/features/shared/devices/struck-together';
import { useMessages } from '@/features/shared/shell/messages';
import { pianoSounder } from '@/features/shared/sound/sounder';
import type { Asks } from './use-entering';
import { useWords } from '@/features/shared/words/use-words';

/** The shortest notes that are meant when something is played in, as parts of a quarter. */
export const GRIDS = [1, 2, 3, 4] as const;
export type GridChosen = (typeof GRIDS)[number];

interface PlayedTo {
  readonly perMinute: number;
  readonly grid: GridChosen;
  readonly beats: number;
  readonly beatQuarters: number;
}

/** The keyboards, and playing in time. */
export interface Piano {
  readonly device: 'screen' | 'midi' | 'simulated';
  readonly choose: (device: Piano['device']) => void;
  /** The key under A of the computer's keys, as a MIDI number. */
  readonly lowest: number;
  readonly setLowest: (midi: number) => void;
  readonly state: 'idle' | 'counting' | 'playing';
  readonly begin: (to: PlayedTo) => void;
  readonly end: () => void;
  /** A key on the screen, pressed and let go. */
  readonly touch: (midi: number) => void;
  readonly playByItself: (keys: readonly (readonly number[])[], eachMs: number) => Promise<void>;
}

interface Recording {
  readonly to: PlayedTo;
  /** When the first bar begins, after the one that is only counted. */
  readonly startMs: number;
  readonly taken: ReturnType<typeof takeDown>;
  readonly clicks: readonly ReturnType<typeof setTimeout>[];
}

/** Listens to the chosen keyboard while notes are entered by piano keys. */
// eslint-disable-next-line max-lines-per-function -- small functions that share one device
export function usePiano(isOn: boolean, { press, played }: Pick<Asks, 'press' | 'played'>): Piano {
  const w = useWords();
  const { say } = useMessages();
  const [device, setDevice] = useState<Piano['device']>(() => (isLoadedForMidi() ? 'midi' : 'screen'));
  const [lowest, setLowest] = useState(60);
  const [state, setState] = useState<Piano['state']>('idle');
  const recording = useRef<Recording | null>(null);
  const [screen] = useState(() => screenKeys());
  const [simulated] = useState(() => simulatedKeys());
  const computer = useMemo(() => computerKeys(lowest), [lowest]);

  const choose = (wanted: Piano['device']): void => {
    if (wanted !== 'midi' || !loadsForMidi()) setDevice(wanted);
  };

  const hearChord = useMemo(() => struckTogether((midis) => press({ kind: 'keys', midis })), [press]);
  useEffect(() => {
    if (!isOn) return;
    const hear = (move: KeyMove): void => {
      if (recording.current) recording.current.taken.hear(move);
      else hearChord(move);
    };
    const wanted = { screen: [screen, computer], midi: [midiKeys(w), screen], simulated: [simulated, screen] }[device];
    let isWanted = true;
    const stops: (() => void)[] = [];
    for (const one of wanted) {
      one
        .listen(hear)
        .then((stop) => (isWanted ? stops.push(stop) : stop()))
        .catch((error: unknown) => {
          const trouble =
            error instanceof DeviceTrouble
              ? error
              : new DeviceTrouble(w.entry.thisKeyboardCannotBeUsed, w.entry.chooseAnotherOne);
          say({ kind: 'trouble', text: trouble.message, hint: trouble.hint });
          setDevice('screen');
        });
    }
    return () => {
      isWanted = false;
      stops.forEach((stop) => stop());
    };
  }, [w, isOn, device, screen, computer, simulated, hearChord, say]);

  const drop = useCallback(() => {
    recording.current?.clicks.forEach(clearTimeout);
    recording.current = null;
    setState('idle');
  }, []);
  useEffect(() => (isOn ? drop : undefined), [isOn, drop]);

  const begin = useCallback((to: PlayedTo): void => {
    const beatMs = (60_000 / to.perMinute) * to.beatQuarters;
    const startMs = performance.now() + to.beats * beatMs;
    setState('counting');
    void pianoSounder().then((sounder) => sounder.ready());
    // Four minutes of clicks: longer than anything that is played in at one go.
    const count = to.beats + Math.ceil(240_000 / beatMs);
    const clicks = Array.from({ length: count }, (_, i) =>
      setTimeout(() => void click(i % to.beats === 0), i * beatMs),
    );
    const now = setTimeout(() => setState('playing'), to.beats * beatMs);
    recording.current = { to, startMs, taken: takeDown(startMs), clicks: [...clicks, now] };
  }, []);
  const end = useCallback(() => {
    const ended = recording.current;
    drop();
    if (!ended) return;
    const keys = ended.taken.finish(performance.now()).filter(({ upMs }) => upMs > 0);
    played(keys, 60_000 / ended.to.perMinute, ended.to.grid);
  }, [drop, played]);

  const touch = useCallback(
    (midi: number): void => {
      screen.move(midi, 'down');
      window.addEventListener('pointerup', () => screen.move(midi, 'up'), { once: true });
    },
    [screen],
  );
  const playByItself = useCallback(
    (keys: readonly (readonly number[])[], eachMs: number) =>
      simulated.play(keys, eachMs, recording.current ? nextBeatMs(recording.current) : undefined),
    [simulated],
  );
  return { device, choose, lowest, setLowest, state, begin, end, touch, playByItself };
}

/** The first beat that can still be met: that of the first bar while it is counted in. */
function nextBeatMs({ to, startMs }: Recording): number {
  const beatMs = (60_000 / to.perMinute) * to.beatQuarters;
  return startMs + Math.max(0, Math.ceil((performance.now() - startMs) / beatMs)) * beatMs;
}

async function click(isFirst: boolean): Promise<void> {
  const sounder = await pianoSounder();
  sounder.click(sounder.now(), isFirst);
}
